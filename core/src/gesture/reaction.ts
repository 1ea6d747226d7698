import { exactExp } from '../kernel/index.ts';

/**
 * Simple reaction time of people: ex-Gaussian, never below what is anticipation. Source: reckoning, Contact, debounce,
 * gesture: μ 210, σ 25, τ 55 ms, floor 120 ms.
 */
export const reaction = { meanUs: 210_000, spreadUs: 25_000, tailUs: 55_000, floorUs: 120_000 } as const;

/**
 * Half the time that a person needs to react: what was begun before it answers what was before it.
 * Median of the above by simulation, to 5 ms.
 */
export const usualReactionUs = 255_000;

/** Complementary error function. Source: Abramowitz and Stegun 7.1.26; absolute error below 2e-7. @param x in [0, 6] */
function erfcOf(x: number): number {
  const t = 1 / (1 + 0.3275911 * x);
  const sum =
    t * (0.254829592 + t * (-0.284496736 + t * (1.421413741 + t * (-1.453152027 + t * 1.061405429))));
  return sum * exactExp(-x * x);
}
const erfc = (x: number): number => (x >= 0 ? erfcOf(Math.min(x, 6)) : 2 - erfcOf(Math.min(-x, 6)));

/**
 * Density of how far apart two people react to the same signal, per µs: a normal and a Laplace moment together.
 * The floor is left out: one in ten thousand reactions lies below it.
 * @param apartUs at least 0
 */
function densityApart(apartUs: number): number {
  const { spreadUs, tailUs } = reaction;
  const s = spreadUs * Math.SQRT2;
  const ahead = exactExp(Math.max(-40, -apartUs / tailUs)) * erfc((s / tailUs - apartUs / s) / Math.SQRT2);
  const behind = exactExp(Math.min(40, apartUs / tailUs)) * erfc((s / tailUs + apartUs / s) / Math.SQRT2);
  return (exactExp((s / tailUs) ** 2 / 2) / (4 * tailUs)) * (ahead + behind);
}

/**
 * Share of rounds in which two people who answer the same signal fall into one reading.
 * @param periodUs between two readings, at most a second
 * @returns in [0, 1]; the integral of density × (1 − apart/period), both ways, by Simpson's rule
 */
export function tiedShare(periodUs: number): number {
  const parts = 64;
  const width = periodUs / parts;
  let sum = 0;
  for (let n = 0; n <= parts; n += 1) {
    const weight = n === 0 || n === parts ? 1 : n % 2 === 1 ? 4 : 2;
    sum += weight * densityApart(n * width) * (1 - n / parts);
  }
  return (2 * sum * width) / 3;
}

/** Keystroke-level times. Source: reckoning, Contact, debounce, gesture (Card, Moran, Newell). */
export const strokeUs = { press: 280_000, step: 150_000, afterHold: 100_000, think: 1_350_000 } as const;
