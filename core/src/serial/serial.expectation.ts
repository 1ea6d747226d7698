import { lineSchema } from '../gadget/index.ts';
import { defineExpectation } from '../output/index.ts';
import type { SerialEntry } from './serial.output.ts';

/** What arrived last has this text in it; empty: anything arrived. */
export const serial = defineExpectation<SerialEntry>()({
  kind: 'serial',
  fields: { text: lineSchema(80) },
  lanes: ['serial'],
  before: () => '',
  value: (entry) => (entry.what === 'ends' ? entry.text : undefined),
  seen: ({ what, text }) => (what === 'ends' ? { text: text.slice(0, 80) } : null),
  holds: ({ text }, value) => value !== '' && String(value).includes(text),
});
