import * as z from 'zod';
import { lineSchema } from '../gadget/index.ts';
import { defineExpectation } from '../output/index.ts';
import type { TypistEntry } from './typist.output.ts';

/** What was typed last has this text in it, or this key went down or up last; empty: anything did. */
export const typist = defineExpectation<TypistEntry>()({
  kind: 'typist',
  fields: { text: lineSchema(80), what: z.enum(['types', 'presses', 'releases']) },
  lanes: ['typed', 'key'],
  before: () => '',
  value: (entry, { what }) => {
    if (entry.lane === 'typed') return what === 'types' ? entry.text : undefined;
    if (what === 'types' || entry.down !== (what === 'presses')) return undefined;
    return entry.key;
  },
  seen: (entry) =>
    entry.lane === 'typed'
      ? { what: 'types', text: entry.text.slice(0, 80) }
      : { what: entry.down ? 'presses' : 'releases', text: entry.key },
  holds: ({ text, what }, value) =>
    value !== '' && (text === '' || (what === 'types' ? String(value).includes(text) : value === text)),
});
