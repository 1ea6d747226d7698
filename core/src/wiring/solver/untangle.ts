import { compileProblem } from './compiled.ts';
import type { Choice, Problem } from './problem.ts';
import { firstBroken } from './solve.ts';

/** Rounds over all pairs; each leaves fewer crossings, or is the last. */
const mostRounds = 12;

/**
 * The same cost with fewer crossings: pairs of demands change places, and single ones move to a free place, as long as
 * that helps. Afterwards no such change helps; it is not proven that nothing does.
 * @param tangled how tangled a choice is; less is better
 */
export function untangle(problem: Problem, choice: Choice, tangled: (choice: Choice) => number): Choice {
  const compiled = compileProblem(problem);
  const { demands } = problem;
  const at = (row: number, one: number) => demands[row]!.candidates[one]!;
  /** Ways of meeting the demand at that place. */
  const byPlace = demands.map(({ candidates }) => {
    const ways = new Map<number, number[]>();
    candidates.forEach(({ place }, one) => ways.set(place, [...(ways.get(place) ?? []), one]));
    return ways;
  });
  let best = [...choice];
  let least = tangled(best);
  const take = (changes: readonly [row: number, one: number][]): boolean => {
    const cost = changes.reduce((sum, [row, one]) => sum + at(row, one).cost - at(row, best[row]!).cost, 0);
    if (cost > 0) return false;
    const next = [...best];
    for (const [row, one] of changes) next[row] = one;
    const now = tangled(next);
    if (now >= least || firstBroken(compiled, next)) return false;
    best = next;
    least = now;
    return true;
  };
  for (let round = 0, moved = true; moved && least > 0 && round < mostRounds; round += 1) {
    moved = false;
    for (let a = 0; a < demands.length; a += 1) {
      const used = new Set(best.map((one, row) => at(row, one).place));
      for (const [place, ways] of byPlace[a]!)
        if (!used.has(place)) for (const one of ways) if (take([[a, one]])) moved = true;
      for (let b = a + 1; b < demands.length; b += 1) {
        const [placeA, placeB] = [at(a, best[a]!).place, at(b, best[b]!).place];
        for (const one of byPlace[a]!.get(placeB) ?? [])
          for (const other of byPlace[b]!.get(placeA) ?? [])
            if (
              take([
                [a, one],
                [b, other],
              ])
            )
              moved = true;
      }
    }
  }
  return best;
}
