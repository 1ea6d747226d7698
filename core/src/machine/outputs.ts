import { pageNow, type Effect, type OutputOrder, type PageNow } from '../flow/index.ts';
import { variableShape, variableStart, variableStarts, type Gadget, type Variable } from '../gadget/index.ts';
import { schedule } from '../kernel/index.ts';
import { noJobs, type Job } from '../output/index.ts';
import { aroundFlow } from './flowAround.ts';
import type { CompiledGadget } from './compiled.ts';
import {
  darkOutput,
  laterOutput,
  type AnyStage,
  type CompiledOutput,
  type KeptUp,
  type OutputEntry,
  type OutputState,
} from './outputKinds.ts';
import type { MachineState, Shown, ShownValue } from './state.ts';
import type { TraceEntry } from './trace.ts';

/** Every output as power-up finds it, and variables as they begin. */
export function darkShown(gadget: Gadget): Shown {
  return {
    stateIds: [],
    variables: Object.fromEntries(
      gadget.flow.variables.map((variable) => [variable.id, shownStart(variable)]),
    ),
    outputs: Object.fromEntries(gadget.outputs.map((output) => [output.id, darkOutput(output, gadget)])),
  };
}

function shownStart(variable: Variable): ShownValue {
  if (variable.kind === 'text') return variable.initial;
  if (variable.kind === 'texts') return variable.initials;
  return variableShape(variable) === 'places' ? variableStarts(variable) : variableStart(variable);
}

/**
 * Carries out one effect of the flow, now. What names an output that an edit took away is dropped.
 * @returns what it gives the loop to do
 */
export function carryOut(
  state: MachineState,
  compiled: CompiledGadget,
  effect: Effect,
  trace: TraceEntry[],
): readonly Job[] {
  const { shown, nowUs: atUs } = state;
  switch (effect.kind) {
    case 'rule':
      trace.push({ atUs, lane: 'rule', id: effect.ruleId, stateId: effect.stateId });
      return noJobs;
    case 'state':
      shown.stateIds = compiled.nowActive(shown.stateIds, effect.stateId);
      trace.push({ atUs, lane: 'state', id: effect.stateId });
      return noJobs;
    case 'ended':
    case 'saved':
      trace.push({ atUs, lane: effect.kind });
      return noJobs;
    case 'signal':
      trace.push({ atUs, lane: 'signal', id: effect.signalId });
      return noJobs;
    case 'mishap':
      trace.push({ atUs, lane: 'mishap', id: effect.stateId, mishap: effect.mishap });
      return noJobs;
    case 'variable':
      remember(shown, effect.variableId, effect.index, effect.value, atUs, trace);
      return noJobs;
    case 'output':
      return told(state, compiled, effect.outputId, effect.order, trace);
  }
}

/** A variable, or a place of a list, is something else. */
export function remember(
  shown: Shown,
  id: string,
  index: number | null,
  value: number | string,
  atUs: number,
  trace: TraceEntry[],
): void {
  const was = shown.variables[id];
  if (Array.isArray(was)) {
    const place = index ?? 0;
    if (was[place] === value) return;
    shown.variables[id] = was.with(place, value as never);
    trace.push({ atUs, lane: 'variable', id, value, index: place });
    return;
  }
  if (was === value) return;
  shown.variables[id] = value;
  trace.push({ atUs, lane: 'variable', id, value });
}

/** What an output may do: write to the trace, and plan something of its own. One is made for each order. */
class OutputStage implements AnyStage {
  readonly id;
  readonly output;
  readonly prepared;
  readonly nowUs;
  constructor(
    private readonly state: MachineState,
    private readonly compiled: CompiledGadget,
    { output, prepared }: CompiledOutput,
    private readonly list: TraceEntry[],
  ) {
    this.id = output.id;
    this.output = output;
    this.prepared = prepared;
    this.nowUs = state.nowUs;
  }
  trace(entry: unknown): void {
    this.list.push(entry as OutputEntry);
  }
  plan(afterUs: number, what: unknown): void {
    schedule(this.state.queue, this.nowUs + afterUs, { kind: 'output', outputId: this.output.id, what });
  }
  page(pageId: string | null): PageNow {
    const { state, compiled } = this;
    const around = aroundFlow(state, compiled, this.nowUs);
    return pageNow(compiled.tables, state.flow, this.id, pageId, around);
  }
  sounds(): readonly number[] {
    const { outputs } = this.state.shown;
    return this.compiled.sounding.flatMap(({ id, sounds }) => sounds(outputs[id]!));
  }
}

/**
 * An output becomes another. What names one that an edit took away is dropped, and so did the edit with what waited
 * for one of another kind.
 */
