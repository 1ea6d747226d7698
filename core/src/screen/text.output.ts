import { defineOutput, noJobs, plansNothing } from '../output/index.ts';
import { displayGlow } from '../parts/index.ts';
import { blankRows } from './cells/index.ts';
import {
  isOfLight,
  shinesNow,
  shiningAfter,
  shiningDueUs,
  shiningEnds,
  shiningFully,
  shiningKept,
  shiningLater,
  shiningLook,
  shiningTouched,
  type MadeShining,
  type Shining,
  type ShiningEntry,
} from './shining.ts';
import { rowsAfter } from './written.ts';

/** What stands on a character display, row by row, as it was written: longer than it is wide, it may be. */
export interface WrittenText {
  kind: 'text';
  rows: readonly string[];
  shining: Shining;
}

export type TextEntry = { lane: 'text'; row: number; text: string };

export const text = defineOutput<'text', WrittenText, TextEntry | ShiningEntry, never, MadeShining>({
  kind: 'text',
  prepare: ({ id, dims }, gadget) => ({ glow: displayGlow(gadget, id), dims }),
  dark: (output) => ({ kind: 'text', rows: blankRows(output), shining: shiningFully }),
  apply(was, order, on) {
    if (isOfLight(order)) return shinesNow(was, shiningAfter(was.shining, order, on.prepared), on);
    const rows = rowsAfter(was.rows, order, on.output.columns);
    if (rows === was.rows) return was;
    on.trace({ atUs: on.nowUs, lane: 'text', id: on.id, row: order.row, text: rows[order.row]! });
    return { ...was, rows };
  },
  jobs: () => noJobs,
  ...plansNothing,
  upkeep: {
    wanted: ({ dims }) => dims !== null,
    dueUs: ({ shining }, { dims }) => shiningDueUs(shining, dims),
    done: (was, on) => shinesNow(was, shiningKept(was.shining, on.prepared, on.nowUs), on),
  },
  touched: (was, on) => shinesNow(was, shiningTouched(was.shining, on.prepared, on.nowUs), on),
  powerOff({ rows, shining }, on) {
    rows.forEach((stood, row) => {
      if (stood !== '') on.trace({ atUs: on.nowUs, lane: 'text', id: on.id, row, text: '' });
    });
    shiningEnds(shining, on);
  },
  adopt: (was, dark) => ({ ...was, rows: dark.rows.map((blank, row) => was.rows[row] ?? blank) }),
  later: (was, byUs) => ({ ...was, shining: shiningLater(was.shining, byUs) }),
  loads: () => false,
  // Any row: what is written where does not flash, what comes and goes does; and so does its light.
  lit: {
    now: ({ rows, shining }) => [rows.some((row) => row.trim() !== ''), shining.told > 0],
    by: (entry) => (entry.lane === 'text' ? [[0, entry.text.trim() !== '']] : [[1, entry.percent > 0]]),
  },
  held: null,
  look: ({ rows, shining }) => [...rows, ...shiningLook(shining)],
});
