import type { Chord, GestureSetting, Hands } from '../gadget/index.ts';
import { exactExp, exactLn, normalAt } from '../kernel/index.ts';
import { idleButton, nextGestureUs, onEdge, onTime } from './button.ts';
import { nothingTogether, onKey } from './together.ts';

/** Presses of people that thresholds are tried on. */
export const triedPresses = 5_000;
/** Chance of the checks, always the same. */
export const triedSeed = 0x5a6;
/** 99 of 100 draws lie below the median times e^(2.326 σ). */
const highestOfHundred = 2.326;
const channels = { length: 0x11f, pause: 0x12f, apart: 0x13f } as const;

/** An unhurried tap: log-normal about an ordinary press, the long tap being the longest of a hundred. */
export function tapLengthUs({ ordinaryPressUs, longTapUs }: Hands, seed: number, index: number): number {
  const sigma = exactLn(longTapUs / ordinaryPressUs) / highestOfHundred;
  return Math.round(ordinaryPressUs * exactExp(sigma * normalAt(seed, channels.length, index)));
}

export interface TapsTried {
  tried: number;
  /** Ordinary taps that were read as held, or that repeated. */
  asHold: number;
  /** Doubles, at the comfortable repeat, that were read as two single taps. */
  doublesSplit: number;
  /** Two taps that were meant apart, half a second, and were read as one double. */
  tapsJoined: number;
}

/** What a button with these gestures makes of a script of clean changes, all said. */
function heard(setting: GestureSetting, changes: readonly { atUs: number; level: 0 | 1 }[]): string[] {
  let state = idleButton;
  const said: string[] = [];
  const untilUs = (us: number) => {
    for (;;) {
      const dueUs = nextGestureUs(state);
      if (dueUs === null || dueUs > us) return;
      const answer = onTime(state, dueUs, setting);
      state = answer.state;
      said.push(...answer.gestures);
    }
  };
  for (const { atUs, level } of changes) {
    untilUs(atUs);
    const answer = onEdge(state, level, atUs, setting);
    state = answer.state;
    said.push(...answer.gestures);
  }
  if (!state.down) untilUs(Infinity);
  return said;
}

/** Two taps that are meant apart are at least so far from each other. */
const meantApartUs = 500_000;

/** Ordinary taps and doubles of these hands, put through the recogniser itself. */
export function tryTaps(
  setting: GestureSetting,
  hands: Hands,
  seed: number,
  tried = triedPresses,
): TapsTried {
  const result: TapsTried = { tried, asHold: 0, doublesSplit: 0, tapsJoined: 0 };
  const pauseSigma = exactLn(Math.max(2, hands.longTapUs / hands.ordinaryPressUs)) / highestOfHundred / 2;
  for (let n = 0; n < tried; n += 1) {
    const firstUs = tapLengthUs(hands, seed, 2 * n);
    const press = (fromUs: number, lengthUs: number) =>
      [
        { atUs: fromUs, level: 1 },
        { atUs: fromUs + lengthUs, level: 0 },
      ] as const;
    const alone = heard(setting, press(0, firstUs));
    if (alone.includes('hold') || alone.includes('repeat')) result.asHold += 1;
    if (setting.doubleWindowUs === null) continue;
    // A double is two quick taps: shorter than unhurried ones, at the comfortable repeat.
    const pauseUs = Math.round(
      Math.max(1, hands.comfortableRepeatUs - hands.shortestPressUs) *
        exactExp(pauseSigma * normalAt(seed, channels.pause, n)),
    );
    const second = hands.shortestPressUs + pauseUs;
    const two = heard(setting, [...press(0, hands.shortestPressUs), ...press(second, hands.shortestPressUs)]);
    if (!two.includes('double')) result.doublesSplit += 1;
    const apart = heard(setting, [
      ...press(0, firstUs),
      ...press(Math.max(meantApartUs, firstUs + 1), firstUs),
    ]);
    if (apart.includes('double')) result.tapsJoined += 1;
  }
  return result;
}

/**
 * How often two keys that are meant together are read as two singles. People's keys lie apart by a normal spread;
 * `hands.togetherUs` is the farthest of a hundred.
 */
export function tryTogether(
  chord: Chord,
  hands: Hands,
  seed: number,
  tried = triedPresses,
): { tried: number; split: number } {
  const sigmaUs = hands.togetherUs / 2.576;
  let split = 0;
  for (let n = 0; n < tried; n += 1) {
    let state = nothingTogether;
    const said: string[] = [];
    // The keys in their order where that matters, each after the one before it.
    let atUs = 0;
    chord.controlIds.forEach((id, key) => {
      if (key > 0) atUs += Math.round(Math.abs(normalAt(seed, channels.apart + key, n)) * sigmaUs) + 1;
      const answer = onKey(state, [{ ...chord, holdUs: null }], id, 1, atUs);
      state = answer.state;
      said.push(...answer.chords);
    });
    if (said.length === 0) split += 1;
  }
  return { tried, split };
}
