import { bare, compileExpression, evaluate, ExpressionError, guardParts, scopeOf } from '../flow/index.ts';
import {
  charactersIn,
  findRule,
  hearsGesture,
  variableStarts,
  type Gadget,
  type Rule,
  type Trigger,
} from '../gadget/index.ts';
import { isMessage } from '../midi/index.ts';
import { isHeard } from '../serial/index.ts';
import { nowActiveIn } from './nowActive.ts';
import type { TraceEntry } from './trace.ts';

/** Part of a condition, as stored, and whether it held. null: it asks what a trace does not tell. */
export interface GuardPart {
  text: string;
  holds: boolean | null;
}

/** What held a rule back at a moment. */
export interface WhyNot {
  /** When its state was active last, up to the moment; null: not at the moment. */
  active: boolean;
  /** Innermost states that were. */
  activeIds: string[];
  /** When what it waits for came last; null: it never had, or it is a timer, whose coming leaves no mark. */
  heardUs: number | null;
  timed: boolean;
  /** What it waits for leaves no mark either: the end of a state; or it waits for nothing. */
  unmarked: boolean;
  /** The condition, in the parts that must all hold; empty without one. */
  guard: GuardPart[];
  /** The rule that answered that event instead. */
  instead: string | null;
  /** It did fire, last at that time. */
  firedUs: number | null;
}

/** Entries that any event leaves. */
const eventLanes: ReadonlySet<TraceEntry['lane']> = new Set([
  'gesture',
  'chord',
  'code',
  'signal',
  'midiIn',
  'lineIn',
  'characterIn',
  'power',
]);

const isCycle = (entry: TraceEntry) => entry.lane === 'power' && entry.event === 'cycle';

/** Whether an entry of the trace is what the trigger waits for; asked of each entry in turn, from power-up. */
function hearing(gadget: Gadget, trigger: Trigger): (entry: TraceEntry) => boolean {
  switch (trigger.kind) {
    case 'gesture':
    case 'keys':
      return (entry) => entry.lane === 'gesture' && hearsGesture(gadget, trigger, entry.id, entry.gesture);
    case 'turn': {
      // Every so many steps one way, without one back.
      const by = Math.sign(trigger.by);
      let oneWay = 0;
      return (entry) => {
        if (isCycle(entry)) oneWay = 0;
        if (entry.lane !== 'gesture' || entry.id !== trigger.controlId) return false;
        const step = entry.gesture === 'up' ? 1 : entry.gesture === 'down' ? -1 : 0;
        if (step === 0) return false;
        oneWay = Math.sign(oneWay) === -step ? step : oneWay + step;
        return step === by && oneWay % trigger.by === 0;
      };
    }
    case 'crossing': {
      let from: number | null = null;
      return (entry) => {
        if (isCycle(entry)) from = null;
        if (entry.lane !== 'value' || entry.id !== trigger.controlId) return false;
        const [was, now] = [from, entry.value];
        from = now;
        if (was === null) return false;
        const { at, rising } = trigger;
        return rising ? was < at && now >= at : was >= at && now < at;
      };
    }
    case 'chord':
      return (entry) => entry.lane === 'chord' && entry.id === trigger.chordId;
    case 'code':
      return (entry) =>
        entry.lane === 'code' && entry.codeId === trigger.codeId && entry.gesture === trigger.gesture;
    case 'signal':
      return (entry) => entry.lane === 'signal' && entry.id === trigger.signalId;
    case 'midi':
      return (entry) => entry.lane === 'midiIn' && isMessage(entry.bytes, trigger);
    case 'line':
      return (entry) =>
        entry.lane === 'lineIn' &&
        !entry.open &&
        entry.id === trigger.outputId &&
        isHeard(entry.text, trigger.word);
    case 'character':
      return (entry) => entry.lane === 'characterIn' && entry.id === trigger.outputId;
    case 'power':
      return (entry) =>
        entry.lane === 'power' && (entry.event === 'cycle' ? 'up' : entry.event) === trigger.what;
    case 'any':
      return ({ lane }) => eventLanes.has(lane);
    case 'after':
    case 'every':
    case 'timer':
    case 'done':
    case 'always':
      return () => false;
  }
}
/** What it waits for leaves no mark: the end of a state, or nothing at all. */
const isUnmarked = ({ kind }: Trigger) => kind === 'done' || kind === 'always';
const isTimed = ({ kind }: Trigger) => kind === 'after' || kind === 'every' || kind === 'timer';

