import * as z from 'zod';
import { midiMessages, wholeSchema } from '../gadget/index.ts';
import { defineExpectation } from '../output/index.ts';
import { kindOfStatus, messageBytes } from './message.ts';
import { hexBytes, type MidiEntry } from './midi.output.ts';

/** What was sent last. */
export const midi = defineExpectation<MidiEntry>()({
  kind: 'midi',
  fields: {
    message: z.enum(midiMessages),
    channel: wholeSchema(1, 16),
    first: wholeSchema(0, 127),
    /** null: whatever it is; a program has none. */
    second: wholeSchema(0, 127).nullable(),
  },
  lanes: ['midi'],
  before: () => '',
  value: ({ bytes }) => hexBytes(bytes),
  seen({ bytes: [status = 0, first = 0, second] }) {
    const message = kindOfStatus(status);
    return message ? { message, channel: (status & 0xf) + 1, first, second: second ?? null } : null;
  },
  holds: ({ message, channel, first, second }, value) => {
    const wanted = hexBytes(messageBytes(message, channel, first, second ?? 0));
    return second === null ? String(value).slice(0, 5) === wanted.slice(0, 5) : value === wanted;
  },
});
