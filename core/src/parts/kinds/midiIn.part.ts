import * as z from 'zod';
import { signal } from '../../gadget/index.ts';
import { aModule, definePart, powerEnds, supplied } from '../kind.ts';

export const midiIn = definePart({
  id: 'midi-in',
  title: 'MIDI in',
  doc: 'A socket for notes from outside, kept apart by an optocoupler as the standard asks.',
  group: 'links',
  figures: z.strictObject(supplied),
  defaults: { supplyMinMv: 3_000, supplyMaxMv: 5_500, typicalUa: 2_000, worstUa: 10_000 },
  priceCents: 260,
  plays: () => [],
  terminals: (figures) => [
    signal('rx', { bus: 'uart', line: 'rx', baud: 31_250 }, { drives: true }),
    ...powerEnds(figures),
  ],
  ...aModule,
  memory: () => ({ ram: 64 }),
});
