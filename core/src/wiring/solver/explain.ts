import { assign, forbidden } from './assignment.ts';
import { compileProblem, someRows, type Compiled } from './compiled.ts';
import type { Problem } from './problem.ts';
import { solveCompiled } from './solve.ts';

export interface Conflict {
  /** Demands that cannot all be met, as numbers into the problem. */
  rows: number[];
  /** Without any one of them the rest can be met, and this was proven for each. */
  minimal: boolean;
}

/**
 * A set of demands that cannot hold together and of which leaving out any one lets the rest hold. Begins with the
 * fewest that plainly want more places than there are, and drops what is not needed, in halves first.
 * @param problem one that `solve` called impossible
 */
export function explain(problem: Problem): Conflict {
  const compiled = compileProblem(problem);
  const known = new Map<number, number>();
  const outcomeOf = (rows: readonly number[]) => {
    const solution = solveCompiled(preferring(someRows(compiled, rows), rows, known), { anyWillDo: true });
    if (solution.outcome === 'solved') rows.forEach((row, n) => known.set(row, solution.choice[n]!));
    return solution.outcome;
  };
  let rows = crowded(compiled) ?? stuck(compiled) ?? compiled.rows.map((_, row) => row);
  // Whole pieces first: each success saves as many single attempts.
  for (let size = Math.floor(rows.length / 2); size >= 2; size = Math.floor(size / 2))
    for (let at = 0; at < rows.length && rows.length > size;) {
      const rest = [...rows.slice(0, at), ...rows.slice(at + size)];
      if (outcomeOf(rest) === 'impossible') rows = rest;
      else at += size;
    }
  let minimal = true;
  for (let at = 0; at < rows.length;) {
    const rest = rows.filter((_, index) => index !== at);
    const outcome = outcomeOf(rest);
    if (outcome === 'impossible') rows = rest;
    else {
      if (outcome === 'unknown') minimal = false;
      at += 1;
    }
  }
  return { rows, minimal };
}

/** Costs that lead the search back to what worked for nearly the same demands a moment ago. */
function preferring(some: Compiled, rows: readonly number[], known: ReadonlyMap<number, number>): Compiled {
  const costs = (row: number, candidates: number) =>
    Float64Array.from({ length: candidates }, (_, candidate) => (known.get(row) === candidate ? 0 : 1));
  return {
    ...some,
    rows: some.rows.map((one, n) => ({ ...one, costs: costs(rows[n]!, one.places.length) })),
  };
}

/** The fewest demands that all want places of one demand's, and are one more than those; null: there are none such. */
function crowded({ rows }: Compiled): number[] | null {
  let fewest: number[] | null = null;
  const wanted = rows.map(({ places }) => new Set(places));
  for (const room of wanted) {
    if (fewest && room.size + 1 >= fewest.length) continue;
    const within = wanted.flatMap((places, row) =>
      [...places].every((place) => room.has(place)) ? [row] : [],
    );
    if (within.length > room.size) fewest = within.slice(0, room.size + 1);
  }
  return fewest;
}

/** Demands that places alone do not suffice for, as a failed assignment leaves them behind (a Hall violator), or null. */
function stuck({ rows, places }: Compiled): number[] | null {
  const matrix = new Float64Array(rows.length * places).fill(forbidden);
  rows.forEach(({ places: columns }, row) => {
    for (const place of columns) matrix[row * places + place] = 0;
  });
  const found = assign(rows.length, places, matrix);
  return 'stuck' in found ? found.stuck.sort((a, b) => a - b) : null;
}
