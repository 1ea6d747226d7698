import { lineSchema } from '../gadget/index.ts';
import { defineExpectation } from '../output/index.ts';
import type { ScreenEntry } from './screen.output.ts';

/** A text on the page that is shown holds this; empty: there is no text on it, or no page. */
export const screen = defineExpectation<ScreenEntry>()({
  kind: 'screen',
  fields: { text: lineSchema(80) },
  lanes: ['screen'],
  before: () => '',
  value: (entry) => (entry.lane === 'screen' ? entry.texts.join('\n') : undefined),
  seen: (entry) => (entry.lane === 'screen' ? { text: (entry.texts[0] ?? '').trim().slice(0, 80) } : null),
  holds: ({ text }, value) => (text === '' ? value === '' : String(value).includes(text)),
});
