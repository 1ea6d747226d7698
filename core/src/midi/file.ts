import { dataBytes } from './message.ts';

/** What stands in a track, so many ticks after what stands before it. */
export type FileEvent = { delta: number } &
  /** A message of a channel, number by number; second is -1 where it has none. */
  (
    | { kind: 'channel'; status: number; first: number; second: number }
    | { kind: 'meta'; type: number; data: readonly number[] }
    /** A system exclusive from 0xf0 on, or bytes as they are (0xf7). */
    | { kind: 'exclusive'; start: 0xf0 | 0xf7; data: readonly number[] }
  );

/** A Standard MIDI File. */
export interface MidiFile {
  /** One track; tracks side by side; tracks one after the other. */
  format: 0 | 1 | 2;
  /** As it is written: ticks in a quarter note, or above 0x8000 frames and ticks of a frame. */
  division: number;
  tracks: readonly (readonly FileEvent[])[];
}

export type MidiFileRead = { outcome: 'read'; file: MidiFile } | { outcome: 'faulty'; message: string };

/** Numbers of up to four bytes, seven bits each. Source: Standard MIDI Files 1.0. */
const mostLength = 0x0fff_ffff;
/** A file of more than that is no tune: it is refused before it is looked at. */
export const mostFileBytes = 16_000_000;
/** Ends a track. */
const endOfTrack = 0x2f;

class Fault extends Error {}

class Reader {
  constructor(
    private readonly bytes: Uint8Array,
    public at: number,
    private readonly end: number,
  ) {}

  get atEnd(): boolean {
    return this.at >= this.end;
  }

  byte(what: string): number {
    if (this.at >= this.end) throw new Fault(`Expected ${what} at byte ${this.at}, where the data end.`);
    return this.bytes[this.at++]!;
  }

  number(count: number, what: string): number {
    let value = 0;
    for (let n = 0; n < count; n += 1) value = value * 256 + this.byte(what);
    return value;
  }

  length(what: string): number {
    const from = this.at;
    let value = 0;
    for (let n = 0; n < 4; n += 1) {
      const byte = this.byte(what);
      value = (value << 7) | (byte & 0x7f);
      if (byte < 0x80) return value;
    }
    throw new Fault(`Expected ${what} of at most four bytes at byte ${from}.`);
  }

  piece(count: number, what: string): Uint8Array {
    if (count > this.end - this.at)
      throw new Fault(
        `Expected ${count} bytes of ${what} at byte ${this.at}; ${this.end - this.at} are left.`,
      );
    this.at += count;
    return this.bytes.subarray(this.at - count, this.at);
  }
}

/** Written out for channel messages, which are nearly all that files have; what is rare goes by the reader. */
function readTrack(bytes: Uint8Array, from: number, end: number): FileEvent[] {
  const events: FileEvent[] = [];
  const reader = new Reader(bytes, from, end);
  let [at, status, wanted] = [from, 0, 0];
  // Each turn takes at least two bytes.
  while (at < end) {
    let delta = bytes[at]!;
    if (delta < 0x80) at += 1;
    else {
      reader.at = at;
      delta = reader.length('a time');
      at = reader.at;
    }
    // Behind the end there is nothing, which is no head of anything.
    const head = at < end ? bytes[at]! : 0x100;
    if (head < 0xf0) {
      if (head >= 0x80) {
        status = head;
        wanted = dataBytes(head);
        at += 1;
      } else if (status === 0)
        throw new Fault(`Expected a status byte at byte ${at}, got 0x${head.toString(16).padStart(2, '0')}.`);
      const first = bytes[at]!;
      const second = wanted === 2 ? bytes[at + 1]! : -1;
      if (at + wanted > end || first >= 0x80 || second >= 0x80) throw unfinished(bytes, at, wanted, end);
      at += wanted;
      events.push({ delta, kind: 'channel', status, first, second });
      continue;
    }
    status = 0;
    reader.at = at;
    reader.byte('an event');
    if (head === 0xff) {
      const type = reader.byte('the kind of a meta event');
      const data = [...reader.piece(reader.length('a length'), 'a meta event')];
      events.push({ delta, kind: 'meta', type, data });
      // What stands behind the end of a track belongs to no one.
      if (type === endOfTrack) return events;
    } else if (head === 0xf0 || head === 0xf7) {
      const data = [...reader.piece(reader.length('a length'), 'a system exclusive')];
      events.push({ delta, kind: 'exclusive', start: head, data });
    } else throw new Fault(`Expected an event at byte ${at}, got 0x${head.toString(16)}, which no file has.`);
    at = reader.at;
  }
  return events;
}

/** What is wrong with the numbers of a message: one is no number, or the data end before it. */
function unfinished(bytes: Uint8Array, from: number, wanted: number, end: number): Fault {
  for (let at = from; at < from + wanted; at += 1) {
    if (at >= end) return new Fault(`Expected a number of a message at byte ${at}, where the data end.`);
    if (bytes[at]! >= 0x80) return new Fault(`Expected a number below 128 at byte ${at}, got ${bytes[at]!}.`);
  }
  return new Fault(`Expected a message at byte ${from}.`);
}

