import * as z from 'zod';
import { limits } from './limits.ts';
import { idSchema, nameSchema, wholeSchema } from './primitives.schema.ts';

/** How a pitch goes from one to the other: evenly, most of it at first, or most of it at last. */
export const effectCurves = ['even', 'early', 'late'] as const;

/** A short sound that is made, not written: a pitch on its way. */
export const effectSchema = z.strictObject({
  id: idSchema,
  name: nameSchema,
  fromHz: wholeSchema(20, limits.toneHz, 'Hz'),
  toHz: wholeSchema(20, limits.toneHz, 'Hz'),
  lengthUs: wholeSchema(20_000, limits.effectUs, 'µs'),
  curve: z.enum(effectCurves),
  /** In so many stairs; 0: without any. */
  stairs: wholeSchema(0, 16),
  /** So far up and down around it, some twelve times a second. */
  tremblesCents: wholeSchema(0, 1_200, 'cents'),
  /** So far beside it, by chance that is the same each time: from some hundred on it is noise. */
  noiseCents: wholeSchema(0, 4_800, 'cents'),
});

export type SoundEffect = z.infer<typeof effectSchema>;
