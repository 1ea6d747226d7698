import { partOf, type Midi, type MidiMessage, type OutputActionOf } from '../gadget/index.ts';
import {
  defineOutput,
  inBackground,
  isHeldBy,
  isKeyOrNote,
  keyHeld,
  noJobs,
  notesInRow,
  withKey,
  withoutKey,
  type HeldKey,
  type HeldKeys,
  type Holding,
  type Job,
  type Stage,
} from '../output/index.ts';
import type { OrderOf } from '../flow/index.ts';
import { endsAllNotes, kindOfStatus, messageBytes, sevenBits } from './message.ts';
import { figuresOf } from '../parts/index.ts';
import { received, silentReceiver, type Receiver } from './receiver.ts';
import { byteUs, bytesOnWire, packetsInFrame, queuedBytes, usualFrameUs } from './wire.ts';

type Bytes = readonly number[];

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
  /** Counts what was planned. */
  order: number;
}

export type MidiEntry =
  /** A whole message has arrived at the other end. */
  | { lane: 'midi'; bytes: number[] }
  /** It begins to go over the wire, as so many bytes; or nobody will ever hear it. */
  | { lane: 'midiWire'; what: 'begins' | 'lost'; bytes: number[]; wireBytes: number };
type Planned = { order: number };
export interface Prepared {
  /** How often a computer asks. */
  frameUs: number;
}
type On = Stage<'midi', MidiEntry, Planned, Prepared>;

/** Bytes as a wire's reader writes them. */
export const hexBytes = (bytes: Bytes): string =>
  bytes.map((byte) => byte.toString(16).padStart(2, '0')).join(' ');

interface Message {
  message: MidiMessage;
  channel: number;
  /** Of an action as text: only its order knows which note. */
  first: number | string;
  second: number | string;
}

type Said = ({ kind: 'midi' } & Message) | OrderOf<'play' | 'letGo' | 'letAllGo'> | OutputActionOf<KeyAction>;
type KeyAction = 'play' | 'letGo' | 'letAllGo';

/** Notes that keys hold are one thing, whatever channel they are on: which of it is which key. */
const ofKeys = 'keys';

/** What is done to the notes that sound. A note-on at velocity 0 is a note-off. */
function heldBy(said: Said): Holding | null {
  switch (said.kind) {
    case 'midi':
      return heldByMessage(said);
    case 'play':
      // One that a second press lets go may be meant to stay.
      return said.again === 'strike' ? { what: ofKeys, which: Number(said.key), how: 'begins' } : null;
    case 'letGo':
      return { what: ofKeys, which: Number(said.key), how: 'ends' };
    case 'letAllGo':
      return { what: ofKeys, which: null, how: 'ends' };
  }
}

function heldByMessage({ message, channel, first, second }: Message): Holding | null {
  const what = String(channel);
  if (message === 'control') return endsAllNotes(Number(first)) ? { what, which: null, how: 'ends' } : null;
  if (message !== 'noteOn' && message !== 'noteOff') return null;
  const ends = message === 'noteOff' || Number(second) === 0;
  return { what, which: sevenBits(Number(first)), how: ends ? 'ends' : 'begins' };
}

function arrived(was: SentMidi, bytes: Bytes, on: On): SentMidi {
  on.trace({ atUs: on.nowUs, lane: 'midi', id: on.id, bytes: [...bytes] });
  return {
    ...was,
    last: bytes,
    receiver: received(was.receiver, bytes),
  };
}

const onWire = (what: 'begins' | 'lost', bytes: Bytes, wireBytes: number, on: On) =>
  on.trace({ atUs: on.nowUs, lane: 'midiWire', id: on.id, what, bytes: [...bytes], wireBytes });

const isUsb = ({ transport }: Midi) => transport === 'usb';
/** Where in the queue that begins which waits: behind what is on its way. */
const firstWaiting = (output: Midi): number => (isUsb(output) ? 0 : 1);
const waiting = ({ queue }: SentMidi, output: Midi): readonly Bytes[] => queue.slice(firstWaiting(output));

/** Sees to it that the first of the queue gets there. */
function begin(was: SentMidi, on: On): SentMidi {
  const [first] = was.queue;
  if (!first) return was;
  const planned = (afterUs: number, status: number): SentMidi => {
    on.plan(afterUs, { order: was.order + 1 });
    return { ...was, status, thereUs: on.nowUs + afterUs, order: was.order + 1 };
  };
  const { frameUs } = on.prepared;
  if (isUsb(on.output)) return planned(frameUs - (on.nowUs % frameUs), 0);
  const wireBytes = bytesOnWire(first, was.status, on.output.runningStatus);
  onWire('begins', first, wireBytes, on);
  return planned(wireBytes * byteUs, first[0]!);
}

