import {
  allRules,
  buttonsHeard,
  canonicalJson,
  controlsHeard,
  isHistory,
  isOfKeys,
  layerKeyOf,
  nestingOf,
  type Derived,
  type Gadget,
  type Nesting,
  type Rule,
  type State,
  type Trigger,
} from '../gadget/index.ts';
import { beside } from './reach.ts';

/** A rule that answers an event in a state. */
export interface GridAnswer {
  rule: Rule;
  /** The state that has it: this one, or one around it. */
  owner: State;
  /** It answers whatever the variables are: what comes after it is never asked. */
  surely: boolean;
}

/** What a state makes of an event. */
export interface GridCell {
  /** In the order in which they are asked. */
  answers: GridAnswer[];
  /** The state, itself or around it, that leaves the event unanswered on purpose. */
  ignoredBy: State | null;
  /** Nothing here answers, but another region, or a layer, does. */
  elsewhere: boolean;
  /** Nobody answers it, and nobody has said that this is meant. */
  open: boolean;
}

export interface GridRow {
  state: State;
  /** How many states it lies in. */
  depth: number;
  cells: GridCell[];
}

/** States against events: what is answered, by which rule and inherited from where, and what is not. */
export interface Grid {
  events: Trigger[];
  rows: GridRow[];
  /** Cells that nothing answers and nobody has marked. */
  open: number;
}

/** Timers are each rule's own, and what needs no event is none: neither is a column. */
const isColumn = ({ kind }: Trigger): boolean =>
  kind !== 'after' && kind !== 'every' && kind !== 'always' && kind !== 'any';

/** A press of every button that no rule listens to at all, by itself or in its set: somebody will press it. */
function unheardPresses(gadget: Gadget, triggers: readonly Trigger[]): Trigger[] {
  const heard = new Set(triggers.flatMap((one) => controlsHeard(gadget, one)));
  return buttonsHeard(gadget).flatMap(({ id }): Trigger[] =>
    heard.has(id) ? [] : [{ kind: 'gesture', controlId: id, gesture: 'press' }],
  );
}

/** Events in the order of the controls, then as the rules name them. */
function eventsOf(gadget: Gadget): Trigger[] {
  const named = allRules(gadget).map(({ rule }) => rule.trigger);
  const events = [...named, ...unheardPresses(gadget, named)].filter(isColumn);
  const distinct = [...new Map(events.map((trigger) => [canonicalJson(trigger), trigger])).values()];
  const order = new Map(gadget.controls.map(({ id }, at) => [id, at]));
  const place = (trigger: Trigger) => {
    const id = 'controlId' in trigger ? trigger.controlId : controlsHeard(gadget, trigger)[0];
    return order.get(id ?? '') ?? gadget.controls.length;
  };
  return distinct
    .map((trigger, at) => ({ trigger, at }))
    .sort((a, b) => place(a.trigger) - place(b.trigger) || a.at - b.at)
    .map(({ trigger }) => trigger);
}

/** The grid of a flow, for checks: once per run. */
export const griddedOnce = (gadget: Gadget, derived: Derived): Grid =>
  derived.once('flow.grid', () => gridOf(gadget));

