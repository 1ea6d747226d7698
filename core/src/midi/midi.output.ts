import { partOf, type ActionKindOf, type MidiMessage, type OutputActionOf } from '../gadget/index.ts';
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
  type Holding,
  type Job,
} from '../output/index.ts';
import type { OrderOf } from '../flow/index.ts';
import {
  endsAllNotes,
  exclusiveBytes,
  fineBytes,
  messageBytes,
  releaseVelocity,
  sevenBits,
  syncByte,
} from './message.ts';
import { figuresOf } from '../parts/index.ts';
import { endPassed, isPassed, passOn } from './passing.ts';
import { received, silentReceiver } from './receiver.ts';
import { goneAt, nobodySensed } from './sensing.ts';
import {
  arrived,
  begin,
  goneThere,
  hexBytes,
  isUsb,
  nextThere,
  onWire,
  send,
  sendAll,
  sensed,
  untilRoomUs,
  waitsForRoom,
  type MidiEntry,
  type On,
  type Planned,
  type Prepared,
  type SentMidi,
} from './sending.ts';
import { byteUs, usualFrameUs } from './wire.ts';

interface Message {
  message: MidiMessage;
  channel: number;
  /** Of an action as text: only its order knows which note. */
  first: number | string;
  second: number | string;
}

type Rest = Exclude<ActionKindOf<'midi'>, 'midi'>;
type Said = ({ kind: 'midi' } & Message) | OrderOf<Rest> | OutputActionOf<Rest>;

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
    case 'pass':
    case 'sync':
    case 'fine':
    case 'exclusive':
      return null;
  }
}

function heldByMessage({ message, channel, first, second }: Message): Holding | null {
  const what = String(channel);
  if (message === 'control') return endsAllNotes(Number(first)) ? { what, which: null, how: 'ends' } : null;
  if (message !== 'noteOn' && message !== 'noteOff') return null;
  const ends = message === 'noteOff' || Number(second) === 0;
  return { what, which: sevenBits(Number(first)), how: ends ? 'ends' : 'begins' };
}

const clamped = (velocity: number) => Math.max(1, Math.min(127, velocity));

/** A key holds its notes no longer; those that another holds may sound on. */
function letGo(was: SentMidi, { key, notes, channel }: HeldKey, on: On): SentMidi {
  const held = withoutKey(was.held, key);
  const ended = notes.filter(
    (note) =>
      on.output.shared === 'first' || !(isHeldBy(held, note, channel) || isPassed(was, note, channel)),
  );
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

const isVoid = (was: SentMidi, what: Planned): boolean =>
  'gone' in what ? was.sensed[what.gone] !== what.count : was.order !== what.order || was.queue.length === 0;

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
    passes: null,
    passed: [],
    order: 0,
    sensed: nobodySensed,
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
      case 'pass':
        return { ...was, passes: order.what };
      case 'sync':
        return send(was, [syncByte(order.what)], on);
      case 'fine':
        return sendAll(was, fineBytes(order.channel, order.controller, order.value), on);
      case 'exclusive':
        return send(was, exclusiveBytes(order.bytes), on);
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
  heard: (was, bytes, on) => passOn(sensed(was, 'here', bytes, on), bytes, on),
  upkeep: null,
  stirred: null,
  due(was, what, on) {
    if (isVoid(was, what)) return was;
    if ('gone' in what)
      return what.gone === 'there'
        ? goneThere(was, on)
        : endPassed({ ...was, sensed: goneAt(was.sensed, 'here') }, on);
    const there = was.queue.slice(0, nextThere(was, on.output));
    const left = there.reduce((now, bytes) => arrived(now, bytes, on), was);
    return begin({ ...left, queue: was.queue.slice(there.length) }, on);
  },
  isVoid,
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
