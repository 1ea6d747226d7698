import * as z from 'zod';
import { signal } from '../../gadget/index.ts';
import { aModule, count, definePart, hz, perMille, powerEnds, supplied, us } from '../kind.ts';

export const codeReceiver = definePart({
  id: 'code-receiver',
  title: 'Remote or word receiver',
  doc: 'A module that hands over a code for each key of a remote, or for each word that it knows, on a serial line.',
  group: 'sensors',
  figures: z.strictObject({
    ...supplied,
    baud: hz('Serial speed'),
    codes: count('Codes that it knows', 1, 1_000),
    latencyUs: us('From word or key to code'),
    wrongPerMille: perMille('Codes taken for another'),
  }),
  defaults: {
    supplyMinMv: 3_300,
    supplyMaxMv: 5_500,
    typicalUa: 12_000,
    worstUa: 35_000,
    baud: 9_600,
    codes: 20,
    latencyUs: 300_000,
    wrongPerMille: 30,
  },
  priceCents: 700,
  plays: () => ['codes'],
  terminals: (figures) => [
    signal('tx', { bus: 'uart', line: 'rx', baud: figures.baud }, { drives: true }),
    ...powerEnds(figures),
  ],
  ...aModule,
  memory: () => ({ ram: 64 }),
});
