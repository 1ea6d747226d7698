import type { MidiMessage } from '../gadget/index.ts';
import { clamp } from '../kernel/index.ts';

/** Status bytes of messages on channel 1. Source: MIDI 1.0, table of channel voice messages. */
const status = { noteOn: 0x90, noteOff: 0x80, control: 0xb0, program: 0xc0 } as const;

export const sevenBits = (value: number): number => clamp(value, 0, 127);

/**
 * The bytes of a message; a program has no second number.
 * @param channel 1 to 16
 * @param first and second: held inside 0 to 127
 */
export function messageBytes(message: MidiMessage, channel: number, first: number, second: number): number[] {
  const bytes = [status[message] + channel - 1, sevenBits(first)];
  return message === 'program' ? bytes : [...bytes, sevenBits(second)];
}

/** Kinds of message by the upper half of their status byte. */
const kinds = new Map(Object.entries(status).map(([message, byte]) => [byte >> 4, message as MidiMessage]));

/** What kind of message begins with that byte; undefined: none of these. */
export const kindOfStatus = (byte: number): MidiMessage | undefined => kinds.get(byte >> 4);

/** Whether a whole message is one that is waited for; null: any. A note-on at velocity 0 is a note-off. */
export function isMessage(
  bytes: readonly number[],
  { message, channel, number }: { message: MidiMessage; channel: number | null; number: number | null },
): boolean {
  const [first = 0, second, third] = bytes;
  const kind = kindOfStatus(first);
  const said = kind === 'noteOn' && third === 0 ? 'noteOff' : kind;
  return (
    said === message &&
    (channel === null || (first & 0xf) + 1 === channel) &&
    (number === null || second === number)
  );
}

/** Controllers that end all sound or all notes of a channel. Source: MIDI 1.0, channel mode messages. */
export const endsAllNotes = (controller: number): boolean => controller === 120 || controller === 123;

/** What a message carries for a rule that hears it: its note, controller or program; velocity or value; channel from 1. */
export const carriedBy = ([first = 0, second = 0, third = 0]: readonly number[]): number[] => [
  second,
  third,
  (first & 0xf) + 1,
];
