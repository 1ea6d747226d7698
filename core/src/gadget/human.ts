/**
 * What hands do, in microseconds. Typical figures, from `reckoning` (contact, debounce, gesture); a wrong one here
 * shifts when the feel snags appear, never how the gadget plays.
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
} as const;
