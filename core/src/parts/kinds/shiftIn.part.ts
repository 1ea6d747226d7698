import * as z from 'zod';
import { signal } from '../../gadget/index.ts';
import { aModule, definePart, listens, powerEnds, supplied } from '../kind.ts';

export const shiftIn = definePart({
  id: 'shift-in',
  title: 'Shift register, inputs',
  doc: 'Eight inputs read bit by bit over three lines; chips chain. For a set of keys, choose it as the way of reading in Wiring.',
  group: 'chips',
  figures: z.strictObject(supplied),
  defaults: { supplyMinMv: 2_000, supplyMaxMv: 5_500, typicalUa: 80, worstUa: 5_000 },
  priceCents: 55,
  plays: () => [],
  terminals: (figures) => [
    signal('load', 'out', listens),
    signal('clock', 'out', listens),
    signal('data', 'in', { drives: true }),
    ...powerEnds(figures),
  ],
  ...aModule,
});
