import type { Compiled } from './compiled.ts';

/** For each demand and candidate: 1 may be chosen, 0 may not. */
export type Allowed = readonly Uint8Array[];

/** What all that a demand may still choose has in common. */
interface Shared {
  resources: number[];
  modes: number[];
  amounts: number[];
}

/**
 * Draws the plain consequences: where all that a demand may still choose claims a resource in one mode, other modes of
 * it are out; where what must be claimed of a resource fills it, nobody else may claim it.
 * @returns what is left, or null where a demand has nothing left or a resource is overfull
 */
export function propagate({ rows, capacity }: Compiled, allowed: Allowed): Allowed | null {
  const left = allowed.map((row) => row.slice());
  const forced = new Int32Array(capacity.length);
  const load = new Float64Array(capacity.length);
  for (;;) {
    forced.fill(-1);
    load.fill(0);
    const shared: Shared[] = [];
    for (let row = 0; row < rows.length; row += 1) {
      const common = sharedBy(rows[row]!, left[row]!);
      if (!common) return null;
      shared.push(common);
      for (let n = 0; n < common.resources.length; n += 1) {
        const resource = common.resources[n]!;
        const mode = common.modes[n]!;
        load[resource] = load[resource]! + common.amounts[n]!;
        if (mode < 0) continue;
        if (forced[resource]! >= 0 && forced[resource] !== mode) return null;
        forced[resource] = mode;
      }
    }
    for (let resource = 0; resource < load.length; resource += 1)
      if (load[resource]! > capacity[resource]!) return null;
    let changed = false;
    for (let row = 0; row < rows.length; row += 1) {
      const { claimFrom, claimResource, claimMode, claimAmount } = rows[row]!;
      const may = left[row]!;
      for (let i = 0; i < may.length; i += 1) {
        if (!may[i]) continue;
        for (let claim = claimFrom[i]!; claim < claimFrom[i + 1]!; claim += 1) {
          const resource = claimResource[claim]!;
          const mode = claimMode[claim]!;
          const clash = mode >= 0 && forced[resource]! >= 0 && forced[resource] !== mode;
          const full = claimAmount[claim]! > capacity[resource]! - load[resource]!;
          if (!clash && !(full && !shared[row]!.resources.includes(resource))) continue;
          may[i] = 0;
          changed = true;
          break;
        }
      }
    }
    if (!changed) return left;
  }
}

/** Resources that every candidate left claims, with the mode where it is one; null: no candidate is left. */
function sharedBy(row: Compiled['rows'][number], may: Uint8Array): Shared | null {
  const { claimFrom, claimResource, claimMode, claimAmount } = row;
  const first = may.indexOf(1);
  if (first < 0) return null;
  const from = claimFrom[first]!;
  const to = claimFrom[first + 1]!;
  const shared: Shared = {
    resources: Array.from(claimResource.subarray(from, to)),
    modes: Array.from(claimMode.subarray(from, to)),
    amounts: Array.from(claimAmount.subarray(from, to)),
  };
  for (let i = first + 1; i < may.length && shared.resources.length > 0; i += 1) {
    if (!may[i]) continue;
    for (let n = shared.resources.length - 1; n >= 0; n -= 1) {
      let at = claimFrom[i]!;
      while (at < claimFrom[i + 1]! && claimResource[at] !== shared.resources[n]) at += 1;
      if (at === claimFrom[i + 1]) {
        shared.resources.splice(n, 1);
        shared.modes.splice(n, 1);
        shared.amounts.splice(n, 1);
      } else if (claimMode[at] !== shared.modes[n]) shared.modes[n] = -1;
    }
  }
  return shared;
}
