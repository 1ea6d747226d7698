import type { Gadget, SnagWay } from '../gadget/index.ts';
import { Explorer } from './explorer.ts';
import { scriptOf } from './script.ts';

/** Looks so far for a state; someone waits for it. */
const limits = { states: 40_000, edges: 600_000, work: 2_500_000_000 };
const slice = 500;
/** Chance falls otherwise with every seed: so many are tried. */
const seeds = 12;

/**
 * A shortest way from power-up into a state, played on the machine to its end.
 * @returns null where none was found, or none that the machine follows at real times
 */
export function wayInto(gadget: Gadget, stateId: string): SnagWay | null {
  const explorer = new Explorer(gadget, limits);
  const state = explorer.tables.stateIds.indexOf(stateId);
  let looked = 0;
  for (let over = false; ; over = explorer.advance(slice)) {
    for (; looked < explorer.count; looked += 1) {
      if (explorer.load(looked).active[state] !== 1) continue;
      const steps = explorer.pathTo(looked);
      const { confirmed, ...way } = scriptOf(explorer, steps, ({ active }) => active[state] === 1, seeds);
      return confirmed ? way : null;
    }
    if (over) return null;
  }
}
