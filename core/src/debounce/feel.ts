import { algorithmOf } from './setting.ts';
import type { Derived, DebounceSetting, Edge, Control } from '../gadget/index.ts';
import { human } from '../gadget/index.ts';
import { measureSetting } from './measure.ts';

/** Presses per check: with none extra among 400, fewer than 1 in 100 are (95 % sure, rule of three). */
export const pressesPerCheck = 400;

/** The presses that settings of this button are judged by: ordinary ones, as its own switch bounces. */
export function testPresses(derived: Derived, control: Control): readonly (readonly Edge[])[] {
  return derived.bouncedPresses(control.id, human.ordinaryPressUs, pressesPerCheck);
}

/** Candidates for a time in µs or a count, finest first: steps of half a millisecond, then of one sample. */
function candidates(unit: string): number[] {
  return unit === 'samples'
    ? Array.from({ length: 100 }, (_, i) => i + 1)
    : Array.from({ length: 100 }, (_, i) => (i + 1) * 500);
}

/**
 * The least protection, of the same algorithm, with which none of the test presses counts twice and none is lost;
 * a fifth is added against switches that bounce a little longer than this one. null: no value does.
 */
export function safeSetting(derived: Derived, control: Control, periodUs: number): DebounceSetting | null {
  // Nothing can be turned up in an algorithm without protection: answer with the quick school's.
  const wanted =
    algorithmOf(control.debounce.algorithm).protection === null ? 'lockout' : control.debounce.algorithm;
  const { protection, params, defaults } = algorithmOf(wanted);
  if (protection === null) return null;
  const unit = String((params.shape[protection] as { meta(): { unit?: string } | undefined }).meta()?.unit);
  const settingOf = (value: number): DebounceSetting => ({
    algorithm: wanted,
    params: { ...defaults, [protection]: value },
  });
  const presses = testPresses(derived, control);
  for (const value of candidates(unit)) {
    const { extra, missed } = measureSetting(settingOf(value), periodUs, presses);
    if (extra === 0 && missed === 0) {
      const step = unit === 'samples' ? 1 : 500;
      return settingOf(Math.ceil((value * 1.2) / step) * step);
    }
  }
  return null;
}
