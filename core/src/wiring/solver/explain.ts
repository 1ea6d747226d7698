import { assign, forbidden } from './assignment.ts';
import type { Problem } from './problem.ts';
import { solve } from './solve.ts';

export interface Conflict {
  /** Demands that cannot all be met, as numbers into the problem. */
  rows: number[];
  /** Without any one of them the rest can be met, and this was proven for each. */
  minimal: boolean;
}

/**
 * A smallest set of demands that cannot hold together: leaving out any one of them, the rest can. Begins with the rows
 * that a failed assignment leaves behind, where there are such, and drops what is not needed, in halves first.
 * @param problem one that `solve` called impossible
 */
export function explain(problem: Problem): Conflict {
  const outcomeOf = (rows: readonly number[]) =>
    solve({ ...problem, demands: rows.map((row) => problem.demands[row]!) }, { anyWillDo: true }).outcome;
  let rows = startingRows(problem);
  if (outcomeOf(rows) !== 'impossible') rows = problem.demands.map((_, row) => row);
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

/** Demands that even places alone do not suffice for (a Hall violator), or all. */
function startingRows({ demands, places }: Problem): number[] {
  const matrix = new Float64Array(demands.length * places).fill(forbidden);
  demands.forEach(({ candidates }, row) => {
    for (const { place } of candidates) matrix[row * places + place] = 0;
  });
  const found = assign(demands.length, places, matrix);
  return 'stuck' in found ? found.stuck.sort((a, b) => a - b) : demands.map((_, row) => row);
}
