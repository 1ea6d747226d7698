import type { OutputOrder } from '../flow/index.ts';
import {
  allActions,
  controlsHeard,
  isOfKeys,
  isOutputAction,
  keysOf,
  nestingOf,
  placedActions,
  writtenIn,
  type Action,
  type Derived,
  type Gadget,
  type Nesting,
  type PlacedActions,
  type SnagWay,
} from '../gadget/index.ts';
import { asMeant } from '../gesture/index.ts';
import { holdingBy, isHeldNow } from '../machine/index.ts';
import { Explorer, type Joined } from './explorer.ts';
import { variablesIn } from './influence.ts';
import { scriptOf, type Arrived } from './script.ts';

/** Bits of one number: more than so many keys or notes that a walk comes to are not followed. */
const mostFollowed = 31;

/** What is on at outputs as it joins a walk: a bit for each that comes on, given out in the order of their coming. */
class Held implements Joined {
  private readonly bits = new Map<string, Map<number, number>>();
  private given = 0;

  after(bits: number, outputId: string, order: OutputOrder): number {
    const change = holdingBy(order);
    if (!change) return bits;
    const { what, which, how } = change;
    if (what === null || which === null) return bits & ~this.maskOf(outputId, what);
    const bit = this.bitOf(`${outputId} ${what}`, which, how === 'begins');
    return how === 'begins' ? bits | bit : bits & ~bit;
  }
  /** Of all that has come on of it so far; of null: of the whole output. */
  maskOf(outputId: string, what: string | null): number {
    let mask = 0;
    for (const [key, known] of this.bits)
      if (what === null ? key.startsWith(`${outputId} `) : key === `${outputId} ${what}`)
        for (const bit of known.values()) mask |= bit;
    return mask;
  }
  private bitOf(key: string, which: number, comes: boolean): number {
    const known = this.bits.get(key) ?? new Map<number, number>();
    const bit = known.get(which);
    if (bit !== undefined) return bit;
    if (!comes || this.given >= mostFollowed) return 0;
    this.bits.set(key, known.set(which, 1 << this.given));
    this.given += 1;
    return known.get(which)!;
  }
}

/** Something that is meant to be on while any of these controls is down, and never else. */
interface Meant {
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

function allMeant(gadget: Gadget): Meant[] {
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

/** Variables that say which note it is: a walk has to follow them, although no rule asks for them. */
function askedOf(gadget: Gadget): string[] {
  const written = allActions(gadget)
    .filter((action) => isOutputAction(action) && holdingBy(action) !== null)
    .flatMap((action) => writtenIn(action).expressions);
  return written.flatMap((text) => variablesIn(gadget, text));
}

/** Something that stays on, with none of its controls down. */
export interface Stuck extends Meant {
  /** Innermost, where it was first found so. */
  stateId: string;
  way: SnagWay;
}

/** So much is walked with every edit of a gadget that holds something. */
const checked = { states: 2_000, edges: 30_000, work: 100_000_000 };

/** The first state that was found in which each of them is on, with none of its controls down. */
function firstStates(explorer: Explorer, held: Held, meant: readonly Meant[]): Map<Meant, number> {
  const numbers = new Map(explorer.gadget.controls.map(({ id }, number) => [id, number]));
  const masks = meant.map(({ outputId, what }) => held.maskOf(outputId, what));
  const found = new Map<Meant, number>();
  for (let id = 0; id < explorer.count && found.size < meant.length; id += 1) {
    explorer.load(id);
    const { joined, surroundings } = explorer;
    const isUp = (controlId: string) => surroundings.control(numbers.get(controlId)!) === 0;
    for (const [n, one] of meant.entries())
      if ((joined & masks[n]!) !== 0 && !found.has(one) && one.controlIds.every(isUp)) found.set(one, id);
  }
  return found;
}

/**
 * All that is meant to be on while a control is down, and stays on by some way; once per check run. Times are left out
 * of the walk: what cannot be played at real times is not told.
 */
export function stuckOn(gadget: Gadget, derived: Derived): readonly Stuck[] {
  return derived.once('explore.stuck', () => {
    const meant = allMeant(gadget);
    if (meant.length === 0 || derived.effort.left <= 0) return [];
    const held = new Held();
    const explorer = new Explorer(asMeant(gadget), checked, askedOf(gadget), held);
    explorer.advance(checked.states);
    return [...firstStates(explorer, held, meant)].flatMap(([one, id]): Stuck[] => {
      const isOn: Arrived = (_flow, { outputs }) => {
        const state = outputs[one.outputId];
        return state !== undefined && isHeldNow(state, one.what);
      };
      const { confirmed, ...way } = scriptOf(explorer, explorer.pathTo(id), isOn, 2, derived.effort);
      return confirmed ? [{ ...one, stateId: explorer.innermostIn(id)[0]!, way }] : [];
    });
  });
}
