import * as z from 'zod';
import { heardMessages, isSync, wholeSchema } from '../gadget/index.ts';
import { defineExpectation } from '../output/index.ts';
import { carriedBy, kindOfStatus, messageBytes, numbersOf, syncByte, syncOfStatus } from './message.ts';
import { hexBytes, type MidiEntry } from './sending.ts';

/** What was sent last. */
export const midi = defineExpectation<MidiEntry>()({
  kind: 'midi',
  fields: {
    message: z.enum(heardMessages),
    /** Of a message of no channel it says nothing, nor do its numbers. */
    channel: wholeSchema(1, 16),
    /** A bend goes up to 16383. */
    first: wholeSchema(0, 16_383),
    /** null: whatever it is; some have none. */
    second: wholeSchema(0, 127).nullable(),
  },
  lanes: ['midi'],
  before: () => '',
  value: ({ bytes }) => hexBytes(bytes),
  seen({ bytes }) {
    const status = bytes[0] ?? 0;
    const message = kindOfStatus(status) ?? syncOfStatus(status);
    if (!message) return null;
    if (isSync(message)) return { message, channel: 1, first: 0, second: null };
    const [first = 0, second = 0, channel = 1] = carriedBy(bytes);
    return { message, channel, first, second: numbersOf(message) === 2 ? second : null };
  },
  holds: ({ message, channel, first, second }, value) => {
    if (isSync(message)) return value === hexBytes([syncByte(message)]);
    const wanted = hexBytes(messageBytes(message, channel, first, second ?? 0));
    const open = second === null && numbersOf(message) === 2;
    return open ? String(value).slice(0, 5) === wanted.slice(0, 5) : value === wanted;
  },
});
