import {
  canonicalJson,
  type Effort,
  type Gadget,
  type Snag,
  type SnagRule,
  type State,
} from '../../gadget/index.ts';
import { unfinished } from '../../flow/index.ts';
import { looksOf, Machine } from '../../machine/index.ts';
import type { Explorer } from '../explorer.ts';
import { sameStatesAs, scriptOf } from '../script.ts';
import { explored } from './explored.ts';

/** More states than this are not compared with one another at every edit. */
const mostCompared = 60;
/** Long enough for what entering shows to have settled: a fade, a short tone. */
const settleUs = 1_500_000;

/** What the gadget shows in a state, played to it and left alone; null: no run came there, or it does not stay. */
function lookOf(gadget: Gadget, explorer: Explorer, id: number, effort: Effort): string | null {
  const { seed, stimuli, endUs, confirmed } = scriptOf(
    explorer,
    explorer.pathTo(id),
    sameStatesAs(explorer, id),
    2,
    effort,
  );
  if (!confirmed) return null;
  const machine = new Machine(explorer.gadget, seed);
  for (const stimulus of stimuli) machine.stimulate(stimulus);
  const before = machine.advance(endUs, effort.left) && machine.shown.stateIds.join();
  const settled = machine.advance(endUs + settleUs, effort.left - machine.work);
  effort.left -= machine.work;
  if (!settled || machine.shown.stateIds.join() !== before) return null;
  return canonicalJson(looksOf(machine.shown.outputs));
}

/** What a state does with what happens, its own ids apart. */
const behaviour = (state: State): string =>
  canonicalJson(state.rules.map(({ id: _id, ...rest }) => ({ ...rest })));

/** Two states that look and sound the same, and act differently: nobody can tell which one it is. */
export const L14: SnagRule = {
  id: 'L14',
  check(gadget, derived) {
    const { states } = gadget.flow;
    if (
      gadget.outputs.length === 0 ||
      states.length > mostCompared ||
      states.some(({ kind }) => kind === 'parallel')
    )
      return [];
    const explorer = explored(gadget, derived);
    const blank = unfinished(gadget, derived);
    const found = new Map<string, State>();
    const seen = new Set<string>();
    const snags: Snag[] = [];
    for (let id = 0; id < explorer.count && seen.size < states.length; id += 1) {
      const { atoms } = explorer.load(id);
      const stateId = explorer.tables.stateIds[atoms.at(-1) ?? -1];
      if (stateId === undefined || seen.has(stateId) || blank.has(stateId)) continue;
      seen.add(stateId);
      const state = states.find((one) => one.id === stateId)!;
      const look = lookOf(gadget, explorer, id, derived.effort);
      if (look === null) continue;
      const twin = found.get(look);
      if (!twin) found.set(look, state);
      else if (behaviour(twin) !== behaviour(state))
        snags.push({
          rule: 'L14',
          level: 'likely',
          place: { kind: 'state', id: state.id },
          values: { name: state.name, twin: twin.name },
        });
    }
    return snags;
  },
};