/** Whether two messages move the same thing, so that the later one is all that counts: never notes or programs. */
function movesTheSame([status, first]: Bytes, [other, second]: Bytes): boolean {
  const kind = kindOfStatus(status!);
  if (status !== other || kind === 'noteOn' || kind === 'noteOff' || kind === 'program') return false;
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

const waitsForRoom = ({ overload }: Midi) => overload === 'wait' || overload === 'merge';

function send(was: SentMidi, bytes: Bytes, on: On): SentMidi {
  if (on.output.transport === 'free') return arrived(was, bytes, on);
  const now = on.output.overload === 'merge' ? merged(was, bytes, on) : was;
  // Where the loop waits, room is looked for once all is told.
  const ready = !waitsForRoom(on.output) && hasRoom(now, bytes, on.output) ? now : roomFor(now, bytes, on);
  if (!ready) {
    onWire('lost', bytes, 0, on);
    return { ...was, lost: was.lost + 1 };
  }
  const queued = { ...ready, queue: [...ready.queue, bytes] };
  return ready.queue.length === 0 ? begin(queued, on) : queued;
}

const clamped = (velocity: number) => Math.max(1, Math.min(127, velocity));
/** What a note-off says of how it was let go: nothing. Source: the standard's value for keys that do not measure it. */
const releaseVelocity = 64;

const sendAll = (was: SentMidi, messages: readonly Bytes[], on: On): SentMidi =>
  messages.reduce((now, bytes) => send(now, bytes, on), was);

/** A key holds its notes no longer; those that another holds may sound on. */
function letGo(was: SentMidi, { key, notes, channel }: HeldKey, on: On): SentMidi {
  const held = withoutKey(was.held, key);
  const ended = notes.filter((note) => on.output.shared === 'first' || !isHeldBy(held, note, channel));
  return sendAll(
    { ...was, held },
    ended.map((note) => messageBytes('noteOff', channel, note, releaseVelocity)),
    on,
  );
}

function play(was: SentMidi, order: OrderOf<'play'>, on: On): SentMidi {
  const { key, channel, velocity } = order;
  const sounding = keyHeld(was.held, key);
  const quiet = sounding ? letGo(was, sounding, on) : was;
  if (sounding && order.again === 'letGo') return quiet;
  const notes = notesInRow(order.rows, order.row, order.by);
  if (notes.length === 0 || !isKeyOrNote(key)) return quiet;
  return sendAll(
    { ...quiet, held: withKey(quiet.held, { key, notes, channel }) },
    notes.map((note) => messageBytes('noteOn', channel, note, clamped(velocity))),
    on,
  );
}

/** Until what waits fits the queue again, µs; 0: it does. */
function untilRoomUs(is: SentMidi, { output, nowUs, prepared: { frameUs } }: On): number {
  const usb = isUsb(output);
  let over = queuedBytes(waiting(is, output), usb) - output.queueBytes;
  if (over <= 0) return 0;
  let us = is.thereUs - nowUs;
  if (usb) {
    const packets = Math.ceil(over / queuedBytes([[]], true));
    return us + (Math.ceil(packets / packetsInFrame) - 1) * frameUs;
  }
  // The next begins when the one on its way is there: then it waits no longer.
  let status = is.status;
  for (const message of waiting(is, output)) {
    over -= message.length;
    if (over <= 0) break;
    us += bytesOnWire(message, status, output.runningStatus) * byteUs;
    status = message[0]!;
  }
  return us;
}

export const midi = defineOutput<'midi', SentMidi, MidiEntry, Planned, Prepared>({
  kind: 'midi',
  prepare({ id }, gadget) {
    const part = partOf(gadget, id);
    return { frameUs: (part && figuresOf(part)['frameUs']) ?? usualFrameUs };
  },
  dark: () => ({
    kind: 'midi',
    last: null,
    receiver: silentReceiver,
    queue: [],
    thereUs: 0,
    status: 0,
    lost: 0,
    held: [],
    order: 0,
  }),
  apply(was, order, on) {
    switch (order.kind) {
      case 'midi':
        return send(was, messageBytes(order.message, order.channel, order.first, order.second), on);
      case 'play':
        return play(was, order, on);
      case 'letGo': {
        const held = keyHeld(was.held, order.key);
        return held ? letGo(was, held, on) : was;
      }
      case 'letAllGo':
        return was.held.reduce((now, held) => letGo(now, held, on), was);
    }
  },
  jobs(was, is, on) {
    const { output } = on;
    const before = new Set(was.queue);
    const added = is.queue.filter((bytes) => !before.has(bytes)).reduce((sum, { length }) => sum + length, 0);
    if (added === 0) return noJobs;
    const us = waitsForRoom(output) ? untilRoomUs(is, on) : 0;
    const room: Job[] = us > 0 ? [{ us, how: 'blocking', cuttable: false, deaf: false }] : [];
    return [...room, ...(isUsb(output) ? [] : inBackground(added * byteUs))];
  },
  upkeep: null,
  stirred: null,
  due(was, { order }, on) {
    if (was.order !== order) return was;
    const there = was.queue.slice(0, isUsb(on.output) ? packetsInFrame : 1);
    const left = there.reduce((now, bytes) => arrived(now, bytes, on), was);
    return begin({ ...left, queue: was.queue.slice(there.length) }, on);
  },
  isVoid: (was, { order }) => was.order !== order || was.queue.length === 0,
  /** What was on its way never arrives. */
  powerOff({ queue }, on) {
    for (const bytes of queue) onWire('lost', bytes, 0, on);
  },
  adopt: (was) => was,
  later: (was, byUs) => ({ ...was, thereUs: was.thereUs + byUs }),
  loads: () => false,
  lit: null,
  held: {
    by: heldBy,
    /** Also by what is on its way. */
    now: ({ receiver, queue, held }, what) =>
      what === ofKeys
        ? held.length > 0
        : queue.reduce(received, receiver).sounding.some((one) => String(one.channel) === what),
    names: { play: ['key'] },
  },
  look: ({ last }) => last && hexBytes(last),
});
