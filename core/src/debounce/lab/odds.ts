import { exactExp, exactLn } from '../../kernel/index.ts';

/** A share that was counted, with what it may truly be: per 1,000, 95 % sure. */
export interface Odds {
  count: number;
  of: number;
  perMille: number;
  lowPerMille: number;
  highPerMille: number;
}

/** Half the width of the middle 95 % of a normal distribution. */
const z = 1.959964;

/**
 * So many of so many. None seen is not none: then the bound is one-sided, 1 − 0.05^(1/n) (95 %), about 3 in n.
 * Source: Wilson's score interval; rule of three.
 * @param of whole, >= 1 @param count whole, in [0, of]
 */
export function shareOf(count: number, of: number): Odds {
  const p = count / of;
  if (count === 0)
    return {
      count,
      of,
      perMille: 0,
      lowPerMille: 0,
      highPerMille: 1_000 * (1 - exactExp(exactLn(0.05) / of)),
    };
  const middle = p + (z * z) / (2 * of);
  const half = z * Math.sqrt((p * (1 - p)) / of + (z * z) / (4 * of * of));
  const scale = 1 + (z * z) / of;
  return {
    count,
    of,
    perMille: 1_000 * p,
    lowPerMille: (1_000 * Math.max(0, middle - half)) / scale,
    highPerMille: (1_000 * Math.min(scale, middle + half)) / scale,
  };
}

/**
 * Events that may come more than once each: a Poisson rate. None seen gives the same bound as a share.
 * Source: the Wilson–Hilferty approximation of the exact Poisson interval; its error is below 2 % from 5 events on.
 */
export function rateOf(count: number, of: number): Odds {
  if (count === 0) return shareOf(0, of);
  const bound = (n: number, sign: 1 | -1) => n * (1 - 1 / (9 * n) + (sign * z) / (3 * Math.sqrt(n))) ** 3;
  return {
    count,
    of,
    perMille: (1_000 * count) / of,
    lowPerMille: (1_000 * Math.max(0, bound(count, -1))) / of,
    highPerMille: (1_000 * bound(count + 1, 1)) / of,
  };
}
