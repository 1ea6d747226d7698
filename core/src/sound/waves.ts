import { exactSinDegrees, noiseAt } from '../kernel/index.ts';

/** Shapes that voices have. */
export type Wave = 'sine' | 'triangle' | 'sawtooth' | 'square' | 'pulse' | 'noise';

/** Points of one turn; the interpolation between them stays 70 dB below what is drawn. */
export const turnBits = 12;
export const turnPoints = 2 ** turnBits;
/** Harmonics of the fullest table: with more, a quarter of the points would not be enough to draw them. */
const mostHarmonics = turnPoints / 4;

const sine = Float64Array.from({ length: turnPoints }, (_, n) => exactSinDegrees((n * 360) / turnPoints));
const pi = 3.141592653589793;

/** How much of its k-th harmonic a wave of height 1 has. Source: their Fourier series. */
const shares: Readonly<Record<Exclude<Wave, 'noise' | 'pulse'>, (k: number) => number>> = {
  sine: (k) => (k === 1 ? 1 : 0),
  square: (k) => (k % 2 === 1 ? 4 / (pi * k) : 0),
  sawtooth: (k) => 2 / (pi * k),
  triangle: (k) => (k % 2 === 1 ? (k % 4 === 1 ? 8 : -8) / (pi * pi * k * k) : 0),
};

/**
 * How much of its k-th harmonic a wave of height 1 has; noise has none.
 * @param duty of a pulse: the share of its turn in which it is up
 */
export function waveShare(wave: Wave, k: number, duty = 0.5): number {
  if (wave === 'noise') return 0;
  return wave === 'pulse' ? (4 / (pi * k)) * exactSinDegrees(180 * k * duty) : shares[wave](k);
}
/** Harmonics of a pulse go from its middle: a quarter of their turn later. */
const quarter = turnPoints / 4;

const drawn = new Map<string, Float32Array>();

/** One turn of a wave with so many harmonics and no more, and its first point again. */
function turnOf(wave: Wave, harmonics: number, duty: number): Float32Array {
  const key = `${wave} ${harmonics}${wave === 'pulse' ? ` ${duty}` : ''}`;
  const known = drawn.get(key);
  if (known) return known;
  const sum = new Float64Array(turnPoints);
  for (let k = 1; k <= harmonics; k += 1) {
    const share = waveShare(wave, k, duty);
    if (share === 0) continue;
    const from = wave === 'pulse' ? quarter : 0;
    for (let n = 0; n < turnPoints; n += 1) sum[n]! += share * sine[(n * k + from) % turnPoints]!;
  }
  const turn = new Float32Array(turnPoints + 1);
  turn.set(sum);
  turn[turnPoints] = turn[0]!;
  drawn.set(key, turn);
  return turn;
}

/** As many numbers without any order, the same each time, and the first again. */
const noise = Float32Array.from(
  { length: turnPoints + 1 },
  (_, n) => (noiseAt(1, 0, n % turnPoints) & 0xffff) / 0x8000 - 1,
);

/**
 * A turn of a wave that has nothing above half of the sampling rate: what is beyond would be heard as other pitches.
 * Tables are an octave apart, so that the highest octave may be missing from one. Noise is as it is: of so many points a
 * turn, its pitch says how fine it is.
 * @param hz above 0
 */
export function bandLimited(wave: Wave, hz: number, sampleRate: number, duty = 0.5): Float32Array {
  if (wave === 'noise') return noise;
  if (wave === 'sine') return turnOf(wave, 1, duty);
  let harmonics = mostHarmonics;
  while (harmonics > 1 && harmonics * hz > sampleRate / 2) harmonics /= 2;
  return turnOf(wave, harmonics, duty);
}
