import type { Button, DebounceSetting, Derived, Edge, Gadget } from '../../gadget/index.ts';
import { Clock } from '../readings.ts';
import { algorithmOf } from '../setting.ts';
import { apart } from './measure.ts';
import { Bench } from './tally.ts';

/** Presses per check: with none extra among 400, fewer than 1 in 100 are (95 % sure, rule of three). */
export const pressesPerCheck = 400;

/** The presses that settings of this button are judged by: ordinary ones, as its own switch bounces. */
export function testPresses(derived: Derived, gadget: Gadget, control: Button): readonly (readonly Edge[])[] {
  return derived.bouncedPresses(control.id, gadget.hands.ordinaryPressUs, pressesPerCheck);
}

const stepUs = 500;
const mostUs = 50_000;

/**
 * The least protection, of the same algorithm, with which none of the test presses counts twice and none is lost;
 * a fifth is added against switches that bounce a little longer than this one. null: no value does.
 */
export function safeSetting(derived: Derived, gadget: Gadget, control: Button): DebounceSetting | null {
  const { periodUs } = gadget.loop;
  const { wholePort, algorithm: chosen } = control.debounce;
  // Nothing can be turned up in an algorithm without protection: answer with the quick school's.
  const id = algorithmOf(chosen).protecting(stepUs, stepUs, periodUs) === null ? 'lockout' : chosen;
  const settingOf = (us: number): DebounceSetting => ({
    algorithm: id,
    params: algorithmOf(id).protecting(us, us, periodUs)!,
    wholePort,
  });
  const bench = new Bench(
    apart(testPresses(derived, gadget, control), gadget.hands.ordinaryPressUs, periodUs),
    new Clock(periodUs),
  );
  for (let us = stepUs; us <= mostUs; us += stepUs) {
    const { falsePresses, missed } = bench.tally(settingOf(us));
    if (falsePresses === 0 && missed === 0) return settingOf(Math.ceil((us * 1.2) / stepUs) * stepUs);
  }
  return null;
}
