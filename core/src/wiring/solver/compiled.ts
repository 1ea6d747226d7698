import type { Problem } from './problem.ts';

/** One demand as flat arrays; claims of candidate i are those from `claimFrom[i]` to `claimFrom[i + 1]`. */
export interface CompiledRow {
  places: Int32Array;
  costs: Float64Array;
  claimFrom: Int32Array;
  claimResource: Int32Array;
  /** -1: goes with any mode. */
  claimMode: Int32Array;
  claimAmount: Float64Array;
}

/** A problem with its names as numbers: what the search works on. */
export interface Compiled {
  places: number;
  rows: CompiledRow[];
  capacity: Float64Array;
}

export function compileProblem({ places, demands, capacity }: Problem): Compiled {
  const resources = new Map<string, number>();
  const modes = new Map<string, number>();
  const numberOf = (names: Map<string, number>, name: string) => {
    const known = names.get(name);
    if (known !== undefined) return known;
    names.set(name, names.size);
    return names.size - 1;
  };
  const rows = demands.map(({ candidates }): CompiledRow => {
    const claims = candidates.flatMap((candidate) => candidate.claims);
    const claimFrom = new Int32Array(candidates.length + 1);
    candidates.forEach((candidate, i) => {
      claimFrom[i + 1] = claimFrom[i]! + candidate.claims.length;
    });
    return {
      places: Int32Array.from(candidates, ({ place }) => place),
      costs: Float64Array.from(candidates, ({ cost }) => cost),
      claimFrom,
      claimResource: Int32Array.from(claims, ({ resource }) => numberOf(resources, resource)),
      claimMode: Int32Array.from(claims, ({ mode }) => (mode === '' ? -1 : numberOf(modes, mode))),
      claimAmount: Float64Array.from(claims, ({ amount }) => amount),
    };
  });
  const limits = new Float64Array(resources.size).fill(Infinity);
  for (const [name, most] of Object.entries(capacity)) {
    const resource = resources.get(name);
    if (resource !== undefined) limits[resource] = most;
  }
  return { places, rows, capacity: limits };
}

/** The same problem with some of its demands only. */
export const someRows = (compiled: Compiled, rows: readonly number[]): Compiled => ({
  ...compiled,
  rows: rows.map((row) => compiled.rows[row]!),
});
