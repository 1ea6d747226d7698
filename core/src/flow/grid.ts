import {
  allRules,
  canonicalJson,
  isHistory,
  nestingOf,
  type Control,
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

/** A press of every button that no rule listens to at all: somebody will press it. */
function unheardPresses(controls: readonly Control[], heard: readonly Trigger[]): Trigger[] {
  return controls.flatMap((control): Trigger[] =>
    control.kind !== 'button' || heard.some((one) => one.kind === 'gesture' && one.controlId === control.id)
      ? []
      : [{ kind: 'gesture', controlId: control.id, gesture: 'press' }],
  );
}

/** Events in the order of the controls, then as the rules name them. */
function eventsOf(gadget: Gadget): Trigger[] {
  const named = allRules(gadget).map(({ rule }) => rule.trigger);
  const events = [...named, ...unheardPresses(gadget.controls, named)].filter(isColumn);
  const distinct = [...new Map(events.map((trigger) => [canonicalJson(trigger), trigger])).values()];
  const order = new Map(gadget.controls.map(({ id }, at) => [id, at]));
  const place = (trigger: Trigger) =>
    'controlId' in trigger ? order.get(trigger.controlId)! : gadget.controls.length;
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
          const hears = (rule: Rule) => keyOf.get(rule.id) === key || rule.trigger.kind === 'any';
          const answers = answersIn(around, hears);
          const ignoredBy = around.find(({ id }) => ignored.has(`${id} ${key}`)) ?? null;
          const layered = answeredByLayer(gadget, events[at]!);
          const elsewhere =
            answers.length === 0 && (layered || regions.some(({ rules }) => rules.some(hears)));
          return { answers, ignoredBy, elsewhere, open: answers.length === 0 && !elsewhere && !ignoredBy };
        }),
      };
    });
  const open = rows
    .filter(({ state }) => isStanding(nesting, state))
    .flatMap(({ cells }) => cells)
    .filter((cell) => cell.open).length;
  return { events, rows, open };
}

/** A key that some layer has does something there, whatever state it is in; so does one that holds a layer. */
const answeredByLayer = ({ flow }: Gadget, trigger: Trigger): boolean =>
  trigger.kind === 'gesture' &&
  flow.layers.some(
    ({ keys, when }) =>
      keys.some(({ controlId }) => controlId === trigger.controlId) ||
      (keys.length > 0 && when?.kind === 'held' && when.controlId === trigger.controlId),
  );

const isStanding = (nesting: Nesting, { id }: State) => nesting.childrenOf(id).length === 0;

/** Inner rules first; what a sure one answers, no later one is asked. */
function answersIn(around: readonly State[], hears: (rule: Rule) => boolean): GridAnswer[] {
  const answers: GridAnswer[] = [];
  for (const owner of around)
    for (const rule of owner.rules) {
      if (!hears(rule)) continue;
      const surely = rule.guard === null;
      answers.push({ rule, owner, surely });
      if (surely) return answers;
    }
  return answers;
}
