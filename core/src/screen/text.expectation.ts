import { lineSchema, wholeSchema } from '../gadget/index.ts';
import { defineExpectation } from '../output/index.ts';
import type { TextEntry } from './paged.ts';

/** The row holds this text somewhere; empty: the row is blank. */
export const text = defineExpectation<TextEntry>()({
  kind: 'text',
  // What is written in characters over the pages of a display of pixels.
  also: ['screen'],
  fields: { row: wholeSchema(0, 7), text: lineSchema(80) },
  lanes: ['text'],
  before: () => '',
  value: (entry, { row }) => (entry.row === row ? entry.text : undefined),
  seen: ({ row, text }) => ({ row, text: text.trim().slice(0, 80) }),
  holds: ({ text }, value) => (text === '' ? String(value).trim() === '' : String(value).includes(text)),
});
