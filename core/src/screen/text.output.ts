import { defineOutput, noJobs, plansNothing } from '../output/index.ts';
import { blankRows } from './cells/index.ts';
import { rowsAfter } from './written.ts';

/** What stands on a character display, row by row, as it was written: longer than it is wide, it may be. */
export interface WrittenText {
  kind: 'text';
  rows: readonly string[];
}

export type TextEntry = { lane: 'text'; row: number; text: string };

export const text = defineOutput<'text', WrittenText, TextEntry, never, null>({
  kind: 'text',
  prepare: () => null,
  dark: (output) => ({ kind: 'text', rows: blankRows(output) }),
  apply(was, order, on) {
    const rows = rowsAfter(was.rows, order, on.output.columns);
    if (rows === was.rows) return was;
    on.trace({ atUs: on.nowUs, lane: 'text', id: on.id, row: order.row, text: rows[order.row]! });
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
