import { lineSchema } from '../gadget/index.ts';
import { defineExpectation } from '../output/index.ts';
import type { TypistEntry } from './typist.output.ts';

/** What was typed last has this text in it; empty: anything was typed. */
export const typist = defineExpectation<TypistEntry>()({
  kind: 'typist',
  fields: { text: lineSchema(80) },
  lanes: ['typed'],
  before: () => '',
  value: ({ text }) => text,
  holds: ({ text }, value) => value !== '' && String(value).includes(text),
});
