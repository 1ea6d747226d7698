import type { LightMode } from '../gadget/index.ts';
import { noiseAt } from '../kernel/index.ts';
import { evaluate } from './expression.ts';
import type { CompiledAction, FlowTables } from './tables.ts';
import { renderTemplate } from './template.ts';

/** Where the flow stands. Plain JSON. */
export interface FlowState {
  /** State number; -1: the gadget has no state. */
  current: number;
  values: number[];
  /** Running timers of the current state: rule number and due time. */
  timers: { rule: number; dueUs: number }[];
  /** How many random numbers were drawn. */
  draws: number;
}

/** What the flow wants done, `offsetUs` after the step began; later than 0 only behind a blocking wait. */
export type Effect = { offsetUs: number } & (
  | { kind: 'rule'; ruleId: string; stateId: string }
  | { kind: 'state'; stateId: string }
  | { kind: 'variable'; variableId: string; value: number }
  | { kind: 'light'; outputId: string; light: LightMode }
  | { kind: 'text'; outputId: string; row: number; text: string }
  | { kind: 'tone'; outputId: string; hz: number; lengthUs: number }
  | { kind: 'silence'; outputId: string }
);

export interface FlowStep {
  effects: Effect[];
  /** How long the loop stands still, µs. */
  blockedUs: number;
}

/** Channel of chance of the flow; contacts use the numbers of their controls, from 0. */
const flowChannel = 0x7f10;

/** floor(noise × n / 2^32) without rounding: two products of at most 2^47. */
function below(noise: number, n: number): number {
  const low = (noise & 0xffff) * n;
  return Math.floor(((noise >>> 16) * n + Math.floor(low / 65_536)) / 65_536);
}

/** One run of actions; mutates the flow state it was given and gathers effects. */
class Run {
  readonly effects: Effect[] = [];
  offsetUs = 0;
  readonly tables: FlowTables;
  readonly state: FlowState;
  readonly seed: number;
  constructor(tables: FlowTables, state: FlowState, seed: number) {
    this.tables = tables;
    this.state = state;
    this.seed = seed;
  }
  readonly random = (n: number): number => {
    const noise = noiseAt(this.seed, flowChannel, this.state.draws);
    this.state.draws += 1;
    return below(noise, n);
  };
  private act(action: CompiledAction): void {
    const { offsetUs } = this;
    const { values } = this.state;
    switch (action.kind) {
      case 'set': {
        const wanted = evaluate(action.value, values, this.random);
        const value = Math.min(
          this.tables.high[action.slot]!,
          Math.max(this.tables.low[action.slot]!, wanted),
        );
        values[action.slot] = value;
        this.effects.push({
          offsetUs,
          kind: 'variable',
          variableId: this.tables.variableIds[action.slot]!,
          value,
        });
        return;
      }
      case 'text': {
        const text = renderTemplate(action.text, values, this.random);
        this.effects.push({ offsetUs, kind: 'text', outputId: action.outputId, row: action.row, text });
        return;
      }
      case 'tone': {
        const hz = evaluate(action.hz, values, this.random);
        this.effects.push({
          offsetUs,
          kind: 'tone',
          outputId: action.outputId,
          hz,
          lengthUs: action.lengthUs,
        });
        return;
      }
      case 'wait':
        this.offsetUs += action.lengthUs;
        return;
      case 'light':
        this.effects.push({ offsetUs, kind: 'light', outputId: action.outputId, light: action.light });
        return;
      case 'silence':
        this.effects.push({ offsetUs, kind: 'silence', outputId: action.outputId });
    }
  }
  actAll(actions: readonly CompiledAction[]): void {
    for (const action of actions) this.act(action);
  }
  enter(target: number, nowUs: number): void {
    const { tables, state } = this;
    state.current = target;
    this.effects.push({ offsetUs: this.offsetUs, kind: 'state', stateId: tables.stateIds[target]! });
    this.actAll(tables.entry[target]!);
    state.timers = [];
    for (let rule = tables.firstRule[target]!; rule < tables.firstRule[target + 1]!; rule += 1) {
      if (tables.ruleEvent[rule] === -1)
        state.timers.push({ rule, dueUs: nowUs + this.offsetUs + tables.ruleDelayUs[rule]! });
    }
  }
  done(): FlowStep {
    return { effects: this.effects, blockedUs: this.offsetUs };
  }
}

/** The flow at power-up, and what entering its first state does. Without states it stays nowhere, quietly. */
export function powerUp(tables: FlowTables, seed: number): { state: FlowState } & FlowStep {
  const state: FlowState = { current: -1, values: [...tables.initialValues], timers: [], draws: 0 };
  const run = new Run(tables, state, seed);
  if (tables.initial >= 0) run.enter(tables.initial, 0);
  return { state, ...run.done() };
}

const nothing: FlowStep = { effects: [], blockedUs: 0 };

/**
 * Gives an event to the flow, which runs to completion: the first rule of the current state, in document order,
 * with that trigger and a guard that is not 0; then exit, rule and entry actions in that order (W3C statechart
 * order). An event that no rule takes is gone. `state` is advanced in place; its owner holds the only reference.
 * @param event number from `eventCodes`
 */
export function stepFlow(
  tables: FlowTables,
  state: FlowState,
  event: number,
  nowUs: number,
  seed: number,
): FlowStep {
  if (state.current < 0) return nothing;
  const run = new Run(tables, state, seed);
  for (let rule = tables.firstRule[state.current]!; rule < tables.firstRule[state.current + 1]!; rule += 1)
    if (tables.ruleEvent[rule] === event && allows(run, rule)) return fire(run, rule, nowUs);
  return nothing;
}

/** When the earliest timer is due, or null. */
export function nextTimerUs({ timers }: FlowState): number | null {
  let due = Infinity;
  for (const timer of timers) if (timer.dueUs < due) due = timer.dueUs;
  return due === Infinity ? null : due;
}

/**
 * Lets the earliest timer that is due by `byUs` fire, at `nowUs`; among equals the first in the document. A timer whose guard
 * holds it back is gone until the state is entered again.
 * @returns null where none is due
 */
export function stepTimer(
  tables: FlowTables,
  state: FlowState,
  byUs: number,
  nowUs: number,
  seed: number,
): FlowStep | null {
  const dueUs = nextTimerUs(state);
  if (dueUs === null || dueUs > byUs) return null;
  const at = state.timers.findIndex((timer) => timer.dueUs === dueUs);
  const { rule } = state.timers[at]!;
  state.timers.splice(at, 1);
  const run = new Run(tables, state, seed);
  return allows(run, rule) ? fire(run, rule, nowUs) : nothing;
}

function allows(run: Run, rule: number): boolean {
  const guard = run.tables.ruleGuard[rule]!;
  return guard === null || evaluate(guard, run.state.values, run.random) !== 0;
}

function fire(run: Run, rule: number, nowUs: number): FlowStep {
  const { tables, state } = run;
  const from = state.current;
  const target = tables.ruleTarget[rule]!;
  run.effects.push({
    offsetUs: 0,
    kind: 'rule',
    ruleId: tables.ruleIds[rule]!,
    stateId: tables.stateIds[from]!,
  });
  if (target >= 0) run.actAll(tables.exit[from]!);
  run.actAll(tables.ruleActions[rule]!);
  if (target >= 0) run.enter(target, nowUs);
  return run.done();
}
