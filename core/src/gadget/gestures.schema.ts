import * as z from 'zod';
import { limits } from './limits.ts';
import { durationUsSchema, idSchema, nameSchema, wholeSchema } from './primitives.schema.ts';

/** What a button listens for beyond press, release and tap. null: not listened for, so it costs no delay. */
export const gestureSettingSchema = z
  .strictObject({
    holdUs: durationUsSchema(1_000).nullable(),
    /** Further thresholds beyond `holdUs`, ascending: a longer and a longest hold. */
    longerHoldsUs: z.array(durationUsSchema(1_000)).max(2),
    doubleWindowUs: durationUsSchema(1_000).nullable(),
    /** A third tap within the same window counts as triple; a double then waits for it too. */
    triple: z.boolean(),
    repeat: z
      .strictObject({
        delayUs: durationUsSchema(1_000),
        everyUs: durationUsSchema(1_000),
        /** Each pause is this share of the one before it, down to `fastestUs`; 100: no acceleration. */
        quickenPercent: wholeSchema(50, 100, '%'),
        fastestUs: durationUsSchema(1_000),
      })
      .refine(({ everyUs, fastestUs }) => fastestUs <= everyUs, {
        path: ['fastestUs'],
        message: 'expected no more than the first pause',
      })
      .nullable(),
  })
  .superRefine(({ holdUs, longerHoldsUs, doubleWindowUs, triple }, context) => {
    let last = holdUs;
    longerHoldsUs.forEach((us, index) => {
      if (last === null || us <= last)
        context.addIssue({
          code: 'custom',
          path: ['longerHoldsUs', index],
          message: 'expected more than the hold before it',
        });
      last = us;
    });
    if (triple && doubleWindowUs === null)
      context.addIssue({
        code: 'custom',
        path: ['triple'],
        message: 'expected a window for the double first',
      });
  });

/** Two or more keys together (chord), or one after the other in a given order. */
export const chordSchema = z.strictObject({
  id: idSchema,
  name: nameSchema,
  controlIds: z.array(idSchema).min(2, 'expected at least two keys').max(4),
  /** From the first key to the last, at most. */
  windowUs: durationUsSchema(1_000),
  /** Only in the order in which the keys are listed. */
  ordered: z.boolean(),
  /** Held together for so long before it counts; null: at once. */
  holdUs: durationUsSchema(1_000).nullable(),
  /** The single presses of these keys wait for the window, and are not said where the chord comes. */
  waits: z.boolean(),
});

export const chordsSchema = z.array(chordSchema).max(limits.chords);

export type GestureSetting = z.infer<typeof gestureSettingSchema>;
export type Repeat = NonNullable<GestureSetting['repeat']>;
export type Chord = z.infer<typeof chordSchema>;
