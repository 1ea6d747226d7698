import { crossFilter, disturb, moveFinger, setContact } from './contacts.ts';
import type { CompiledGadget } from './compiled.ts';
import { channelEdge, passCount, readShaft, turnShaft } from './encoders.ts';
import { moveKnob } from './knobs.ts';
import { arriveCode, sendCode } from './receivers.ts';
import type { MachineEvent, MachineState } from './state.ts';
import type { TraceEntry } from './trace.ts';

type ControlEvent = Exclude<MachineEvent, { kind: 'character' | 'effect' | 'output' }>;

/** A hand does something to a control, if the gadget has it and it can be done to it. */
function touchControl(
  state: MachineState,
  compiled: CompiledGadget,
  { controlId, touch }: Extract<MachineEvent, { kind: 'touch' }>,
  trace: TraceEntry[],
): void {
  const input = compiled.inputs.get(controlId);
  const encoder = compiled.encoders.get(controlId);
  const knob = compiled.knobs.get(controlId);
  const receiver = compiled.receivers.get(controlId);
  if (input && (touch.what === 'down' || touch.what === 'up'))
    moveFinger(state, input, touch.what === 'down', trace);
  if (encoder && touch.what === 'turn') turnShaft(state, encoder, touch.detents, touch.overUs, trace);
  if (receiver && touch.what === 'send') sendCode(state, receiver, touch.codeId, touch.heldUs, trace);
  if (knob && touch.what === 'move') moveKnob(state, knob, touch.perMille, touch.overUs, trace);
}

/** What happens at a control between two turns of the loop, as long as nothing has made it void since. */
export function happen(
  state: MachineState,
  compiled: CompiledGadget,
  event: ControlEvent,
  trace: TraceEntry[],
): void {
  if (event.kind === 'touch') return touchControl(state, compiled, event, trace);
  const input = compiled.inputs.get(event.controlId);
  const encoder = compiled.encoders.get(event.controlId);
  const of = state.inputs[event.controlId];
  switch (event.kind) {
    case 'edge':
    case 'stuck':
      if (!input || of?.changes !== event.change) return;
      if (event.kind === 'edge') of.edgesLeft -= 1;
      of.settled = event.kind === 'edge' ? event.level : 1;
      setContact(state, input, trace);
      return;
    case 'cross':
      if (input) crossFilter(state, input, event.contactEdge, trace);
      return;
    case 'disturbance':
      if (input) disturb(state, input, event, trace);
      return;
    case 'count':
      if (encoder) passCount(state, encoder, event);
      return;
    case 'channel':
      if (encoder) channelEdge(state, encoder, event, trace);
      return;
    case 'awake':
      if (encoder) readShaft(state, encoder, trace);
      return;
    case 'code': {
      const receiver = compiled.receivers.get(event.controlId);
      if (receiver) arriveCode(state, receiver, event, trace);
    }
  }
}
