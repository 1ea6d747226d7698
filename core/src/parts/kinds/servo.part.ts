import * as z from 'zod';
import { signal } from '../../gadget/index.ts';
import { aModule, definePart, powerEnds, supplied } from '../kind.ts';

export const servo = definePart({
  id: 'servo',
  title: 'Servo',
  doc: 'Turns to an angle told by a pulse; stalls with ten times its usual current.',
  group: 'motion',
  figures: z.strictObject(supplied),
  defaults: { supplyMinMv: 4_500, supplyMaxMv: 6_000, typicalUa: 120_000, worstUa: 800_000 },
  priceCents: 400,
  plays: () => ['servo'],
  terminals: (figures) => [signal('pulse', 'servo'), ...powerEnds(figures)],
  ...aModule,
});
