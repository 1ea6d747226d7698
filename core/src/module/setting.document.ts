import type * as z from 'zod';
import { expression, outputDocument } from '../gadget/outputDocument.ts';
import { limits } from '../gadget/limits.ts';
import { durationUsSchema, int32Schema, lineSchema } from '../gadget/primitives.schema.ts';

/** A value that a module takes: the frequency of a tuner, the track of a player, the brightness of a lamp. */
export const setting = outputDocument(
  'setting',
  {
    unit: lineSchema(limits.unitChars),
    /** What it takes; anything beyond is held inside. */
    low: int32Schema,
    high: int32Schema,
    /** What it is when the power comes. */
    start: int32Schema,
    /** How long its bytes are on their way; 0: it is told by a line of its own, at once. */
    tellUs: durationUsSchema(),
  },
  { give: { value: expression } },
  {
    reaches: 'machines',
    fresh: () => ({ unit: '', low: 0, high: 100, start: 0, tellUs: 0 }),
    check: (schema) =>
      schema.refine(({ low, high, start }) => low < high && low <= start && start <= high, {
        path: ['start'],
        message: 'expected a beginning between the lowest and the highest value',
      }),
  },
);

export type Setting = z.infer<typeof setting.schema>;
