import type { Derived, Gadget, SnagWay } from '../../gadget/index.ts';
import { Explorer, type Step } from '../explorer.ts';
import { sameStatesAs, scriptOf } from '../script.ts';

/** Checks run with every edit: so many states are walked in about a tenth of a second. */
const checked = { states: 4_000, edges: 60_000 };

/** What the gadget can come to, as far as a check looks; once per check run. */
export function explored(gadget: Gadget, derived: Derived): Explorer {
  return derived.once('explore.all', () => {
    const explorer = new Explorer(gadget, checked);
    explorer.advance(checked.states);
    return explorer;
  });
}

/** A way as a script that can be played; whatever chance it needs is not searched for long. */
export function wayBy(explorer: Explorer, steps: readonly Step[], endId: number | null): SnagWay {
  const arrived = endId === null ? () => true : sameStatesAs(explorer, endId);
  const { seed, stimuli, endUs } = scriptOf(explorer, steps, arrived, 4);
  return { seed, stimuli, endUs };
}

/** The innermost active state of one that was found, for naming the place. */
export function innermost(explorer: Explorer, id: number): string {
  const { atoms } = explorer.load(id);
  return explorer.tables.stateIds[atoms.at(-1) ?? 0]!;
}

export const nameOfState = ({ flow }: Gadget, id: string): string =>
  flow.states.find((state) => state.id === id)?.name ?? id;
