import type { Problem } from './problem.ts';

/** For each demand and candidate: 1 may be chosen, 0 may not. */
export type Allowed = readonly Uint8Array[];

/**
 * Draws the plain consequences: where all that a demand may still choose claims a resource in one mode, other modes of
 * it are out; where what must be claimed of a resource fills it, nobody else may claim it.
 * @returns what is left, or null where a demand has nothing left or a resource is overfull
 */
export function propagate({ demands, capacity }: Problem, allowed: Allowed): Allowed | null {
  const left = allowed.map((row) => row.slice());
  for (;;) {
    const forced = new Map<string, string>();
    const load = new Map<string, number>();
    const on = new Map<string, Set<number>>();
    for (const [row, { candidates }] of demands.entries()) {
      let count = 0;
      let shared: Map<string, { mode: string; amount: number }> | null = null;
      for (const [index, { claims }] of candidates.entries()) {
        if (!left[row]![index]) continue;
        count += 1;
        if (shared === null) shared = new Map(claims.map((claim) => [claim.resource, { ...claim }]));
        else
          for (const [resource, kept] of shared) {
            const claim = claims.find((one) => one.resource === resource);
            if (!claim) shared.delete(resource);
            else if (claim.mode !== kept.mode) kept.mode = '';
          }
      }
      if (count === 0) return null;
      for (const [resource, { mode, amount }] of shared ?? []) {
        if (mode !== '') {
          const other = forced.get(resource);
          if (other !== undefined && other !== mode) return null;
          forced.set(resource, mode);
        }
        load.set(resource, (load.get(resource) ?? 0) + amount);
        on.set(resource, (on.get(resource) ?? new Set()).add(row));
      }
    }
    for (const [resource, amount] of load) if (amount > (capacity[resource] ?? Infinity)) return null;
    let changed = false;
    for (const [row, { candidates }] of demands.entries())
      for (const [index, { claims }] of candidates.entries()) {
        if (!left[row]![index]) continue;
        const refused = claims.some(({ resource, mode, amount }) => {
          const must = forced.get(resource);
          if (mode !== '' && must !== undefined && must !== mode) return true;
          const free = (capacity[resource] ?? Infinity) - (load.get(resource) ?? 0);
          return amount > free && !on.get(resource)?.has(row);
        });
        if (!refused) continue;
        left[row]![index] = 0;
        changed = true;
      }
    if (!changed) return left;
  }
}
