import { activeIds, type FlowState } from '../flow/index.ts';
import { canonicalJson, kindsTold, variableShape, variableStarts } from '../gadget/index.ts';
import { unreadKnob, type TogetherState } from '../gesture/index.ts';
import { keepOnly } from '../kernel/index.ts';
import type { CompiledGadget, CompiledInput, CompiledKnob } from './compiled.ts';
import { adoptFlow } from './adoptFlow.ts';
import { freshEncoder } from './encoders.ts';
import { freshInput } from './input.ts';
import { adoptOutput } from './outputKinds.ts';
import { darkShown } from './outputs.ts';
import { freshKnob } from './knobs.ts';
import { freshReceiver } from './receivers.ts';
import {
  freshOf,
  type InputState,
  type KnobInput,
  type MachineEvent,
  type MachineState,
  type Shown,
  type ShownValue,
} from './state.ts';

/**
 * A running machine's state carried over to an edited document: place, values, outputs, timers and fingers are kept
 * by id; what the edit brought begins now.
 * @returns null where the current state is gone: then only a restart makes sense
 */
export function adoptState(
  state: MachineState,
  from: CompiledGadget,
  to: CompiledGadget,
): MachineState | null {
  const flow = adoptFlow(state.flow, from, to, state.nowUs);
  if (!flow) return null;
  const samePeriod = from.periodUs === to.periodUs;
  const queue = { ...state.queue };
  keepOnly(queue, ({ event }) => isStillMeant(event, from, to));
  return {
    ...state,
    queue,
    turnUs: null,
    lostTurns: samePeriod ? state.lostTurns : 0,
    inputs: Object.fromEntries(
      [...to.inputs].map(([id, input]) => [
        id,
        adoptInput(state.inputs[id], from.inputs.get(id), input, samePeriod),
      ]),
    ),
    encoders: keep(freshOf(to.encoders, freshEncoder), state.encoders),
    knobs: Object.fromEntries(
      [...to.knobs].map(([id, knob]) => [
        id,
        adoptKnob(state.knobs[id], from.knobs.get(id), knob, state.nowUs),
      ]),
    ),
    receivers: keep(freshOf(to.receivers, freshReceiver), state.receivers),
    together: adoptTogether(state, to),
    flow,
    shown: adoptShown(state.shown, from, to, flow),
  };
}

/** What waits for an output is for one of its kind: an order that it knows, or what it planned itself. */
function isStillMeant(event: MachineEvent, from: CompiledGadget, to: CompiledGadget): boolean {
  if (event.kind === 'output')
    return from.outputs.get(event.outputId)?.output.kind === to.outputs.get(event.outputId)?.output.kind;
  if (event.kind !== 'effect' || event.effect.kind !== 'output') return true;
  const { outputId, order } = event.effect;
  const kind = to.outputs.get(outputId)?.output.kind;
  return kind !== undefined && kindsTold(order.kind).includes(kind);
}

/** Finger and contact stay; another algorithm, setting or period starts from the level that was clean. */
function adoptInput(
  was: InputState | undefined,
  from: CompiledInput | undefined,
  to: CompiledInput,
  samePeriod: boolean,
): InputState {
  if (!was || !from) return freshInput(to);
  const { params } = to.control.debounce;
  const same = samePeriod && JSON.stringify(from.control.debounce) === JSON.stringify(to.control.debounce);
  const debounce = same ? was.debounce : to.algorithm.settled(was.debounce.level, params);
  const filter = same
    ? was.filter
    : freshInput(to).filter && { v: was.raw, sinceUs: 0, raw: was.raw, out: was.raw };
  return { ...was, debounce, filter, moved: true };
}

/** Those that were there stay as they are. */
const keep = <T>(fresh: Record<string, T>, old: Record<string, T>) =>
  Object.fromEntries(Object.entries(fresh).map(([id, one]) => [id, old[id] ?? one]));

/** A knob stays where it is, and is read anew where anything about it is new. */
function adoptKnob(
  was: KnobInput | undefined,
  from: CompiledKnob | undefined,
  { control, taper }: CompiledKnob,
  nowUs: number,
): KnobInput {
  if (was && from?.taper === taper && JSON.stringify(from.control) === JSON.stringify(control)) return was;
  const { everyUs } = control.reading;
  return { ...(was ?? freshKnob()), reading: unreadKnob, dueUs: Math.ceil(nowUs / everyUs) * everyUs };
}

