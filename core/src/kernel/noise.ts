/* Chance is addressed rather than drawn: the same place always gives the same value, in any order of asking. */

/** Finaliser of the 32-bit avalanche hash by C. Wellons ("lowbias32", public domain constants). */
function mix(value: number): number {
  let x = value | 0;
  x = Math.imul(x ^ (x >>> 16), 0x7feb352d);
  x = Math.imul(x ^ (x >>> 15), 0x846ca68b);
  return (x ^ (x >>> 16)) >>> 0;
}

/**
 * Uniform 32-bit integer at an address.
 * @param seed any 32-bit integer
 * @param channel which source of chance, e.g. the number of a button
 * @param index which draw of that source, >= 0
 * @returns integer in [0, 2^32)
 */
export function noiseAt(seed: number, channel: number, index: number): number {
  return drawOf(sourceOf(seed, channel), index);
}

/** One source of chance, and one draw of it. */
const sourceOf = (seed: number, channel: number) => mix(mix(seed) + Math.imul(channel, 0x9e3779b1));
const drawOf = (source: number, index: number) => mix(source + Math.imul(index, 0x85ebca77));

/** Uniform in [0, 1) with 32 bits of resolution. */
export function unitAt(seed: number, channel: number, index: number): number {
  return noiseAt(seed, channel, index) / 4_294_967_296;
}

/**
 * Roughly standard normal: the sum of twelve uniforms less six (Irwin–Hall). Only additions, so it is the same
 * on every machine; its tails end at ±6, which no bounce figure here depends on. Uses addresses 12·index to
 * 12·index + 11.
 */
export function normalAt(seed: number, channel: number, index: number): number {
  // Knobs draw millions of these: what all twelve have in common is worked out once.
  const source = sourceOf(seed, channel);
  let sum = -6;
  for (let i = 0; i < 12; i += 1) sum += drawOf(source, 12 * index + i) / 4_294_967_296;
  return sum;
}
