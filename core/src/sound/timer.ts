import { exactLn } from '../kernel/index.ts';
import type { Clocked } from '../wiring/index.ts';

/** How a timer makes a pitch: it counts so many ticks of the divided clock for each half of a wave. */
export interface TimerSetting {
  prescaler: number;
  /** What it counts to, from 0. */
  compare: number;
  /** Clock periods of half a wave: all that matters of both. */
  divisor: number;
}

/**
 * The setting nearest to a pitch. The smallest prescaler that reaches down to it has the finest steps. Toggle on
 * compare: f = clock / (2 · prescaler · (1 + compare)). Source: reckoning, Sound.
 * @param hz above 0
 * @returns one of the timer's settings: its lowest or highest pitch where the pitch is beyond
 */
export function settingFor({ clockHz, timer }: Clocked, hz: number): TimerSetting {
  const most = 2 ** timer.bits;
  const sorted = [...timer.prescalers].sort((a, b) => a - b);
  const half = clockHz / (2 * hz);
  const prescaler = sorted.find((one) => Math.round(half / one) <= most) ?? sorted.at(-1)!;
  const [fewer, more] = [Math.floor(half / prescaler), Math.ceil(half / prescaler)].map((counts) =>
    Math.max(1, Math.min(most, counts)),
  ) as [number, number];
  // As far above as the other is below: the nearer by ratio, which is how pitch is heard.
  const counts = half * half <= prescaler * prescaler * fewer * more ? fewer : more;
  return { prescaler, compare: counts - 1, divisor: prescaler * counts };
}

/** The pitch of a setting. @returns Hz */
export const hzOf = (clockHz: number, divisor: number): number => clockHz / (2 * divisor);

/** How far one pitch is above another, in hundredths of a semitone. Source: reckoning, Sound. */
export const cents = (hz: number, wantedHz: number): number => (1_200 * exactLn(hz / wantedHz)) / exactLn(2);
