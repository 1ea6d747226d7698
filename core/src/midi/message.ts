import {
  isSync,
  singleMessages,
  syncMessages,
  type HeardMessage,
  type MidiMessage,
  type SyncMessage,
} from '../gadget/index.ts';
import { clamp } from '../kernel/index.ts';

/** Status bytes on channel 1. Source: MIDI 1.0, table of channel voice messages. */
const statuses: Readonly<Record<MidiMessage, number>> = {
  noteOff: 0x80,
  noteOn: 0x90,
  keyPressure: 0xa0,
  control: 0xb0,
  program: 0xc0,
  pressure: 0xd0,
  bend: 0xe0,
};

/** Messages of one byte, which may fall inside any other. Source: MIDI 1.0, system real-time messages. */
const syncBytes: Readonly<Record<SyncMessage, number>> = {
  clock: 0xf8,
  start: 0xfa,
  continue: 0xfb,
  stop: 0xfc,
};
export const syncByte = (message: SyncMessage): number => syncBytes[message];
const syncs = new Map(syncMessages.map((message) => [syncBytes[message], message]));
/** undefined: none of these. */
export const syncOfStatus = (byte: number): SyncMessage | undefined => syncs.get(byte);

/** Clock, start, continue, stop, active sensing and reset. */
export const isRealTime = (byte: number): boolean => byte >= 0xf8;
export const [exclusiveBegins, exclusiveEnds] = [0xf0, 0xf7] as const;

/** What a note-off says of how it was let go: nothing. Source: the standard's value for keys that do not measure it. */
export const releaseVelocity = 64;

/** How many numbers a message says. */
export const numbersOf = (message: HeardMessage): 0 | 1 | 2 =>
  isSync(message) ? 0 : singleMessages.has(message) ? 1 : 2;

/** The most that its first number can be: a bend has fourteen bits. */
export const mostOf = (message: HeardMessage): number => (message === 'bend' ? 16_383 : 127);

export const sevenBits = (value: number): number => clamp(value, 0, 127);

/**
 * The bytes of a message.
 * @param channel 1 to 16
 * @param first held inside 0 to 127, or 0 to 16383 for a bend, whose lower seven bits go first
 * @param second held inside 0 to 127; of a message with one number it says nothing
 */
export function messageBytes(message: MidiMessage, channel: number, first: number, second: number): number[] {
  const status = statuses[message] + channel - 1;
  if (message === 'bend') {
    const wide = clamp(first, 0, mostOf(message));
    return [status, wide & 0x7f, wide >> 7];
  }
  return [status, sevenBits(first), ...(numbersOf(message) === 2 ? [sevenBits(second)] : [])];
}

/**
 * A controller in steps of 1/16384: the upper seven bits as itself, the lower ones as controller + 32. Source: MIDI 1.0.
 * @param controller held inside 0 to 31
 * @param value held inside 0 to 16383
 */
export function fineBytes(channel: number, controller: number, value: number): number[][] {
  const [number, wide] = [clamp(controller, 0, 31), clamp(value, 0, 16_383)];
  return [
    messageBytes('control', channel, number, wide >> 7),
    messageBytes('control', channel, number + 32, wide & 0x7f),
  ];
}

/** @param between its ends, each 0 to 127 */
export const exclusiveBytes = (between: readonly number[]): number[] => [
  exclusiveBegins,
  ...between,
  exclusiveEnds,
];

/** Kinds of message by the upper half of their status byte. */
const kinds = new Map(
  Object.entries(statuses).map(([message, status]) => [status >> 4, message as MidiMessage]),
);

/** Channel of drums, which have no pitch. Source: General MIDI. */
export const drumChannel = 10;

/** What kind of message begins with that byte; undefined: none of a channel. */
export const kindOfStatus = (byte: number): MidiMessage | undefined => kinds.get(byte >> 4);

/** How many bytes follow a status byte of a channel: 1 or 2. */
export const dataBytes = (status: number): number => ((status & 0xe0) === statuses.program ? 1 : 2);

/**
 * What a message carries for a rule that hears it: its note, controller, program, pressure or bend; velocity, value or
 * pressure, 0 where it has no second number; channel from 1.
 */
export function carriedBy([status = 0, first = 0, second = 0]: readonly number[]): number[] {
  const channel = (status & 0xf) + 1;
  return kindOfStatus(status) === 'bend' ? [first | (second << 7), 0, channel] : [first, second, channel];
}

/** What a message says; of no channel: 0. */
export interface MessageHeard {
  message: HeardMessage;
  channel: number;
  first: number;
  second: number;
}

/**
 * A whole message of a channel, or one that keeps in step, as what it says; null: it is neither. A note-on at velocity 0
 * is a note-off.
 */
export function heardMessage(bytes: readonly number[]): MessageHeard | null {
  const status = bytes[0] ?? 0;
  const sync = syncOfStatus(status);
  if (sync) return { message: sync, channel: 0, first: 0, second: 0 };
  const kind = kindOfStatus(status);
  if (!kind) return null;
  const [first = 0, second = 0, channel = 1] = carriedBy(bytes);
  return { message: kind === 'noteOn' && second === 0 ? 'noteOff' : kind, channel, first, second };
}

/** A message that a rule waits for; null: any. */
export interface AwaitedMessage {
  message: HeardMessage;
  channel: number | null;
  number: number | null;
}

/** One that it waits for; where it takes any, on channel 1, with middle C and a middling velocity. */
export const exampleOf = ({ message, channel, number }: AwaitedMessage): number[] =>
  isSync(message) ? [syncByte(message)] : messageBytes(message, channel ?? 1, number ?? 60, 100);

/** Whether a whole message is one that is waited for; null: any. A note-on at velocity 0 is a note-off. */
export function isMessage(bytes: readonly number[], { message, channel, number }: AwaitedMessage): boolean {
  const heard = heardMessage(bytes);
  return (
    heard?.message === message &&
    (channel === null || heard.channel === channel) &&
    (number === null || heard.first === number)
  );
}

/** Controllers that end all sound or all notes of a channel. Source: MIDI 1.0, channel mode messages. */
export const endsAllNotes = (controller: number): boolean => controller === 120 || controller === 123;
