import type { Gadget, OutputActionOf } from '../gadget/index.ts';

type KeyNotes = Pick<OutputActionOf<'sing'>, 'variableId' | 'row' | 'by'>;

/** A number as it is written; null: it is worked out. */
export const plainNumber = (text: string): number | null =>
  /^\s*-?\d+\s*$/.test(text) ? Number(text) : null;

/** Notes that an action can begin at once, as far as the document says: those of a table stay as they are. */
export interface RowsTold {
  /** By row; only the one that is told, where it is told as a number. null: they change while it runs. */
  rows: readonly (readonly number[])[] | null;
  /** The most that begin at once. */
  most: number;
  /** How far all of them are moved; null: that is worked out. */
  by: number | null;
}

export function rowsTold({ flow }: Pick<Gadget, 'flow'>, { variableId, row, by }: KeyNotes): RowsTold {
  const variable = flow.variables.find(({ id }) => id === variableId);
  if (variable?.kind !== 'table')
    return { rows: null, most: variable?.kind === 'list' ? variable.columns : 0, by: plainNumber(by) };
  const { numbers, columns } = variable;
  const all = Array.from({ length: numbers.length / columns }, (_, n) =>
    numbers.slice(n * columns, (n + 1) * columns).filter((note) => note >= 0 && note <= 127),
  );
  const only = plainNumber(row);
  const rows = only === null ? all : all.slice(Math.max(0, only), Math.max(0, only + 1));
  return { rows, most: Math.max(0, ...rows.map(({ length }) => length)), by: plainNumber(by) };
}
