import type { Midi, Passing } from '../gadget/index.ts';
import type { HeldKeys, Stage } from '../output/index.ts';
import { isRealTime, kindOfStatus } from './message.ts';
import { received, type Receiver } from './receiver.ts';
import { goneAt, goneUs, sensedAfter, type Sensed, type Side } from './sensing.ts';
import {
  byteUs,
  bytesOnWire,
  packetBytes,
  packetsInFrame,
  packetsOf,
  queuedBytes,
  statusAfter,
} from './wire.ts';

export type Bytes = readonly number[];

/** What arrived last, what is on its way, and what the other end makes of it. */
export interface SentMidi {
  kind: 'midi';
  /** The bytes of the last that arrived; null: none has. */
  last: Bytes | null;
  receiver: Receiver;
  /** On a wire the first is on its way, and the rest waits; over USB all wait for the host to ask. */
  queue: readonly Bytes[];
  /** When what is on its way, or in the next frame, is there. */
  thereUs: number;
  /** The last status byte that went over the wire; 0: none since power-up. */
  status: number;
  lost: number;
  /** What keys have begun. */
  held: HeldKeys;
  /** What of that which comes in goes on; null: as the output has it. */
  passes: Passing | null;
  /** What went on of that which comes in, and has not ended: notes and pedals that are down, each by `heldPassed`. */
  passed: readonly number[];
  /** Counts what was planned. */
  order: number;
  sensed: Sensed;
}

export type MidiEntry =
  /** A whole message has arrived at the other end. None of it: nothing has for so long that all notes end there. */
  | { lane: 'midi'; bytes: number[] }
  /** It begins to go over the wire, as so many bytes; or nobody will ever hear it. */
  | { lane: 'midiWire'; what: 'begins' | 'lost'; bytes: number[]; wireBytes: number };
export type Planned = { order: number } | { gone: Side; count: number };
export interface Prepared {
  /** How often a computer asks. */
  frameUs: number;
}
export type On = Stage<'midi', MidiEntry, Planned, Prepared>;

/** Bytes as a wire's reader writes them. */
export const hexBytes = (bytes: Bytes): string =>
  bytes.map((byte) => byte.toString(16).padStart(2, '0')).join(' ');

export function arrived(was: SentMidi, bytes: Bytes, on: On): SentMidi {
  on.trace({ atUs: on.nowUs, lane: 'midi', id: on.id, bytes: [...bytes] });
  const now = { ...was, last: bytes, receiver: received(was.receiver, bytes) };
  return sensed(now, 'there', bytes, on);
}

/** Something has come: where that is minded, the next has to come in time. */
export function sensed(was: SentMidi, side: Side, bytes: Bytes, on: On): SentMidi {
  const now = sensedAfter(was.sensed, side, bytes);
  if (now === was.sensed) return was;
  on.plan(goneUs, { gone: side, count: now[side] });
  return { ...was, sensed: now };
}

/** Nothing has come for too long: what sounds at the other end is over. */
export function goneThere(was: SentMidi, on: On): SentMidi {
  on.trace({ atUs: on.nowUs, lane: 'midi', id: on.id, bytes: [] });
  return { ...was, receiver: received(was.receiver, []), sensed: goneAt(was.sensed, 'there') };
}

export const onWire = (what: 'begins' | 'lost', bytes: Bytes, wireBytes: number, on: On) =>
  on.trace({ atUs: on.nowUs, lane: 'midiWire', id: on.id, what, bytes: [...bytes], wireBytes });

export const isUsb = ({ transport }: Midi) => transport === 'usb';
/** Where in the queue that begins which waits: behind what is on its way. */
const firstWaiting = (output: Midi): number => (isUsb(output) ? 0 : 1);
export const waiting = ({ queue }: SentMidi, output: Midi): readonly Bytes[] =>
  queue.slice(firstWaiting(output));

/** Sees to it that the first of the queue gets there. */
export function begin(was: SentMidi, on: On): SentMidi {
  const [first] = was.queue;
  if (!first) return was;
  const planned = (afterUs: number, status: number): SentMidi => {
    on.plan(afterUs, { order: was.order + 1 });
    return { ...was, status, thereUs: on.nowUs + afterUs, order: was.order + 1 };
  };
  const { frameUs } = on.prepared;
  if (isUsb(on.output)) {
    const frames = Math.ceil(packetsOf(first) / packetsInFrame);
    return planned(frames * frameUs - (on.nowUs % frameUs), 0);
  }
  const wireBytes = bytesOnWire(first, was.status, on.output.runningStatus);
  onWire('begins', first, wireBytes, on);
  return planned(wireBytes * byteUs, statusAfter(was.status, first));
}

