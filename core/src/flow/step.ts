import { mostRounds, spend, standsStill, worth } from '../kernel/index.ts';
import { newMacrostep } from './guards.ts';
import { controlEvent } from './events.ts';
import { nothing, Run, type Around } from './run.ts';
import { freshFlow, type FlowState, type FlowStep } from './state.ts';
import type { FlowTables } from './tables.ts';
import { select, selectAlways, selectExactly, selectTimed } from './select.ts';
import { enterFirst, microstep } from './transitions.ts';

/** The flow at power-up, and what entering its first states does. Without states it stays nowhere, quietly. */
export function powerUp(
  tables: FlowTables,
  around: Around,
  saved: readonly number[] | null = null,
): { state: FlowState } & FlowStep {
  const state = freshFlow(tables, saved);
  const run = new Run(tables, state, around);
  if (tables.initial.length > 0) {
    enterFirst(run);
    run.tell(tables.powerUpEvent);
    settle(run);
  }
  return { state, ...run.done() };
}

/**
 * Gives an event to the flow, which runs to completion as the algorithm of the W3C statechart standard (SCXML,
 * appendix D) has it: the rules that the event and their guards enable, inner before outer and first in the document
 * before later, without those in conflict; then, over and over, rules that need no event and what was raised inside.
 * An event that no rule takes is gone. `state` is advanced in place; its owner holds the only reference.
 * @param event number from `eventCodes`
 * @param also further numbers that the same event goes by
 * @throws StandsStill when more happens than can, as when rules go on for ever without an event
 */
export function stepFlow(
  tables: FlowTables,
  state: FlowState,
  event: number,
  around: Around,
  also: readonly number[] | null = null,
): FlowStep {
  if (state.ended || (state.atoms.length === 0 && tables.layers.length === 0)) return nothing;
  if (!tables.heard[event] && !tables.hasAlways && tables.layers.length === 0 && also === null)
    return nothing;
  const run = new Run(tables, state, around);
  const key = tables.keyEvents.size > 0 ? tables.keyEvents.get(event) : undefined;
  if (key) run.key = key.carried;
  if (tables.layers.length > 0) layerKey(run, event);
  const enabled = select(run, event, key ? key.also : also);
  if (enabled.length > 0) microstep(run, enabled);
  settle(run);
  return run.done();
}

/** The rest of the macrostep. */
function settle(run: Run): void {
  if (run.tables.hasAlways) newMacrostep(run.tables);
  for (let round = 0; !run.state.ended; round += 1) {
    if (round > mostRounds / 2) {
      if (round > mostRounds) throw standsStill(run.work, 'rounds');
      run.counting = true;
    }
    let enabled = run.tables.hasAlways ? selectAlways(run) : none;
    if (enabled.length === 0) {
      const inner = run.takeTold();
      if (inner === undefined) return;
      enabled = inner === run.tables.powerUpEvent ? selectExactly(run, inner) : select(run, inner, null);
    }
    if (enabled.length > 0) microstep(run, enabled);
  }
}
const none: readonly number[] = [];

/** When the earliest timer is due, or null. */
export const nextTimerUs = ({ timers }: Pick<FlowState, 'timers'>): number | null => timers[0]?.dueUs ?? null;

/**
 * Lets the earliest timer that is due by `byUs` fire, at `around.nowUs`; among equals the one that began first. A timer
 * whose guard holds it back is gone until the state is entered again, unless it goes on. Ticks missed while everything
 * stood still are lost.
 * @returns null where none is due
 */
export function stepTimer(
  tables: FlowTables,
  state: FlowState,
  byUs: number,
  around: Around,
): FlowStep | null {
  const dueUs = nextTimerUs(state);
  if (dueUs === null || dueUs > byUs) return null;
  return fireTimer(tables, state, 0, around);
}

/** Lets that timer fire now, due or not. */
export function fireTimer(tables: FlowTables, state: FlowState, at: number, around: Around): FlowStep {
  // The first of many is cheap to take.
  const timer = at === 0 ? state.timers.shift()! : state.timers.splice(at, 1)[0]!;
  const { what, number } = timer;
  if (state.ended) return nothing;
  const run = new Run(tables, state, around);
  if (what === 'rule' || what === 'save') spend(run.work, worth.happening);
  else run.happens(what, run.idOf(timer));
  if (what === 'save') run.save();
  else if (what === 'rule') {
    if (tables.ruleEvery[number]) run.goOn(timer, run.lengthUs(tables.ruleDelay[number]!));
    const enabled = selectTimed(run, number);
    if (enabled.length > 0) microstep(run, enabled);
  } else {
    if (timer.everyUs > 0) run.goOn(timer, timer.everyUs);
    const event = what === 'timer' ? tables.timerEvent[number]! : tables.signalEvent[number]!;
    if (what === 'signal') run.heardSignal(number);
    const enabled = select(run, event, null);
    if (enabled.length > 0) microstep(run, enabled);
  }
  settle(run);
  return run.done();
}

/** Place among the gestures; a press is the one before. */
const release = 1;

/** What a key does in the topmost layer that is on and has it; let go, what belongs to the layer it was pressed in. */
function layerKey(run: Run, event: number): void {
  const { tables, state, around } = run;
  const key = controlEvent(event, tables.controls);
  if (!key || key.gesture > release) return;
  if (key.gesture === release) {
    const layer = tables.layers[state.pressedIn[key.control]!];
    state.pressedIn[key.control] = -1;
    run.actAll(layer?.keys.get(key.control)?.release ?? [], null);
    return;
  }
  for (let at = tables.layers.length - 1; at >= 0; at -= 1) {
    const { held, condition, keys } = tables.layers[at]!;
    const does = keys.get(key.control);
    if (!does || (held >= 0 && around.control(held) === 0) || (condition && !run.holds(condition))) continue;
    state.pressedIn[key.control] = at;
    run.actAll(does.press, null);
    return;
  }
}
