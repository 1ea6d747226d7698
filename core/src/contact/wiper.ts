import type { Taper, Wiper } from '../gadget/index.ts';
import { exactExp, exactLn, normalAt, unitAt } from '../kernel/index.ts';

/** With this base, a log track gives a tenth at its middle, as most makers' parts do. */
const base = 81;

/** The share of the supply at a share of the way. @param way in [0, 1] @returns in [0, 1], rising */
export function trackShare(taper: Taper, way: number): number {
  if (taper === 'linear') return way;
  const log = (share: number) => (exactExp(exactLn(base) * share) - 1) / (base - 1);
  return taper === 'log' ? log(way) : 1 - log(1 - way);
}

/** The way at which the track gives that share: `trackShare` undone. */
export function wayOfShare(taper: Taper, share: number): number {
  if (taper === 'linear') return share;
  const way = (of: number) => exactLn(1 + of * (base - 1)) / exactLn(base);
  return taper === 'log' ? way(share) : 1 - way(1 - share);
}

/** `wayOfShare` of one taper. */
export const straightenBy = (taper: Taper) => (share: number) => wayOfShare(taper, share);

/** Normal noise here is a sum of twelve evens, and so never beyond this many times its spread. */
export const noiseReach = 6;

export interface WiperMoment {
  /** In [0, 1] along the way. */
  way: number;
  /** A dirty track crackles while it is turned. */
  moving: boolean;
  /** Something draws current: the supply gives way, the reference with it or not. */
  loaded: boolean;
}

/**
 * What the converter makes of a wiper, in counts: the track's share, less the supply's sag, with noise and crackle.
 * @param seed of the run @param channel of this knob @param reading number of the reading: the same one reads the same
 */
export function wiperCount(
  wiper: Wiper,
  taper: Taper,
  { way, moving, loaded }: WiperMoment,
  seed: number,
  channel: number,
  reading: number,
): number {
  const full = 2 ** wiper.bits;
  let share = trackShare(taper, way) * (loaded ? 1 - wiper.sagPpm / 1_000_000 : 1);
  share += (normalAt(seed, channel, reading) * wiper.noisePpm) / 1_000_000;
  if (moving && unitAt(seed ^ 0x5c7a, channel, 2 * reading) * 1_000 < wiper.cracklePerMille)
    share += ((2 * unitAt(seed ^ 0x5c7a, channel, 2 * reading + 1) - 1) * wiper.cracklePpm) / 1_000_000;
  return Math.max(0, Math.min(full - 1, Math.floor(share * full)));
}
