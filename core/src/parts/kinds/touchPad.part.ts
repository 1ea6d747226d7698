import * as z from 'zod';
import { signal } from '../../gadget/index.ts';
import { aModule, definePart, powerEnds, supplied, us } from '../kind.ts';

export const touchPad = definePart({
  id: 'touch-pad',
  title: 'Touch pad',
  doc: 'A module that answers a finger without a moving part; its level drifts with damp.',
  group: 'controls',
  figures: z.strictObject({ ...supplied, answersUs: us('Answers within') }),
  defaults: { supplyMinMv: 2_000, supplyMaxMv: 5_500, typicalUa: 20, worstUa: 3_000, answersUs: 60_000 },
  priceCents: 90,
  plays: () => ['button'],
  terminals: (figures) => [signal('out', 'in', { drives: true, atBoot: 'low' }), ...powerEnds(figures)],
  ...aModule,
});