/** Values at a moment, by slot. */
function valuesAt(gadget: Gadget, trace: readonly TraceEntry[], atUs: number): number[] {
  const scope = scopeOf(gadget);
  const values = gadget.flow.variables.flatMap(variableStarts);
  for (const entry of trace) {
    if (entry.atUs > atUs) break;
    if (entry.lane !== 'variable') continue;
    const found = scope.variables.get(entry.id);
    if (!found) continue;
    const { slot, variable } = found;
    const { index = 0, value } = entry;
    if (typeof value === 'number') values[slot + index] = value;
    else if (variable.kind === 'text' || variable.kind === 'texts')
      charactersIn(value, variable.length).forEach((one, n) => {
        values[slot + index * variable.length + n] = one;
      });
  }
  return values;
}

/** Parts of a condition, each on what was so at the moment. */
function judged(gadget: Gadget, rule: Rule, values: number[], active: ReadonlySet<string>): GuardPart[] {
  if (rule.guard === null) return [];
  const scope = scopeOf(gadget);
  const ids = [...scope.states.keys()];
  return guardParts(rule.guard).map((text) => {
    // Times, chance and controls leave no mark that could be asked afterwards.
    if (/\b(elapsed|heard|random|value)\b/.test(text)) return { text, holds: null };
    try {
      const around = { ...bare(values), active: (state: number) => (active.has(ids[state]!) ? 1 : 0) };
      return { text, holds: evaluate(compileExpression(text, scope, 0), around) !== 0 };
    } catch (error) {
      if (!(error instanceof ExpressionError)) throw error;
      return { text, holds: null };
    }
  });
}

/**
 * Which part of trigger, state and condition held a rule back at a moment of a run.
 * @param trace from power-up
 * @returns null where the gadget does not have the rule
 */
export function whyNot(
  gadget: Gadget,
  trace: readonly TraceEntry[],
  ruleId: string,
  atUs: number,
): WhyNot | null {
  const found = findRule(gadget, ruleId);
  if (!found) return null;
  const { rule, state } = found;
  const next = nowActiveIn(gadget);
  const isIt = hearing(gadget, rule.trigger);
  let active: string[] = [];
  let heardUs: number | null = null;
  let heardAt = -1;
  let firedUs: number | null = null;
  /** As it was just before the event that is looked at. */
  let before: string[] = [];
  for (const [at, entry] of trace.entries()) {
    if (entry.atUs > atUs) break;
    if (isIt(entry)) {
      heardUs = entry.atUs;
      heardAt = at;
      before = active;
    }
    if (entry.lane === 'rule' && entry.id === ruleId) firedUs = entry.atUs;
    if (entry.lane === 'state') active = next(active, entry.id);
  }
  const looked = heardUs === null ? active : before;
  const after = heardAt < 0 ? [] : trace.slice(heardAt + 1);
  const answer = after.find(
    (entry) => entry.atUs > heardUs! || entry.lane === 'rule' || entry.lane === 'gesture',
  );
  const values = valuesAt(gadget, heardAt < 0 ? trace : trace.slice(0, heardAt), heardUs ?? atUs);
  const holds = new Set(gadget.flow.states.map(({ parentId }) => parentId));
  return {
    active: looked.includes(state.id),
    activeIds: looked.filter((id) => !holds.has(id)),
    heardUs,
    timed: isTimed(rule.trigger),
    unmarked: isUnmarked(rule.trigger),
    guard: judged(gadget, rule, values, new Set(looked)),
    instead: answer?.lane === 'rule' && answer.atUs === heardUs && answer.id !== ruleId ? answer.id : null,
    firedUs,
  };
}