/** The grid of a flow. States that only hold others are in it, too: what they answer, all in them inherit. */
export function gridOf(gadget: Gadget): Grid {
  const nesting = nestingOf(gadget.flow);
  const events = eventsOf(gadget);
  const keys = events.map((trigger) => canonicalJson(trigger));
  const keyOf = new Map(allRules(gadget).map(({ rule }) => [rule.id, canonicalJson(rule.trigger)]));
  const heardBy = heardIn(gadget);
  const ignored = new Set(
    gadget.flow.ignored.map(({ stateId, trigger }) => `${stateId} ${canonicalJson(trigger)}`),
  );
  const rows = nesting.ordered
    .filter((state) => !isHistory(state) && state.kind !== 'final')
    .map((state): GridRow => {
      const around = [state, ...nesting.ancestorsOf(state.id)];
      const regions = beside(gadget, nesting, state);
      return {
        state,
        depth: around.length - 1,
        cells: keys.map((key, at) => {
          const event = events[at]!;
          const whole = (rule: Rule) =>
            keyOf.get(rule.id) === key ||
            rule.trigger.kind === 'any' ||
            heardBy(rule.trigger, event) === 'all';
          const hears = (rule: Rule) => whole(rule) || heardBy(rule.trigger, event) === 'some';
          const answers = answersIn(around, hears, whole);
          const ignoredBy = around.find(({ id }) => ignored.has(`${id} ${key}`)) ?? null;
          const layered = answeredByLayer(gadget, event);
          const elsewhere =
            answers.length === 0 && (layered || regions.some(({ rules }) => rules.some(hears)));
          // Rules for single keys answer any key of their set once they are all of its keys.
          const answered =
            event.kind === 'keys' ? isWhole(gadget, event, answers, whole) : answers.length > 0;
          return { answers, ignoredBy, elsewhere, open: !answered && !elsewhere && !ignoredBy };
        }),
      };
    });
  const open = rows
    .filter(({ state }) => isStanding(nesting, state))
    .flatMap(({ cells }) => cells)
    .filter((cell) => cell.open).length;
  return { events, rows, open };
}

/** Keys that some layer has do something there, whatever state it is in; so does one that holds a layer. */
function answeredByLayer(gadget: Gadget, trigger: Trigger): boolean {
  const ids = controlsHeard(gadget, trigger);
  const { layers } = gadget.flow;
  const isLayered = (id: string) =>
    layers.some(
      ({ keys, when }) =>
        layerKeyOf(gadget, keys, id) !== undefined ||
        (keys.length > 0 && when?.kind === 'held' && when.controlId === id),
    );
  return ids.length > 0 && ids.every(isLayered);
}

type Hearing = (trigger: Trigger, event: Trigger) => 'all' | 'some' | 'none';

/** How much of an event of keys a trigger hears: a rule for any key hears each of them, one for a key hears some of any. */
function heardIn(gadget: Gadget): Hearing {
  const known = new Map<Trigger, ReadonlySet<string>>();
  const keys = (trigger: Trigger) => {
    const found = known.get(trigger) ?? new Set(controlsHeard(gadget, trigger));
    known.set(trigger, found);
    return found;
  };
  return (trigger, event) => {
    if (!isOfKeys(trigger) || !isOfKeys(event) || trigger.gesture !== event.gesture) return 'none';
    const wanted = [...keys(event)];
    const heard = wanted.filter((id) => keys(trigger).has(id)).length;
    return heard === 0 ? 'none' : heard === wanted.length ? 'all' : 'some';
  };
}

/** Whether every key of the set is answered. */
function isWhole(
  gadget: Gadget,
  event: Trigger,
  answers: readonly GridAnswer[],
  whole: (rule: Rule) => boolean,
): boolean {
  if (answers.some(({ rule }) => whole(rule))) return true;
  const answered = new Set(answers.flatMap(({ rule }) => controlsHeard(gadget, rule.trigger)));
  const ids = controlsHeard(gadget, event);
  return ids.length > 0 && ids.every((id) => answered.has(id));
}

const isStanding = (nesting: Nesting, { id }: State) => nesting.childrenOf(id).length === 0;

/** Inner rules first; what a sure one answers, no later one is asked. */
function answersIn(
  around: readonly State[],
  hears: (rule: Rule) => boolean,
  whole: (rule: Rule) => boolean,
): GridAnswer[] {
  const answers: GridAnswer[] = [];
  for (const owner of around)
    for (const rule of owner.rules) {
      if (!hears(rule)) continue;
      const surely = rule.guard === null && whole(rule);
      answers.push({ rule, owner, surely });
      if (surely) return answers;
    }
  return answers;
}