/** Whether two messages move the same thing, so that the later one is all that counts: never notes or programs. */
function movesTheSame([status, first]: Bytes, [other, second]: Bytes): boolean {
  const kind = kindOfStatus(status!);
  if (!kind || status !== other || kind === 'noteOn' || kind === 'noteOff' || kind === 'program')
    return false;
  return kind === 'bend' || kind === 'pressure' || first === second;
}

function without(queue: readonly Bytes[], at: number): readonly Bytes[] {
  return [...queue.slice(0, at), ...queue.slice(at + 1)];
}

const hasRoom = (was: SentMidi, bytes: Bytes, output: Midi): boolean =>
  (was.queue.length === 0 && !isUsb(output)) ||
  queuedBytes([...waiting(was, output), bytes], isUsb(output)) <= output.queueBytes;

/**
 * Where the loop waits for room, all that is told in one moment waits with it. More than this many messages no wire
 * carries in four seconds; what is told beyond them is lost, so that no moment costs without end.
 */
const mostWaiting = 4_096;

/** What becomes of the queue for which a message is too much; null: that message is lost. */
function roomFor(was: SentMidi, bytes: Bytes, on: On): SentMidi | null {
  const { output } = on;
  switch (output.overload) {
    case 'wait':
    case 'merge':
      return was.queue.length < mostWaiting ? was : null;
    case 'newest':
      return null;
    case 'oldest': {
      let now = was;
      // Each turn takes one out: no more than wait.
      while (!hasRoom(now, bytes, output) && now.queue.length > firstWaiting(output)) {
        onWire('lost', now.queue[firstWaiting(output)]!, 0, on);
        now = { ...now, queue: without(now.queue, firstWaiting(output)), lost: now.lost + 1 };
      }
      return now;
    }
  }
}

/** What waits and would only move the same thing to where it no longer is goes. */
function merged(was: SentMidi, bytes: Bytes, { output }: On): SentMidi {
  const from = firstWaiting(output);
  const older = was.queue.findIndex((one, at) => at >= from && movesTheSame(one, bytes));
  return older < 0 ? was : { ...was, queue: without(was.queue, older) };
}

/** Where in the queue: what keeps in step goes before all that waits and does not. */
function placeFor({ queue }: SentMidi, [status]: Bytes, output: Midi): number {
  const from = firstWaiting(output);
  if (!isRealTime(status!)) return queue.length;
  const place = queue.findIndex((one, at) => at >= from && !isRealTime(one[0]!));
  return place < 0 ? queue.length : place;
}

export const waitsForRoom = ({ overload }: Midi) => overload === 'wait' || overload === 'merge';

export function send(was: SentMidi, bytes: Bytes, on: On): SentMidi {
  if (on.output.transport === 'free') return arrived(was, bytes, on);
  const now = on.output.overload === 'merge' ? merged(was, bytes, on) : was;
  // Where the loop waits, room is looked for once all is told.
  const ready = !waitsForRoom(on.output) && hasRoom(now, bytes, on.output) ? now : roomFor(now, bytes, on);
  if (!ready) {
    onWire('lost', bytes, 0, on);
    return { ...was, lost: was.lost + 1 };
  }
  const queued = { ...ready, queue: ready.queue.toSpliced(placeFor(ready, bytes, on.output), 0, bytes) };
  // Over USB what goes before all that waits may go in an earlier frame.
  const first = ready.queue.length === 0 || (isUsb(on.output) && queued.queue[0] === bytes);
  return first ? begin(queued, on) : queued;
}

export const sendAll = (was: SentMidi, messages: readonly Bytes[], on: On): SentMidi =>
  messages.reduce((now, bytes) => send(now, bytes, on), was);

/** Until what waits fits the queue again, µs; 0: it does. */
export function untilRoomUs(is: SentMidi, { output, nowUs, prepared: { frameUs } }: On): number {
  const usb = isUsb(output);
  let over = queuedBytes(waiting(is, output), usb) - output.queueBytes;
  if (over <= 0) return 0;
  let us = is.thereUs - nowUs;
  if (usb) {
    const packets = Math.ceil(over / packetBytes);
    return us + (Math.ceil(packets / packetsInFrame) - 1) * frameUs;
  }
  // The next begins when the one on its way is there: then it waits no longer.
  let status = is.status;
  for (const message of waiting(is, output)) {
    over -= message.length;
    if (over <= 0) break;
    us += bytesOnWire(message, status, output.runningStatus) * byteUs;
    status = statusAfter(status, message);
  }
  return us;
}

/** What is there at once: on a wire one message, over USB as many as a frame has packets for. */
export function nextThere({ queue }: SentMidi, output: Midi): number {
  if (!isUsb(output)) return 1;
  let packets = 0;
  const over = queue.findIndex((one) => (packets += packetsOf(one)) > packetsInFrame);
  // One that alone is more than a frame had as many frames as it needs.
  return over < 0 ? queue.length : Math.max(1, over);
}
