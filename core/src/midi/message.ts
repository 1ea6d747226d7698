import { singleMessages, type MidiMessage } from '../gadget/index.ts';
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

/** How many numbers a message says. */
export const numbersOf = (message: MidiMessage): 1 | 2 => (singleMessages.has(message) ? 1 : 2);

/** The most that its first number can be: a bend has fourteen bits. */
export const mostOf = (message: MidiMessage): number => (message === 'bend' ? 16_383 : 127);

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

/** A whole message of a channel as what it says; null: it is none. A note-on at velocity 0 is a note-off. */
export function heardMessage(
  bytes: readonly number[],
): { message: MidiMessage; channel: number; first: number; second: number } | null {
  const kind = kindOfStatus(bytes[0] ?? 0);
  if (!kind) return null;
  const [first = 0, second = 0, channel = 1] = carriedBy(bytes);
  return { message: kind === 'noteOn' && second === 0 ? 'noteOff' : kind, channel, first, second };
}

/** Whether a whole message is one that is waited for; null: any. A note-on at velocity 0 is a note-off. */
export function isMessage(
  bytes: readonly number[],
  { message, channel, number }: { message: MidiMessage; channel: number | null; number: number | null },
): boolean {
  const heard = heardMessage(bytes);
  return (
    heard?.message === message &&
    (channel === null || heard.channel === channel) &&
    (number === null || heard.first === number)
  );
}

/** Controllers that end all sound or all notes of a channel. Source: MIDI 1.0, channel mode messages. */
export const endsAllNotes = (controller: number): boolean => controller === 120 || controller === 123;
