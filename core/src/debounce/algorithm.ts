import type * as z from 'zod';
import type { Sample } from '../scan/index.ts';

/** Why a press did not come through. */
export type SwallowReason = 'lockout' | 'too-short' | 'between-samples' | 'blocked' | 'masked';

/** What every algorithm's state holds; the rest is its own. Plain JSON. */
export interface DebounceState {
  /** Clean level. */
  level: 0 | 1;
  /** What the last turn read. Turns that are not given to `step` read the same. */
  sample: 0 | 1;
}

export type Params = Record<string, number>;

/**
 * One way of cleaning a contact. Pure: nothing is changed in what is passed in.
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
  school: 'none' | 'wait-then-fire' | 'fire-then-ignore';
  /** Each field carries `.meta({ label, unit })`; unit is "µs" or "samples". */
  params: z.ZodType<P> & { shape: Record<keyof P, z.ZodType> };
  defaults: P;
  /** The parameter that buys more protection against bounce, in its unit; null: nothing does. */
  protection: (keyof P & string) | null;
  /** State at rest with that clean level. */
  settled(level: 0 | 1, params: P): S;
  step(state: S, sample: Sample, params: P): S;
  /** Earliest time at which a turn reading the same sample could change anything; null: never. */
  nextUs(state: S, params: P, periodUs: number, nowUs: number): number | null;
  /** Deaf to the press until then; null: listening. */
  deafUntilUs(state: S, nowUs: number): number | null;
  /** How long a clean press must last, from rest, to be sure to come through. */
  neededUs(params: P, periodUs: number): number;
  /** Memory and work per input, for comparing. */
  cost: { bytes: number; operations: number };
}

/** Keeps the parameter and state types while they are checked, then forgets them, so that a registry can hold it. */
export function defineAlgorithm<P extends Params, S extends DebounceState>(
  algorithm: DebounceAlgorithm<P, S>,
): DebounceAlgorithm {
  return algorithm as unknown as DebounceAlgorithm;
}
