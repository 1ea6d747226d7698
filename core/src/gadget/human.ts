import * as z from 'zod';
import { durationUsSchema } from './primitives.schema.ts';

/**
 * What hands do, in microseconds. Typical figures, from `reckoning` (contact, debounce, gesture); a gadget for small
 * or for gloved hands may say otherwise. A wrong one shifts when the feel snags appear and what is recommended,
 * never how the gadget plays.
 */
export const human = {
  /** Shortest deliberate press: 50–80 ms. */
  shortestPressUs: 60_000,
  /** Burst of repeated presses: up to 10 per second. */
  fastestRepeatUs: 100_000,
  /** An unhurried tap rarely lasts longer than this; a hold threshold below it catches taps. */
  longTapUs: 350_000,
  /** A hold is felt as one from about here. */
  holdFeltUs: 500_000,
  /** An ordinary press, for playing one by itself. */
  ordinaryPressUs: 110_000,
  /** From one ordinary press to the next: 5–7 a second. */
  comfortableRepeatUs: 170_000,
  /** Two keys meant together are seldom further apart than this. */
  togetherUs: 40_000,
  /** The quickest turn of a knob or encoder by hand: so long for one whole turn. */
  quickTurnUs: 400_000,
} as const;

const handsShape = {
  shortestPressUs: durationUsSchema(1_000),
  fastestRepeatUs: durationUsSchema(1_000),
  longTapUs: durationUsSchema(1_000),
  holdFeltUs: durationUsSchema(1_000),
  ordinaryPressUs: durationUsSchema(1_000),
  comfortableRepeatUs: durationUsSchema(1_000),
  togetherUs: durationUsSchema(1_000),
  quickTurnUs: durationUsSchema(10_000),
} satisfies Record<keyof typeof human, z.ZodType>;

/** The hands that this gadget is for; shortest press, ordinary press and longest tap in this order. */
export const handsSchema = z
  .strictObject(handsShape)
  .refine(({ shortestPressUs, ordinaryPressUs }) => shortestPressUs <= ordinaryPressUs, {
    path: ['ordinaryPressUs'],
    message: 'expected no less than the shortest press',
  })
  .refine(({ ordinaryPressUs, longTapUs }) => ordinaryPressUs <= longTapUs, {
    path: ['longTapUs'],
    message: 'expected no less than an ordinary press',
  });

export type Hands = z.infer<typeof handsSchema>;
