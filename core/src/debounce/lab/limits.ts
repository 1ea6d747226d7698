import type { DebounceSetting, Edge, Hands } from '../../gadget/index.ts';
import { cleanEdges } from '../clean.ts';

/** Presses of a burst: enough that a lockout of the first cannot be outlasted by luck. */
export const inBurst = 5;
const quickestUs = 10_000;
const slowestUs = 2_000_000;
const longestSpikeUs = 200_000;
const toUs = 500;

const pressesIn = (edges: readonly Edge[]) => edges.filter(({ level }) => level === 1).length;

/** A burst on a contact that does not bounce at all: what is lost here is lost to the debouncing alone. */
export function burst(repeatUs: number, pressUs: number): Edge[] {
  return Array.from({ length: inBurst }, (_, n) => [
    { atUs: n * repeatUs, level: 1 as const },
    { atUs: n * repeatUs + pressUs, level: 0 as const },
  ]).flat();
}

/** How many of a burst's presses are answered. */
export function answeredIn(
  setting: DebounceSetting,
  periodUs: number,
  repeatUs: number,
  pressUs: number,
): number {
  return Math.min(inBurst, pressesIn(cleanEdges(setting, periodUs, burst(repeatUs, pressUs))));
}

/**
 * The fastest repeat of which every press is answered, at the share of pressing that hands have; to half a
 * millisecond. null: not even the slowest tried, 2 s.
 */
export function fastestRepeatUs(setting: DebounceSetting, periodUs: number, hands: Hands): number | null {
  const share = Math.min(0.9, hands.shortestPressUs / hands.fastestRepeatUs);
  const survives = (us: number) =>
    answeredIn(setting, periodUs, us, Math.max(1, Math.round(us * share))) === inBurst;
  return leastWhere(survives, quickestUs, slowestUs);
}

/**
 * The longest spike that never comes through, wherever it falls between two readings: one that a reading has just
 * caught is the worst. 0: none is safe; `longestSpikeUs` stands for "none tried came through".
 */
export function rejectedSpikeUs(setting: DebounceSetting, periodUs: number): number {
  const comesThrough = (us: number) =>
    pressesIn(
      cleanEdges(setting, periodUs, [
        { atUs: 0, level: 1 },
        { atUs: us, level: 0 },
      ]),
    ) > 0;
  if (comesThrough(1)) return 0;
  const least = leastWhere(comesThrough, 1, longestSpikeUs);
  return least === null ? longestSpikeUs : Math.max(0, least - toUs);
}

/** The least value, to half a millisecond, from which on `holds` is true; null: it is not even at `most`. */
function leastWhere(holds: (us: number) => boolean, least: number, most: number): number | null {
  if (!holds(most)) return null;
  if (holds(least)) return least;
  let no = least;
  let yes = most;
  while (yes - no > toUs) {
    const middle = Math.round((no + yes) / 2);
    if (holds(middle)) yes = middle;
    else no = middle;
  }
  return yes;
}
