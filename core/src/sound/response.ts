import { partOf, type Gadget } from '../gadget/index.ts';
import { exactLn, exactSinDegrees } from '../kernel/index.ts';
import { figuresOf } from '../parts/index.ts';
import { waveShare, type Wave } from './waves.ts';

/**
 * How much of each frequency comes out of a sounder. `band`: what has one resonance, as a disc, and is quieter on both
 * sides of it. `high`: what is quieter from its lowest on downwards, as a small speaker.
 */
export interface Response {
  kind: 'band' | 'high';
  /** Where it is loudest, or from where on it is as loud as it gets. */
  hz: number;
  /** The higher, the narrower: the frequency by how wide it is where half the power is left. */
  q: number;
}

/** Without a hump, the flattest there is. Source: Butterworth, second order. */
const flattestQ = 0.7071067811865476;

/** As the figures of its part have it; null: no part is known, or one that says nothing of it. */
export function sounderResponse(gadget: Gadget, outputId: string): Response | null {
  const part = partOf(gadget, outputId);
  const { resonanceHz, bandHz, lowestHz } = part ? figuresOf(part) : {};
  if (resonanceHz && bandHz) return { kind: 'band', hz: resonanceHz, q: resonanceHz / bandHz };
  return lowestHz ? { kind: 'high', hz: lowestHz, q: flattestQ } : null;
}

/** Of a sine of that frequency, against where it is loudest. Source: second-order band pass and high pass. @returns 0 to about 1 */
export function gainAt({ kind, hz, q }: Response, askedHz: number): number {
  const x = askedHz / hz;
  if (kind === 'band') return 1 / Math.sqrt(1 + (q * (x - 1 / x)) ** 2);
  return (x * x) / Math.sqrt((1 - x * x) ** 2 + (x / q) ** 2);
}

/** What is above is not heard. */
const hearsHz = 20_000;

/** Power of a wave of that pitch that comes out and can be heard, where a sine of height 1 that does has 1. */
function powerOf(response: Response, hz: number, wave: Wave): number {
  let power = 0;
  // A pitch is 1 Hz and more: no more than 20,000 harmonics.
  for (let k = 1; k * hz <= hearsHz; k += 1) power += (waveShare(wave, k) * gainAt(response, k * hz)) ** 2;
  return power;
}

/**
 * How much quieter a pitch is than at the sounder's best: a square wave whose first harmonic is where it is loudest.
 * @param hz 1 to 20,000
 * @returns dB, 0 or about it at its best, otherwise below
 */
export function levelDb(response: Response, hz: number): number {
  const bestHz = response.kind === 'band' ? response.hz : Math.min(hearsHz / 10, response.hz * 10);
  return (10 * exactLn(powerOf(response, hz, 'square') / powerOf(response, bestHz, 'square'))) / exactLn(10);
}

/** A filter of second order, one sample after the other: y = b·x − a·y, with what came before. */
export interface Biquad {
  b: readonly [number, number, number];
  a: readonly [number, number];
}

/** The same as a filter of samples. Source: bilinear transform, band pass of peak 1 and high pass. */
export function biquadOf({ kind, hz, q }: Response, sampleRate: number): Biquad {
  const degrees = (360 * Math.min(hz, 0.45 * sampleRate)) / sampleRate;
  const sin = exactSinDegrees(degrees);
  const cos = exactSinDegrees(degrees + 90);
  const alpha = sin / (2 * q);
  const whole = 1 + alpha;
  const a = [(-2 * cos) / whole, (1 - alpha) / whole] as const;
  if (kind === 'band') return { b: [alpha / whole, 0, -alpha / whole], a };
  const half = (1 + cos) / (2 * whole);
  return { b: [half, -2 * half, half], a };
}
