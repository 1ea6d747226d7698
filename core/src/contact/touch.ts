import type { TouchFigures } from '../gadget/index.ts';
import { exactLn } from '../kernel/index.ts';

/** Where the rest level of a pad has wandered to since it was last taken, in thousandths of a dry finger's signal. */
export function restPerMille(
  { driftPerMillePerMinute, recalibrateUs }: TouchFigures,
  untouchedUs: number,
): number {
  const sinceUs = recalibrateUs === null ? untouchedUs : untouchedUs % recalibrateUs;
  return (driftPerMillePerMinute * sinceUs) / 60_000_000;
}

/** What a finger on the pad comes to. */
export type Touched =
  /** Known so long after the finger came, and forgotten so long after it left. */
  | { kind: 'answers'; closeUs: number; openUs: number }
  /** The rest level alone is over the threshold: touched for ever. */
  | { kind: 'stuck' }
  /** Rest level and finger together stay below it. */
  | { kind: 'deaf' };

/**
 * How a pad answers. The signal rises by 1 − e^(−t/τ) towards rest + finger and falls back the same way; it counts
 * from the threshold on, so drift eats its margin from one side or the other.
 * @param untouchedUs since it was last calibrated or switched on
 */
export function touchAnswer(touch: TouchFigures, untouchedUs: number): Touched {
  const rest = restPerMille(touch, untouchedUs);
  const above = (touch.thresholdPerMille - rest) / 1_000;
  if (above <= 0) return { kind: 'stuck' };
  if (above >= 1) return { kind: 'deaf' };
  return {
    kind: 'answers',
    closeUs: Math.round(-touch.riseUs * exactLn(1 - above)),
    openUs: Math.round(-touch.riseUs * exactLn(above)),
  };
}

/** How long after calibrating it sticks or goes deaf; null: never, or it calibrates itself before that. */
export function failsAfterUs(touch: TouchFigures): { afterUs: number; how: 'stuck' | 'deaf' } | null {
  const { thresholdPerMille, driftPerMillePerMinute: drift, recalibrateUs } = touch;
  if (drift === 0) return null;
  const marginPerMille = drift > 0 ? thresholdPerMille : 1_000 - thresholdPerMille;
  const afterUs = Math.ceil((marginPerMille / Math.abs(drift)) * 60_000_000);
  if (recalibrateUs !== null && recalibrateUs <= afterUs) return null;
  return { afterUs, how: drift > 0 ? 'stuck' : 'deaf' };
}
