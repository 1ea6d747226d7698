import type { Trigger } from '../gadget/index.ts';

type Awaited = Extract<Trigger, { kind: 'midi' }>;

/** Kinds of message by the upper half of their status byte. Source: MIDI 1.0, channel voice messages. */
const kinds: Record<number, Awaited['message']> = {
  0x8: 'noteOff',
  0x9: 'noteOn',
  0xb: 'control',
  0xc: 'program',
};

/** Whether a whole message is one that the trigger waits for. A note-on at velocity 0 is a note-off. */
export function isMessage(bytes: readonly number[], { message, channel, number }: Awaited): boolean {
  const [status = 0, first, second] = bytes;
  const kind = kinds[status >> 4];
  const said = kind === 'noteOn' && second === 0 ? 'noteOff' : kind;
  return (
    said === message &&
    (channel === null || (status & 0xf) + 1 === channel) &&
    (number === null || first === number)
  );
}
