import * as z from 'zod';
import { signal } from '../../gadget/index.ts';
import { aModule, definePart, hz, listens, powerEnds, supplied, us } from '../kind.ts';

export const soundPlayer = definePart({
  id: 'sound-player',
  title: 'Sound-file player',
  doc: 'Plays files from a card when told over a serial line; starts a fraction of a second late.',
  group: 'sound',
  figures: z.strictObject({ ...supplied, baud: hz('Serial speed'), startUs: us('From order to sound') }),
  defaults: {
    supplyMinMv: 3_200,
    supplyMaxMv: 5_300,
    typicalUa: 25_000,
    worstUa: 200_000,
    baud: 9_600,
    startUs: 150_000,
  },
  priceCents: 350,
  plays: () => ['player'],
  terminals: (figures) => [
    signal('rx', { bus: 'uart', line: 'tx', baud: figures.baud }, listens),
    signal('busy', 'in', { drives: true }),
    ...powerEnds(figures),
  ],
  ...aModule,
  memory: () => ({ ram: 32 }),
});
