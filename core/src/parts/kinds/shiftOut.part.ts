import * as z from 'zod';
import { signal } from '../../gadget/index.ts';
import { aModule, definePart, listens, powerEnds, supplied } from '../kind.ts';

export const shiftOut = definePart({
  id: 'shift-out',
  title: 'Shift register, outputs',
  doc: 'Eight outputs told bit by bit over three lines; chips chain.',
  group: 'chips',
  figures: z.strictObject(supplied),
  defaults: { supplyMinMv: 2_000, supplyMaxMv: 5_500, typicalUa: 80, worstUa: 70_000 },
  priceCents: 55,
  plays: () => [],
  terminals: (figures) => [
    signal('data', 'out', listens),
    signal('clock', 'out', listens),
    signal('latch', 'out', listens),
    ...powerEnds(figures),
  ],
  ...aModule,
});
