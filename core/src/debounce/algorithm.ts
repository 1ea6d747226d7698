import type * as z from 'zod';
import type { Sample } from '../scan/index.ts';
import type { Changes, Readings } from './readings.ts';

/** Why a press did not come through. */
export type SwallowReason = 'lockout' | 'too-short' | 'between-samples' | 'blocked' | 'masked' | 'deaf';

/** What every algorithm's state holds; the rest is its own. Plain JSON. */
export interface DebounceState {
  /** Clean level. */
  level: 0 | 1;
  /** What the last turn read. Turns that are not given to `step` read the same. */
  sample: 0 | 1;
}

export type Params = Record<string, number>;

/** What stands between contact and pin, if anything does. `v` is the voltage towards "pressed", 0 to 1, at `sinceUs`. */
export interface FilterState {
  v: number;
  sinceUs: number;
  /** What the contact says, and what the pin does. */
  raw: 0 | 1;
  out: 0 | 1;
}

export interface PinFilter<P extends Params> {
  /** The contact changes; what was due before is void. */
  onEdge(state: FilterState, raw: 0 | 1, nowUs: number, params: P): FilterState;
  /** When the pin will change if the contact does not, rounded up to whole µs; null: it will not. */
  crossUs(state: FilterState, params: P): number | null;
  /**
   * What the pin makes of a whole record of alternating edges, from rest; the first edge is to 1. Agrees with the two
   * above, and is quicker.
   */
  pass(edgeUs: ArrayLike<number>, count: number, params: P, out: Changes): void;
}

/**
 * One way of cleaning a contact. Pure: nothing is changed in what is passed in, except `sweep`'s output.
 * `step` need not be called every turn: while the sample stays the same, only the turns from `nextUs` on matter.
 */
export interface DebounceAlgorithm<P extends Params = Params, S extends DebounceState = DebounceState> {
  id: string;
  /** Maker's words, the standard term beside them. */
  title: string;
  /** What it does and when to take it, in two sentences. */
  doc: string;
  source: string;
  /** Which school it belongs to. */
  school: 'none' | 'wait-then-fire' | 'fire-then-ignore' | 'hardware';
  /** Each field carries `.meta({ label, unit })`; unit is "µs", "samples", "Ω", "nF" or "‰". */
  params: z.ZodType<P> & { shape: Record<keyof P, z.ZodType> };
  defaults: P;
  /**
   * The setting that rides out bounces of so long after closing and after opening; null: nothing in it does.
   * Held inside the parameters' bounds.
   */
  protecting(pressUs: number, releaseUs: number, periodUs: number): P | null;
  /** State at rest with that clean level. */
  settled(level: 0 | 1, params: P): S;
  step(state: S, sample: Sample, params: P): S;
  /** Earliest time at which a turn reading the same sample could change anything; null: never. */
  nextUs(state: S, params: P, periodUs: number, nowUs: number): number | null;
  /** The same as `step` at every turn, over a whole record at once: what the lab runs. */
  sweep(read: Readings, params: P, out: Changes): void;
  /** Deaf to the press until then; null: listening. */
  deafUntilUs(state: S, nowUs: number): number | null;
  /** The whole loop stands still until then, so that others are not read either. */
  standsUntilUs?(state: S): number | null;
  /**
   * Where one timer serves a whole port: another input has stirred, as `stirredBy` says (it reads otherwise than
   * before, or its clean level has changed).
   */
  port?: { stirredBy: 'reading' | 'change'; disturbed(state: S, nowUs: number, params: P): S };
  filter?: PinFilter<P>;
  /** How long a clean press must last, from rest, to be sure to come through. */
  neededUs(params: P, periodUs: number): number;
  /** No press, and no letting go, is known sooner than this after the contact first moved. */
  floorUs(params: P, periodUs: number): { press: number; release: number };
  /** Memory per input, or for a port of 32 where one timer serves it; work of a reading, roughly. */
  cost(params: P): { bytes: number; operations: number };
  /** The same in C99: `debounce_t` and `debounce_step`; where a timer serves a port, the sample is its word. */
  c99(params: P): string;
}

/** Keeps the parameter and state types while they are checked, then forgets them, so that a registry can hold it. */
export function defineAlgorithm<P extends Params, S extends DebounceState>(
  algorithm: DebounceAlgorithm<P, S>,
): DebounceAlgorithm {
  return algorithm as unknown as DebounceAlgorithm;
}

/** The first lines of every C text. */
export const cHead = `#include <stdbool.h>
#include <stdint.h>
`;

/** A whole number held inside [min, max]. */
export const within = (value: number, min: number, max: number) =>
  Math.max(min, Math.min(max, Math.round(value)));

/** So many readings last at least so long. */
export const samplesFor = (us: number, periodUs: number) => Math.ceil(us / periodUs) + 1;