function become(
  state: MachineState,
  compiled: CompiledGadget,
  outputId: string,
  trace: TraceEntry[],
  next: (was: OutputState, of: CompiledOutput, stage: AnyStage) => OutputState,
): void {
  const { outputs } = state.shown;
  const of = compiled.outputs.get(outputId);
  const was = outputs[outputId];
  if (!of || !was) return;
  const is = next(was, of, new OutputStage(state, compiled, of, trace));
  outputs[outputId] = is;
  if (is !== was) stirBySound(state, compiled, of, was, is);
}

/** Where it sounds otherwise now, whoever shows that has something to do. */
function stirBySound(
  state: MachineState,
  { stirredBySound }: CompiledGadget,
  { definition: { sounds } }: CompiledOutput,
  was: OutputState,
  is: OutputState,
): void {
  if (!sounds || stirredBySound.length === 0) return;
  const [before, now] = [sounds(was), sounds(is)];
  if (before[0] !== now[0] || before[1] !== now[1]) stir(state, stirredBySound);
}

/** An output is told something. What waited over an edit for another kind was dropped by it. */
function told(
  state: MachineState,
  compiled: CompiledGadget,
  outputId: string,
  order: OutputOrder,
  trace: TraceEntry[],
): readonly Job[] {
  const of = compiled.outputs.get(outputId);
  const was = state.shown.outputs[outputId];
  // Written out: this runs for everything that is shown.
  if (!of || !was) return noJobs;
  const stage = new OutputStage(state, compiled, of, trace);
  return jobsOf(state, compiled, of, was, of.definition.apply(was, order as never, stage), stage);
}

/** It is another now. @returns what that gives the loop to do */
function jobsOf(
  state: MachineState,
  compiled: CompiledGadget,
  of: CompiledOutput,
  was: OutputState,
  is: OutputState,
  stage: AnyStage,
): readonly Job[] {
  if (is === was) return noJobs;
  state.shown.outputs[of.output.id] = is;
  stirBySound(state, compiled, of, was, is);
  return of.definition.jobs(was, is, stage);
}

/** What an output planned has come. */
export function dueOutput(
  state: MachineState,
  compiled: CompiledGadget,
  outputId: string,
  what: unknown,
  trace: TraceEntry[],
): void {
  become(state, compiled, outputId, trace, (was, { definition }, stage) => definition.due(was, what, stage));
}

/** When the loop has next to see to an output by itself, µs; null: never, until something is told. */
export function upkeepDueUs(state: MachineState, { keptUp }: CompiledGadget): number | null {
  let dueUs: number | null = null;
  for (const { output, upkeep, prepared } of keptUp) {
    const one = state.shown.outputs[output.id];
    const at = one ? upkeep.dueUs(one, prepared) : null;
    if (at !== null && (dueUs === null || at < dueUs)) dueUs = at;
  }
  return dueUs;
}

/** Something has happened: what shows that by itself has something to do. */
export function stir({ shown: { outputs } }: MachineState, stirred: CompiledGadget['stirred']): void {
  for (const { id, stirred: after } of stirred) outputs[id] = after(outputs[id]!);
}

/** Somebody has touched a control. */
export function touch(state: MachineState, compiled: CompiledGadget, trace: TraceEntry[]): void {
  for (const id of compiled.touched)
    become(state, compiled, id, trace, (was, { definition }, stage) => definition.touched!(was, stage));
}

/** The loop has heard a message by MIDI. @returns what that gives it to do for this output */
export function hearMessage(
  state: MachineState,
  compiled: CompiledGadget,
  outputId: string,
  bytes: readonly number[],
  trace: TraceEntry[],
): readonly Job[] {
  const of = compiled.outputs.get(outputId)!;
  const was = state.shown.outputs[outputId]!;
  const stage = new OutputStage(state, compiled, of, trace);
  return jobsOf(state, compiled, of, was, of.definition.heard!(was, bytes, stage), stage);
}

/** The loop sees to an output that is due. @returns what that gives it to do; none where it is not due */
export function keepUp(
  state: MachineState,
  compiled: CompiledGadget,
  { output: { id }, upkeep, prepared }: KeptUp,
  trace: TraceEntry[],
): readonly Job[] {
  const of = compiled.outputs.get(id);
  const was = state.shown.outputs[id];
  const dueUs = was ? upkeep.dueUs(was, prepared) : null;
  if (!of || !was || dueUs === null || dueUs > state.nowUs) return noJobs;
  const stage = new OutputStage(state, compiled, of, trace);
  return jobsOf(state, compiled, of, was, upkeep.done(was, stage), stage);
}

/** The power goes: what can be seen and heard of that, output by output; and all of them are dark. */
export function darken(state: MachineState, compiled: CompiledGadget, trace: TraceEntry[]): void {
  for (const id of compiled.outputs.keys())
    become(state, compiled, id, trace, (was, { definition, output }, stage) => {
      definition.powerOff(was, stage);
      // What it waits for as it comes on begins now.
      return laterOutput(darkOutput(output, compiled.gadget), state.nowUs);
    });
}
