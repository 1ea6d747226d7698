import { codeSilence, hearCode, nextSilenceUs, nothingHeard, type HeardCode } from '../gesture/index.ts';
import { noiseAt, scheduleAs, unitAt } from '../kernel/index.ts';
import type { CompiledReceiver } from './compiled.ts';
import type { MachineEvent, MachineState, ReceiverState, Sending } from './state.ts';
import type { TraceEntry } from './trace.ts';

export const freshReceiver = (): ReceiverState => ({ sent: 0, arrived: [], heard: nothingHeard });

/** A held key repeats no oftener than this many times, however long it is held. */
const mostRepeats = 1_000;

/** A key of the remote is held, or a word is said: its code arrives later, again and again while held, maybe as another. */
export function sendCode(
  state: MachineState,
  { control }: CompiledReceiver,
  codeId: string,
  heldUs: number,
  trace: TraceEntry[],
): void {
  const receiver = state.receivers[control.id]!;
  const code = control.codes.find(({ id }) => id === codeId);
  if (!code) return;
  trace.push({ atUs: state.nowUs, lane: 'sent', id: control.id, codeId });
  const times = Math.min(mostRepeats, Math.floor(heldUs / control.repeatsEveryUs) + 1);
  const sinceUs = state.nowUs + code.latencyUs;
  const sending = { sinceUs, times, firstSeq: state.queue.nextSeq, firstSent: receiver.sent };
  receiver.sent += times;
  state.queue.nextSeq += times;
  planCode(state, control.id, codeId, control.repeatsEveryUs, sending, 0);
}

function planCode(
  state: MachineState,
  controlId: string,
  codeId: string,
  everyUs: number,
  sending: Sending,
  number: number,
): void {
  const event = { kind: 'code', controlId, codeId, sending, number } as const;
  // An edit may have made the time between two shorter.
  const atUs = Math.max(state.nowUs, sending.sinceUs + number * everyUs);
  scheduleAs(state.queue, atUs, event, sending.firstSeq + number);
}

/** A code arrives, maybe as another, and the next is planned. Codes that an edit took away arrive as they were sent. */
export function arriveCode(
  state: MachineState,
  { control, number: channel }: CompiledReceiver,
  { codeId, sending, number }: Extract<MachineEvent, { kind: 'code' }>,
  trace: TraceEntry[],
): void {
  if (number + 1 < sending.times)
    planCode(state, control.id, codeId, control.repeatsEveryUs, sending, number + 1);
  const code = control.codes.find(({ id }) => id === codeId);
  const others = control.codes.filter(({ id }) => id !== codeId);
  const address = 2 * (sending.firstSent + number);
  const wrong =
    code !== undefined && unitAt(state.seed, 0x4000 + channel, address) * 1_000 < code.wrongPerMille;
  const other = others[noiseAt(state.seed, 0x4000 + channel, address + 1) % Math.max(1, others.length)];
  const heardId = wrong && other ? other.id : codeId;
  state.receivers[control.id]!.arrived.push(heardId);
  trace.push({ atUs: state.nowUs, lane: 'heard', id: control.id, codeId: heardId, sentId: codeId });
}

/** What a turn makes of the codes that have arrived, and of a silence. */
export function readReceiver(
  state: MachineState,
  { control }: CompiledReceiver,
  trace: TraceEntry[],
): HeardCode[] {
  const receiver = state.receivers[control.id]!;
  const { nowUs } = state;
  const silence = codeSilence(receiver.heard, nowUs, control);
  receiver.heard = silence.state;
  const said = [...silence.said];
  for (const codeId of receiver.arrived.splice(0)) {
    const heard = hearCode(receiver.heard, codeId, nowUs, control);
    receiver.heard = heard.state;
    said.push(...heard.said);
  }
  for (const { codeId, gesture } of said)
    trace.push({ atUs: nowUs, lane: 'code', id: control.id, codeId, gesture });
  return said;
}

/** When the receiver needs a turn, or null. */
export function receiverDueUs(
  receiver: ReceiverState,
  { control }: CompiledReceiver,
  nowUs: number,
): number | null {
  return receiver.arrived.length > 0 ? nowUs : nextSilenceUs(receiver.heard, control);
}
