import type { Problem } from '../wiring/solver/index.ts';

export interface Found {
  /** null: nothing was found. */
  cost: number | null;
  /** Everything was tried that could have been better. */
  finished: boolean;
}

/**
 * The plain way: demands one after another, every candidate in turn, back where a rule is broken or the cost so far is
 * no better than the best. Kept as the reference that the solver is compared with.
 * @param giveUp asked at every step; true stops the search
 */
export function backtrack({ demands, capacity }: Problem, giveUp: () => boolean = () => false): Found {
  const taken = new Set<number>();
  const modes = new Map<string, string[]>();
  const load = new Map<string, number>();
  let best: number | null = null;
  let finished = true;
  const step = (row: number, cost: number): void => {
    if (giveUp()) {
      finished = false;
      return;
    }
    if (best !== null && cost >= best) return;
    if (row === demands.length) {
      best = cost;
      return;
    }
    for (const candidate of demands[row]!.candidates) {
      if (taken.has(candidate.place)) continue;
      const fits = candidate.claims.every(({ resource, mode, amount }) => {
        const others = (modes.get(resource) ?? []).filter((one) => one !== '');
        const clash = mode !== '' && others.some((one) => one !== mode);
        return !clash && (load.get(resource) ?? 0) + amount <= (capacity[resource] ?? Infinity);
      });
      if (!fits) continue;
      taken.add(candidate.place);
      for (const { resource, mode, amount } of candidate.claims) {
        modes.set(resource, [...(modes.get(resource) ?? []), mode]);
        load.set(resource, (load.get(resource) ?? 0) + amount);
      }
      step(row + 1, cost + candidate.cost);
      taken.delete(candidate.place);
      for (const { resource, amount } of candidate.claims) {
        modes.get(resource)!.pop();
        load.set(resource, load.get(resource)! - amount);
      }
      if (!finished) return;
    }
  };
  step(0, 0);
  return { cost: best, finished };
}
