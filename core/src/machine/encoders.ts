import { bounceEdges, changingChannel, channelsAt, countTimeUs, edgesFrom } from '../contact/index.ts';
import { decodeRest, feedChannels } from '../gesture/index.ts';
import { schedule, scheduleAs } from '../kernel/index.ts';
import type { CompiledEncoder } from './compiled.ts';
import type { EncoderState, MachineEvent, MachineState, Turn } from './state.ts';
import type { TraceEntry } from './trace.ts';

/** A shaft at rest in a detent, as the firmware finds it at power-up. */
export const freshEncoder = (): EncoderState => ({
  count: 0,
  a: { level: 0, changes: 0 },
  b: { level: 0, changes: 0 },
  moved: false,
  decoder: decodeRest(0, 0),
  pending: 0,
  steps: 0,
  oneWay: 0,
});

/** Chance of the two channels is apart from that of any button. */
const channelOf = { a: 0x1000, b: 0x2000 } as const;

/** The hand turns it, one count after another. */
export function turnShaft(
  state: MachineState,
  { control, part }: CompiledEncoder,
  detents: number,
  overUs: number,
  trace: TraceEntry[],
): void {
  trace.push({ atUs: state.nowUs, lane: 'turned', id: control.id, detents, overUs });
  const by = detents < 0 ? -1 : 1;
  const counts = Math.abs(detents) * part.countsPerDetent;
  if (counts === 0) return;
  // All of its counts are as good as planned now, one lies in the queue: a thousand detents cost no memory.
  const turn = { sinceUs: state.nowUs, counts, overUs, firstSeq: state.queue.nextSeq };
  state.queue.nextSeq += counts;
  planCount(state, control.id, by, turn, 0);
}

function planCount(state: MachineState, controlId: string, by: 1 | -1, turn: Turn, n: number): void {
  const atUs = turn.sinceUs + countTimeUs(n, turn.counts, turn.overUs);
  scheduleAs(state.queue, atUs, { kind: 'count', controlId, by, turn, number: n }, turn.firstSeq + n);
}

/** The shaft gets to its next count: one channel makes or breaks, and bounces. */
export function passCount(
  state: MachineState,
  compiled: CompiledEncoder,
  { by, turn, number: n }: Extract<MachineEvent, { kind: 'count' }>,
): void {
  const { control, number, captured } = compiled;
  if (n + 1 < turn.counts) planCount(state, control.id, by, turn, n + 1);
  const encoder = state.encoders[control.id]!;
  const channel = changingChannel(encoder.count, encoder.count + by);
  encoder.count += by;
  const one = encoder[channel];
  const level = channelsAt(encoder.count)[channel];
  const bounce = bounceEdges(
    control.contact,
    level,
    state.seed,
    channelOf[channel] + number,
    one.changes,
    captured,
  );
  one.changes += 1;
  for (const edge of edgesFrom(one.level, bounce))
    schedule(state.queue, state.nowUs + edge.atUs, {
      kind: 'channel',
      controlId: control.id,
      channel,
      change: one.changes,
      level: edge.level,
    });
}

/** Reads both channels, if either has changed; steps wait in `pending` until a turn says them. */
export function readShaft(state: MachineState, { control }: CompiledEncoder, trace: TraceEntry[]): void {
  const encoder = state.encoders[control.id]!;
  if (!encoder.moved) return;
  encoder.moved = false;
  const read = feedChannels(encoder.decoder, encoder.a.level, encoder.b.level, state.nowUs, control.reading);
  encoder.decoder = read.state;
  encoder.pending += read.steps;
  const { counts, steps, skipped } = read;
  if (counts !== 0 || skipped)
    trace.push({ atUs: state.nowUs, lane: 'counted', id: control.id, counts, steps, skipped });
}

/** An edge of a channel; with an interrupt it is read at once, or as soon as interrupts are heard again. */
export function channelEdge(
  state: MachineState,
  compiled: CompiledEncoder,
  { channel, change, level }: { channel: 'a' | 'b'; change: number; level: 0 | 1 },
  trace: TraceEntry[],
): void {
  const encoder = state.encoders[compiled.control.id]!;
  const one = encoder[channel];
  if (one.changes !== change || one.level === level) return;
  one.level = level;
  const waits = encoder.moved;
  encoder.moved = true;
  trace.push({ atUs: state.nowUs, lane: 'channel', id: compiled.control.id, channel, level });
  if (!compiled.part.interrupts) return;
  if (state.nowUs >= state.deafUntilUs) readShaft(state, compiled, trace);
  else if (!waits)
    schedule(state.queue, state.deafUntilUs, { kind: 'awake', controlId: compiled.control.id });
}