const nameOf = (bytes: Uint8Array) => String.fromCharCode(...bytes);

function readWhole(bytes: Uint8Array): MidiFile {
  const reader = new Reader(bytes, 0, bytes.length);
  if (nameOf(reader.piece(Math.min(4, bytes.length), 'a file')) !== 'MThd')
    throw new Fault('Expected a Standard MIDI File, which begins with MThd.');
  const headBytes = reader.number(4, 'the length of the head');
  if (headBytes < 6) throw new Fault(`Expected a head of at least 6 bytes, got ${headBytes}.`);
  const head = reader.at;
  const format = reader.number(2, 'a format');
  const count = reader.number(2, 'how many tracks there are');
  const division = reader.number(2, 'a division');
  if (format !== 0 && format !== 1 && format !== 2)
    throw new Fault(`Expected format 0, 1 or 2, got ${format}.`);
  if (division === 0) throw new Fault('Expected a division of at least one tick to a quarter note, got 0.');
  reader.at = head;
  reader.piece(headBytes, 'the head');
  const tracks: FileEvent[][] = [];
  // Each turn takes the eight bytes of a chunk's head at least.
  while (!reader.atEnd && tracks.length < count) {
    const kind = nameOf(reader.piece(4, 'a chunk'));
    const length = reader.number(4, 'the length of a chunk');
    const from = reader.at;
    reader.piece(length, `chunk ${JSON.stringify(kind)}`);
    // Others are for programs that know them. Source: Standard MIDI Files 1.0.
    if (kind === 'MTrk') tracks.push(readTrack(bytes, from, from + length));
  }
  if (tracks.length < count) throw new Fault(`Expected ${count} tracks, got ${tracks.length}.`);
  return { format, division, tracks };
}

/** Reads a Standard MIDI File; what is wrong with it is said with its place, and nothing is thrown. */
export function readMidiFile(bytes: Uint8Array): MidiFileRead {
  if (bytes.length > mostFileBytes)
    return { outcome: 'faulty', message: `Expected a file of at most ${mostFileBytes / 1_000_000} MB.` };
  try {
    return { outcome: 'read', file: readWhole(bytes) };
  } catch (error) {
    if (error instanceof Fault) return { outcome: 'faulty', message: error.message };
    throw error;
  }
}

function putLength(into: number[], value: number): void {
  if (!Number.isInteger(value) || value < 0 || value > mostLength)
    throw new RangeError(`expected a whole number from 0 to ${mostLength}, got ${value}`);
  if (value > 0x1f_ffff) into.push(0x80 | (value >> 21));
  if (value > 0x3fff) into.push(0x80 | ((value >> 14) & 0x7f));
  if (value > 0x7f) into.push(0x80 | ((value >> 7) & 0x7f));
  into.push(value & 0x7f);
}

const putAll = (into: number[], data: readonly number[]) => {
  for (const byte of data) into.push(byte);
};

function trackBytes(events: readonly FileEvent[], runningStatus: boolean): number[] {
  const into: number[] = [];
  let status = 0;
  for (const event of events) {
    putLength(into, event.delta);
    if (event.kind === 'channel') {
      if (!(runningStatus && event.status === status)) into.push(event.status);
      into.push(event.first);
      if (event.second >= 0) into.push(event.second);
      status = event.status;
      continue;
    }
    status = 0;
    if (event.kind === 'meta') into.push(0xff, event.type);
    else into.push(event.start);
    putLength(into, event.data.length);
    putAll(into, event.data);
  }
  const last = events.at(-1);
  if (!(last?.kind === 'meta' && last.type === endOfTrack)) into.push(0, 0xff, endOfTrack, 0);
  return into;
}

const four = (text: string): number[] => [...text].map((letter) => letter.charCodeAt(0));
const big = (value: number, bytes: number): number[] =>
  Array.from({ length: bytes }, (_, n) => Math.floor(value / 256 ** (bytes - 1 - n)) % 256);

/**
 * Writes a Standard MIDI File. Tracks that do not end get their end.
 * @throws RangeError for a time or a length beyond four bytes of seven bits
 */
export function writeMidiFile(file: MidiFile, { runningStatus = true } = {}): Uint8Array<ArrayBuffer> {
  const whole = [
    ...four('MThd'),
    ...big(6, 4),
    ...big(file.format, 2),
    ...big(file.tracks.length, 2),
    ...big(file.division, 2),
  ];
  for (const events of file.tracks) {
    const track = trackBytes(events, runningStatus);
    putAll(whole, four('MTrk'));
    putAll(whole, big(track.length, 4));
    putAll(whole, track);
  }
  return Uint8Array.from(whole);
}
