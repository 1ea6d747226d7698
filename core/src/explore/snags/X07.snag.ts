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
import { replay } from '../../machine/index.ts';
import { heldKeys, type HeldKey } from '../../typing/index.ts';
import { Explorer } from '../explorer.ts';
import { scriptOf, type Script } from '../script.ts';

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
 */
function meantWhileDown(gadget: Gadget, key: HeldKey): string[] {
  const lists = placedActions(gadget.flow);
  const pressing = lists.filter(({ actions }) => actions.some(doesTo(key, 'down')));
  const releasing = lists.filter(({ actions }) => actions.some(doesTo(key, 'up')));
  const lets = new Set(releasing.flatMap((one) => byHand(gadget, one, 'release')));
  const presses = pressing.map((one) => byHand(gadget, one, 'press'));
  const whole = presses.every((ids) => ids.length > 0 && ids.every((id) => lets.has(id)));
  return whole ? [...new Set(presses.flat())] : [];
}

/** Whether the key is down when the way has been played. */
function isDown(gadget: Gadget, { outputId, key }: HeldKey, { seed, stimuli, endUs }: Script): boolean {
  const changes = replay(gadget, stimuli, endUs, seed).flatMap((entry) =>
    entry.lane === 'key' && entry.id === outputId && entry.key === key ? [entry.down] : [],
  );
  return changes.at(-1) === true;
}

/** A key of the computer that is meant to be held while one of the gadget is, and stays down on some way. */
export const X07: SnagRule = {
  id: 'X07',
  check(gadget, { effort, asIs }) {
    const held = heldKeys(gadget);
    const wanted = held.keys.flatMap((key, bit) => {
      const controlIds = meantWhileDown(gadget, key);
      return controlIds.length > 0 ? [{ key, bit, controlIds }] : [];
    });
    if (wanted.length === 0 || effort.left <= 0) return [];
    const explorer = new Explorer(asMeant(gadget), checked, [], held);
    explorer.advance(checked.states);
    return wanted.flatMap(({ key, bit, controlIds }): Snag[] => {
      for (let id = 0; id < explorer.count; id += 1) {
        if ((explorer.joinedIn(id) & (1 << bit)) === 0 || !explorer.isUntouched(id, controlIds)) continue;
        // Times are left out of the walk: what cannot be played at real times is not told.
        const script = scriptOf(explorer, explorer.pathTo(id), () => true, 2, effort);
        if (!script.confirmed || !isDown(gadget, key, script)) return [];
        const { confirmed: _played, ...way } = script;
        const controls = gadget.controls.filter((one) => controlIds.includes(one.id));
        const output = gadget.outputs.find((one) => one.id === key.outputId);
        return [
          {
            rule: 'X07',
            level: 'likely',
            place: { kind: 'state', id: explorer.innermostIn(id)[0]! },
            values: {
              key: key.key,
              name: output?.name ?? '',
              control: controls.map(({ name }) => name).join(', '),
              state: gadget.flow.states.find((one) => one.id === explorer.innermostIn(id)[0])?.name ?? '',
            },
            ...(asIs && { way }),
          },
        ];
      }
      return [];
    });
  },
};
