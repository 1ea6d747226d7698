import type * as z from 'zod';
import { limits } from '../gadget/limits.ts';
import { constant, expression, list, outputDocument, template } from '../gadget/outputDocument.ts';
import { lineSchema, wholeSchema } from '../gadget/primitives.schema.ts';

/** Row counted from 0; one beyond the display is shown nowhere, and is a snag. */
const row = constant(wholeSchema(0, limits.displayRows - 1));

export const text = outputDocument(
  'text',
  {
    columns: wholeSchema(1, limits.displayColumns),
    rows: wholeSchema(1, limits.displayRows),
  },
  {
    text: { row, text: template },
    /** A few characters at a place of their own; what falls outside the display is not seen. */
    sprite: { row: expression, column: expression, text: template },
    /** A list as one row: each place shows the glyph of its number; beyond the last, the last. */
    listRow: {
      row,
      variableId: list,
      glyphs: constant(lineSchema(32).min(1, 'expected at least one glyph')),
    },
  },
  {
    reaches: 'eyes',
    leaves: (action) => (action.kind === 'text' ? (action.text.trim() === '' ? 'dark' : 'lit') : null),
    fresh: ({ digits }) => (digits === undefined ? { columns: 16, rows: 2 } : { columns: digits, rows: 1 }),
  },
);

export type TextDisplay = z.infer<typeof text.schema>;
