import {
  controlsHeard,
  isOfKeys,
  keysOf,
  placedActions,
  type Action,
  type Gadget,
  type PlacedActions,
  type Snag,
  type SnagRule,
} from '../../gadget/index.ts';
import { asMeant } from '../../gesture/index.ts';
import { outputStateOf } from '../../machine/index.ts';
import { heldKeys, type HeldKey } from '../../typing/index.ts';
import { Explorer } from '../explorer.ts';
import { scriptOf, type Arrived } from '../script.ts';
import { nameOfState } from './explored.ts';

/** So much is walked with every edit of a gadget that holds keys of a computer. */
const checked = { states: 2_000, edges: 30_000, work: 100_000_000 };

/** Controls whose press or release does what stands there. */
function byHand(
  gadget: Gadget,
  { rule, where, key }: PlacedActions,
  gesture: 'press' | 'release',
): readonly string[] {
  if (key && where !== gesture) return [];
  if (key) return 'setId' in key ? keysOf(gadget, key.setId) : [key.controlId];
  if (!rule || !isOfKeys(rule.trigger) || rule.trigger.gesture !== gesture) return [];
  return controlsHeard(gadget, rule.trigger);
}

const doesTo =
  ({ outputId, key }: HeldKey, how: 'down' | 'up') =>
  (action: Action) =>
    (action.kind === 'key' && action.outputId === outputId && action.key === key && action.how === how) ||
    (how === 'up' && action.kind === 'keysUp' && action.outputId === outputId);

/**
 * Controls that press it down, all of them meant to let it go as well; none where something else presses it, or where one
 * of them does not let it go: then it may be meant to stay.
 * @param lists all that is done in the flow
 */
function meantWhileDown(gadget: Gadget, lists: readonly PlacedActions[], key: HeldKey): string[] {
  const pressing = lists.filter(({ actions }) => actions.some(doesTo(key, 'down')));
  const releasing = lists.filter(({ actions }) => actions.some(doesTo(key, 'up')));
  const lets = new Set(releasing.flatMap((one) => byHand(gadget, one, 'release')));
  const presses = pressing.map((one) => byHand(gadget, one, 'press'));
  const whole = presses.every((ids) => ids.length > 0 && ids.every((id) => lets.has(id)));
  return whole ? [...new Set(presses.flat())] : [];
}

interface Wanted extends HeldKey {
  mask: number;
  controlIds: readonly string[];
}

/** The first state that was found in which each of them is down, with none of its controls; a key has none where it is never so. */
function stuckIn(explorer: Explorer, wanted: readonly Wanted[]): Map<Wanted, number> {
  const numbers = new Map(explorer.gadget.controls.map(({ id }, number) => [id, number]));
  const found = new Map<Wanted, number>();
  for (let id = 0; id < explorer.count && found.size < wanted.length; id += 1) {
    explorer.load(id);
    const { joined, surroundings } = explorer;
    const isUp = (controlId: string) => surroundings.control(numbers.get(controlId)!) === 0;
    for (const one of wanted)
      if ((joined & one.mask) !== 0 && !found.has(one) && one.controlIds.every(isUp)) found.set(one, id);
  }
  return found;
}

/** A key of the computer that is meant to be held while one of the gadget is, and stays down on some way. */
export const X07: SnagRule = {
  id: 'X07',
  check(gadget, { effort, asIs }) {
    const held = heldKeys(gadget);
    const lists = held.keys.length > 0 ? placedActions(gadget.flow) : [];
    const wanted = held.keys.flatMap((key, bit): Wanted[] => {
      const controlIds = meantWhileDown(gadget, lists, key);
      return controlIds.length > 0 ? [{ ...key, mask: 1 << bit, controlIds }] : [];
    });
    if (wanted.length === 0 || effort.left <= 0) return [];
    const explorer = new Explorer(asMeant(gadget), checked, [], held);
    explorer.advance(checked.states);
    const stuck = stuckIn(explorer, wanted);
    return wanted.flatMap((one): Snag[] => {
      const id = stuck.get(one);
      if (id === undefined) return [];
      const isDown: Arrived = (_flow, { outputs }) =>
        outputStateOf(outputs, 'typist', one.outputId)?.computer.held.includes(one.key) === true;
      // Times are left out of the walk: what cannot be played at real times is not told.
      const { confirmed, ...way } = scriptOf(explorer, explorer.pathTo(id), isDown, 2, effort);
      if (!confirmed) return [];
      const stateId = explorer.innermostIn(id)[0]!;
      const controls = gadget.controls.filter((control) => one.controlIds.includes(control.id));
      const output = gadget.outputs.find((other) => other.id === one.outputId);
      return [
        {
          rule: 'X07',
          level: 'likely',
          place: { kind: 'state', id: stateId },
          values: {
            key: one.key,
            name: output?.name ?? '',
            control: controls.map(({ name }) => name).join(', '),
            state: nameOfState(gadget, stateId),
          },
          ...(asIs && { way }),
        },
      ];
    });
  },
};
