import {
  bounceEdges,
  edgesFrom,
  failsAfterUs,
  nextDisturbance,
  touchAnswer,
  type Disturbance,
} from '../contact/index.ts';
import type { Edge } from '../gadget/index.ts';
import { schedule } from '../kernel/index.ts';
import type { CompiledInput } from './compiled.ts';
import type { MachineEvent, MachineState } from './state.ts';
import type { TraceEntry } from './trace.ts';

/** The finger moves: the contact starts to bounce. A finger that is there already changes nothing. */
export function moveFinger(
  state: MachineState,
  compiled: CompiledInput,
  down: boolean,
  trace: TraceEntry[],
): void {
  const { control, algorithm } = compiled;
  const input = state.inputs[control.id]!;
  if (input.fingerDown === down) return;
  const untouchedUs = state.nowUs - input.upUs;
  input.fingerDown = down;
  if (down) {
    input.presses += 1;
    input.downUs = state.nowUs;
    input.answered = false;
    input.hidden = false;
    input.edgesAtDown = input.contactEdges;
    input.deafUntilUs = algorithm.deafUntilUs(state.inputs[compiled.line[0]]!.debounce, state.nowUs);
  } else {
    input.upUs = state.nowUs;
  }
  trace.push({ atUs: state.nowUs, lane: 'finger', id: control.id, down, press: input.presses });
  const edges = edgesFrom(input.settled, moveEdges(state, compiled, down, untouchedUs));
  input.changes += 1;
  input.edgesLeft = edges.length;
  input.moved = true;
  for (const { atUs, level: raw } of edges)
    schedule(state.queue, state.nowUs + atUs, {
      kind: 'edge',
      controlId: control.id,
      change: input.changes,
      level: raw,
    });
  planChatter(state, compiled, down);
  if (!down) planStuck(state, compiled);
}

/** What the contact does as the finger comes or goes. */
function moveEdges(state: MachineState, compiled: CompiledInput, down: boolean, untouchedUs: number): Edge[] {
  const { control, number, captured } = compiled;
  const input = state.inputs[control.id]!;
  const { touch } = control.contact;
  const level = down ? 1 : 0;
  if (!touch) return bounceEdges(control.contact, level, state.seed, number, input.changes, captured);
  const answer = touchAnswer(touch, down ? untouchedUs : 0);
  if (answer.kind !== 'answers' || (!down && input.settled === 0)) return [];
  return [{ atUs: down ? answer.closeUs : answer.openUs, level }];
}

/** The contact changes, whoever does it: what follows is up to what stands between it and the pin. */
export function setContact(
  state: MachineState,
  { control, algorithm: { filter } }: CompiledInput,
  trace: TraceEntry[],
): void {
  const input = state.inputs[control.id]!;
  const flipped = input.spiked !== input.broken;
  const level = flipped ? (input.settled === 1 ? 0 : 1) : input.settled;
  input.moved = true;
  if (input.raw === level) return;
  input.raw = level;
  input.contactEdges += 1;
  trace.push({ atUs: state.nowUs, lane: 'contact', id: control.id, level });
  if (!filter || !input.filter) return;
  input.filter = filter.onEdge(input.filter, level, state.nowUs, control.debounce.params);
  const crossUs = filter.crossUs(input.filter, control.debounce.params);
  if (crossUs !== null)
    schedule(state.queue, crossUs, { kind: 'cross', controlId: control.id, contactEdge: input.contactEdges });
}

/** The voltage behind a filter gets to its threshold: the pin changes. */
export function crossFilter(
  state: MachineState,
  { control }: CompiledInput,
  edge: number,
  trace: TraceEntry[],
): void {
  const input = state.inputs[control.id]!;
  if (!input.filter || input.contactEdges !== edge) return;
  input.filter.out = input.filter.raw;
  input.moved = true;
  trace.push({ atUs: state.nowUs, lane: 'pin', id: control.id, level: input.filter.out });
}

/** Spikes come from power-up on, pads drift from then on; only where the part's figures know of any. */
export function planUnrest(state: MachineState, compiled: CompiledInput): void {
  planSpike(state, compiled);
  planStuck(state, compiled);
}

/** Plans the beginning and the end of a disturbance, `afterUs` from now. */
function plan(
  state: MachineState,
  controlId: string,
  what: Disturbance,
  number: number,
  { afterUs, lengthUs }: { afterUs: number; lengthUs: number },
): void {
  const event = { kind: 'disturbance', controlId, what, number } as const;
  schedule(state.queue, state.nowUs + afterUs, { ...event, end: false });
  schedule(state.queue, state.nowUs + afterUs + lengthUs, { ...event, end: true });
}

function planSpike(state: MachineState, { control, number }: CompiledInput): void {
  const { spikes } = state.inputs[control.id]!;
  const next = nextDisturbance(control.contact, 'spike', state.seed, number, spikes);
  if (next) plan(state, control.id, 'spike', spikes, next);
}

/** A worn contact breaks off after so much time of holding, counted over all presses. */
function planChatter(state: MachineState, { control, number }: CompiledInput, down: boolean): void {
  const input = state.inputs[control.id]!;
  const next = nextDisturbance(control.contact, 'chatter', state.seed, number, input.chatters);
  if (!next) return;
  if (input.chatterInUs === null) input.chatterInUs = next.afterUs;
  if (down) {
    plan(state, control.id, 'chatter', input.chatters, { ...next, afterUs: input.chatterInUs });
    input.chatterSinceUs = state.nowUs;
    return;
  }
  const leftUs = input.chatterInUs - (state.nowUs - input.chatterSinceUs);
  // Let go while broken off: that one is over, and what was planned of it is void.
  if (leftUs <= 0) input.chatters += 1;
  input.chatterInUs = leftUs > 0 ? leftUs : null;
  input.broken = false;
}

/** A spike or a break begins or is over; void where the finger has gone or another has come since. */
export function disturb(
  state: MachineState,
  compiled: CompiledInput,
  { what, end, number }: Extract<MachineEvent, { kind: 'disturbance' }>,
  trace: TraceEntry[],
): void {
  const input = state.inputs[compiled.control.id]!;
  if (what === 'spike') {
    if (input.spikes !== number) return;
    input.spiked = !end;
    if (end) {
      input.spikes += 1;
      planSpike(state, compiled);
    }
  } else {
    if (!input.fingerDown || input.chatters !== number) return;
    input.broken = !end;
    if (end) {
      input.chatters += 1;
      input.chatterInUs = null;
      planChatter(state, compiled, true);
    }
  }
  setContact(state, compiled, trace);
}

/** A pad that nobody touches drifts over its threshold at last. */
function planStuck(state: MachineState, { control }: CompiledInput): void {
  const { touch } = control.contact;
  const fails = touch && failsAfterUs(touch);
  if (fails?.how === 'stuck')
    schedule(state.queue, state.nowUs + fails.afterUs, {
      kind: 'stuck',
      controlId: control.id,
      change: state.inputs[control.id]!.changes,
    });
}
