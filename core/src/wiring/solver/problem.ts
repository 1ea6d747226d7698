/*
 * Which demand gets which place, as plain data: nothing here knows of boards. Demands are rows, places are columns;
 * what two choices share is a resource.
 */

/** What one choice takes of a resource. All that is taken of a resource must be of one mode, and fit its capacity. */
export interface Claim {
  resource: string;
  /** '': any mode goes with it. */
  mode: string;
  amount: number;
}

/** One way of meeting a demand. */
export interface Candidate {
  /** Column: 0 to places - 1. No column is used twice. */
  place: number;
  /** Whole number, >= 0. */
  cost: number;
  claims: readonly Claim[];
}

export interface Demand {
  id: string;
  /** The amount that a demand claims of a resource is the same in all candidates that claim it. */
  candidates: readonly Candidate[];
}

export interface Problem {
  places: number;
  demands: readonly Demand[];
  /** Most that may be claimed of a resource in all; what is not named has no limit. */
  capacity: Readonly<Record<string, number>>;
}

/** For each demand the number of the candidate chosen. */
export type Choice = readonly number[];

export interface Cost {
  cost: number;
  /** No choice can cost less: equal to `cost` where the optimum is proven. */
  bound: number;
}

export type Solution =
  | ({ outcome: 'solved'; choice: Choice; nodes: number } & Cost)
  | { outcome: 'impossible'; nodes: number }
  /** The search was cut short before it found anything or proved that there is nothing. */
  | { outcome: 'unknown'; nodes: number };