/** Chords that changed under the fingers begin anew; keys that are down stay down. */
function adoptTogether({ together }: MachineState, { inputs, gadget }: CompiledGadget): TogetherState {
  const known = <T>(record: Record<string, T>, has: (id: string) => boolean) =>
    Object.fromEntries(Object.entries(record).filter(([id]) => has(id)));
  const chordIds = new Set(gadget.chords.map(({ id }) => id));
  const key = (id: string) => inputs.has(id);
  return {
    downUs: known(together.downUs, key),
    pending: known(together.pending, key),
    taken: together.taken.filter(key),
    armed: known(together.armed, (id) => chordIds.has(id)),
  };
}

/** What a value is like: numbers or texts, and how many. */
const likeness = (value: ShownValue) =>
  Array.isArray(value) ? `${typeof value[0]} ${value.length}` : typeof value;

function adoptShown(
  was: Shown,
  from: CompiledGadget,
  { gadget, tables }: CompiledGadget,
  flow: FlowState,
): Shown {
  const dark = darkShown(gadget);
  const darkThen = darkShown(from.gadget);
  return {
    stateIds: activeIds(tables, flow),
    variables: Object.fromEntries(
      gadget.flow.variables.map(({ id, kind }) => {
        const fresh = dark.variables[id]!;
        const then = was.variables[id];
        // A table is as the document has it.
        if (then === undefined || kind === 'table' || likeness(then) !== likeness(fresh)) return [id, fresh];
        const begun = darkThen.variables[id];
        // A text that is as it began begins as it does now.
        if (kind === 'text') return [id, then === begun ? fresh : then];
        if (kind !== 'texts' || !Array.isArray(begun)) return [id, then];
        const [now, before] = [then as string[], fresh as string[]];
        return [id, now.map((text, at) => (text === begun[at] ? before[at]! : text))];
      }),
    ),
    outputs: Object.fromEntries(
      Object.entries(dark.outputs).map(([id, fresh]) => [id, adoptOutput(was.outputs[id], fresh, gadget)]),
    ),
  };
}

/** What an edit changes that nothing comes of yet: it waits for the next visit, or for the power to come anew. */
export type Waiting =
  /** What is done on entering a state that is active. */
  | { kind: 'entry'; stateId: string }
  /** Where it begins, and what variables begin with. */
  | { kind: 'start' }
  | { kind: 'values' };

export function waitingFor(
  { active }: { active: readonly number[] },
  { tables, gadget: before }: CompiledGadget,
  { gadget: after }: CompiledGadget,
): Waiting[] {
  const same = (one: unknown, other: unknown) => canonicalJson(one) === canonicalJson(other);
  const there = new Set(after.flow.states.map(({ id }) => id));
  const entries = tables.stateIds.flatMap((stateId, number): Waiting[] => {
    if (active[number] !== 1) return [];
    const of = (gadget: CompiledGadget['gadget']) =>
      gadget.flow.states.find(({ id }) => id === stateId)?.entry;
    return same(of(before), of(after)) ? [] : [{ kind: 'entry', stateId }];
  });
  const both = new Set(before.flow.states.map(({ id }) => id).filter((id) => there.has(id)));
  // A state that is new, or gone, begins nothing otherwise.
  const begins = ({ flow }: CompiledGadget['gadget']) => [
    flow.initialId,
    flow.states.flatMap(({ id, initial }) => (both.has(id) ? [[id, initial]] : [])),
  ];
  const starts = ({ flow }: CompiledGadget['gadget']) =>
    new Map(
      flow.variables
        // Texts and tables that were not touched have it at once.
        .filter((one) => variableShape(one) === 'one' || one.kind === 'list')
        .map((one) => [one.id, variableStarts(one).join()]),
    );
  const was = starts(before);
  const values = [...starts(after)].some(([id, start]) => was.has(id) && was.get(id) !== start);
  return [
    ...entries,
    ...(same(begins(before), begins(after)) ? [] : [{ kind: 'start' } as const]),
    ...(values ? [{ kind: 'values' } as const] : []),
  ];
}
