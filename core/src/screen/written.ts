import type { OrderOf } from '../flow/index.ts';
import { clamp } from '../kernel/index.ts';

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

function writtenRow(stood: string, order: OrderOf<'text' | 'sprite' | 'listRow'>, columns: number): string {
  switch (order.kind) {
    case 'text':
      return order.text;
    case 'sprite':
      return overlaid(stood, order.column, order.text, columns);
    case 'listRow':
      return rowOfList(order.places, [...order.glyphs]);
  }
}

/** Rows of characters after an order; the same where nothing changes. */
export function rowsAfter(
  rows: readonly string[],
  order: OrderOf<'text' | 'sprite' | 'listRow'>,
  columns: number,
): readonly string[] {
  const stood = rows[order.row];
  if (stood === undefined) return rows;
  const written = writtenRow(stood, order, columns);
  if (written === stood) return rows;
  // Copied and set: `with` costs several times as much, and games write several times a second.
  const after = rows.slice();
  after[order.row] = written;
  return after;
}
