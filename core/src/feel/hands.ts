import type { Hands } from '../gadget/index.ts';

/** A press that somebody made: when it began and how long it lasted. */
export interface MadePress {
  atUs: number;
  heldUs: number;
}

/** Fewer presses say nothing about a hand. */
export const leastPresses = 12;

const placed = (sorted: readonly number[], share: number) =>
  sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))]!;

/**
 * The hands that made these presses: the shortest of them in a hundred, the middle, the longest tap, and how quickly
 * they follow each other. Presses of more than a second are meant as holds, and pauses of more than a second are
 * rests; neither is counted. @returns null for too few of them
 */
export function handsOf(presses: readonly MadePress[]): Partial<Hands> | null {
  const ms = (us: number) => Math.round(us / 1_000) * 1_000;
  const lengths = presses.map(({ heldUs }) => heldUs).filter((us) => us > 0 && us <= 1_000_000);
  if (lengths.length < leastPresses) return null;
  const sorted = lengths.sort((a, b) => a - b);
  const repeats = presses
    .slice(1)
    .map(({ atUs }, n) => atUs - presses[n]!.atUs)
    .filter((us) => us > 0 && us <= 1_000_000)
    .sort((a, b) => a - b);
  const least = (us: number) => Math.max(1_000, ms(us));
  return {
    shortestPressUs: least(placed(sorted, 0.01)),
    ordinaryPressUs: least(placed(sorted, 0.5)),
    longTapUs: least(placed(sorted, 0.99)),
    ...(repeats.length >= leastPresses / 2 && {
      fastestRepeatUs: least(placed(repeats, 0.01)),
      comfortableRepeatUs: least(placed(repeats, 0.5)),
    }),
  };
}
