import {
  allActions,
  controlsHeard,
  isOfKeys,
  isOutputAction,
  keysOf,
  nestingOf,
  placedActions,
  type Action,
  type Gadget,
  type Nesting,
  type PlacedActions,
  writtenIn,
} from '../gadget/index.ts';
import { holdingBy } from '../machine/index.ts';
import { variablesIn } from './influence.ts';

/** Something that is meant to be on while any of these controls is down, and never else. */
export interface Meant {
  outputId: string;
  what: string;
  controlIds: readonly string[];
}

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
  (outputId: string, what: string, how: 'begins' | 'ends') =>
  (action: Action): boolean => {
    if (!isOutputAction(action) || action.outputId !== outputId) return false;
    const change = holdingBy(action);
    return change?.how === how && (change.what === null || change.what === what);
  };

/** Whether what is pressed there is let go there: for the same key of a layer, or in a state where the press leaves it. */
function isPaired(nesting: Nesting, pressing: PlacedActions, releasing: PlacedActions): boolean {
  if (pressing.key || releasing.key) return pressing.key === releasing.key;
  const after = [pressing.state!.id, ...(pressing.rule?.targetIds ?? [])];
  const at = releasing.state!.id;
  return after.some((id) => id === at || nesting.isInside(id, at) || nesting.isInside(at, id));
}

/**
 * Controls that begin it, each of them meant to end it as well where it begins it; none where something else begins it,
 * or where one of them does not end it: then it may be meant to stay.
 */
function meantWhileDown(
  gadget: Gadget,
  nesting: Nesting,
  lists: readonly PlacedActions[],
  outputId: string,
  what: string,
): string[] {
  const pressing = lists.filter(({ actions }) => actions.some(doesTo(outputId, what, 'begins')));
  const releasing = lists.filter(({ actions }) => actions.some(doesTo(outputId, what, 'ends')));
  const presses = pressing.map((one) => {
    const lets = new Set(
      releasing
        .filter((other) => isPaired(nesting, one, other))
        .flatMap((other) => byHand(gadget, other, 'release')),
    );
    const ids = byHand(gadget, one, 'press');
    return ids.every((id) => lets.has(id)) ? ids : [];
  });
  return presses.every((ids) => ids.length > 0) ? [...new Set(presses.flat())] : [];
}

/** Everything that is meant to be on while a control is down, as far as the document says so. */
export function allMeant(gadget: Gadget): Meant[] {
  const lists = placedActions(gadget.flow);
  const nesting = nestingOf(gadget.flow);
  const found = new Map<string, Meant>();
  for (const action of allActions(gadget).filter(isOutputAction)) {
    const { how, what = null } = holdingBy(action) ?? {};
    const { outputId } = action;
    if (how !== 'begins' || what === null || found.has(`${outputId} ${what}`)) continue;
    const controlIds = meantWhileDown(gadget, nesting, lists, outputId, what);
    found.set(`${outputId} ${what}`, { outputId, what, controlIds });
  }
  return [...found.values()].filter(({ controlIds }) => controlIds.length > 0);
}

/** Variables that say which it is: a walk of everything has to follow them, although no rule asks for them. */
export function variablesNaming(gadget: Gadget): string[] {
  const written = allActions(gadget)
    .filter((action) => isOutputAction(action) && holdingBy(action) !== null)
    .flatMap((action) => writtenIn(action).expressions);
  return written.flatMap((text) => variablesIn(gadget, text));
}
