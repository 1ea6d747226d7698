import { codeSilence, hearCode, nextSilenceUs, nothingHeard, type HeardCode } from '../gesture/index.ts';
import { noiseAt, schedule, unitAt } from '../kernel/index.ts';
import type { CompiledReceiver } from './compiled.ts';
import type { MachineState, ReceiverState } from './state.ts';
import type { TraceEntry } from './trace.ts';

export const freshReceiver = (): ReceiverState => ({ sent: 0, arrived: [], heard: nothingHeard });

/** A held key repeats no oftener than this many times, however long it is held. */
const mostRepeats = 1_000;

/** A key of the remote is held, or a word is said: its code arrives later, again and again while held, maybe as another. */
export function sendCode(
  state: MachineState,
  { control, number }: CompiledReceiver,
  codeId: string,
  heldUs: number,
  trace: TraceEntry[],
): void {
  const receiver = state.receivers[control.id]!;
  const code = control.codes.find(({ id }) => id === codeId);
  if (!code) return;
  trace.push({ at: state.nowUs, lane: 'sent', id: control.id, codeId });
  const others = control.codes.filter(({ id }) => id !== codeId);
  const times = Math.min(mostRepeats, Math.floor(heldUs / control.repeatsEveryUs) + 1);
  for (let n = 0; n < times; n += 1) {
    const channel = 0x4000 + number;
    const wrong = unitAt(state.seed, channel, 2 * receiver.sent) * 1_000 < code.wrongPerMille;
    const other = others[noiseAt(state.seed, channel, 2 * receiver.sent + 1) % Math.max(1, others.length)];
    receiver.sent += 1;
    schedule(state.queue, state.nowUs + n * control.repeatsEveryUs + code.latencyUs, {
      kind: 'code',
      controlId: control.id,
      sentId: codeId,
      codeId: wrong && other ? other.id : codeId,
    });
  }
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
    trace.push({ at: nowUs, lane: 'code', id: control.id, codeId, gesture });
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
