import type { OrderOf } from '../flow/index.ts';
import type { ActionKindOf } from '../gadget/index.ts';
import { clamp } from '../kernel/index.ts';
import { defineOutput, noJobs, plansNothing } from '../output/index.ts';
import { blankRows } from './cells.ts';

/** What stands on a character display, row by row, as it was written: longer than it is wide, it may be. */
export interface WrittenText {
  kind: 'text';
  rows: readonly string[];
}

/** A row with characters put over it from a column on; what falls outside is not seen. */
function overlaid(row: string, column: number, text: string, columns: number): string {
  const cells = [...row.padEnd(columns, ' ')];
  [...text].forEach((character, n) => {
    if (column + n >= 0 && column + n < columns) cells[column + n] = character;
  });
  return cells.join('');
}

/** Each place shows the glyph of its number; beyond the ends, the nearest. */
const rowOfList = (places: readonly number[], glyphs: readonly string[]): string =>
  places.map((place) => glyphs[clamp(place, 0, glyphs.length - 1)]).join('');

function writtenRow(stood: string, order: OrderOf<ActionKindOf<'text'>>, columns: number): string {
  switch (order.kind) {
    case 'text':
      return order.text;
    case 'sprite':
      return overlaid(stood, order.column, order.text, columns);
    case 'listRow':
      return rowOfList(order.places, [...order.glyphs]);
  }
}

export type TextEntry = { lane: 'text'; row: number; text: string };

export const text = defineOutput<'text', WrittenText, TextEntry, never, null>({
  kind: 'text',
  prepare: () => null,
  dark: (output) => ({ kind: 'text', rows: blankRows(output) }),
  apply(was, order, on) {
    const stood = was.rows[order.row];
    if (stood === undefined) return was;
    const written = writtenRow(stood, order, on.output.columns);
    if (written === stood) return was;
    on.trace({ atUs: on.nowUs, lane: 'text', id: on.id, row: order.row, text: written });
    // Copied and set: `with` costs several times as much, and games write several times a second.
    const rows = was.rows.slice();
    rows[order.row] = written;
    return { kind: 'text', rows };
  },
  jobs: () => noJobs,
  ...plansNothing,
  powerOff({ rows }, on) {
    rows.forEach((stood, row) => {
      if (stood !== '') on.trace({ atUs: on.nowUs, lane: 'text', id: on.id, row, text: '' });
    });
  },
  adopt: (was, dark) => ({ ...dark, rows: dark.rows.map((blank, row) => was.rows[row] ?? blank) }),
  later: (was) => was,
  loads: () => false,
  // Any row: what is written where does not flash, what comes and goes does.
  lit: {
    now: ({ rows }) => [rows.some((row) => row.trim() !== '')],
    by: ({ text }) => [[0, text.trim() !== '']],
  },
  held: null,
  look: ({ rows }) => rows,
});
