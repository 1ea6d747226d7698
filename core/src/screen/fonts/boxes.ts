import type { Glyph } from './glyph.ts';

/** Lines that lead to the left, to the right, up and down: none, one, or two side by side. */
type Arms = readonly [left: number, right: number, up: number, down: number];
const arms = new Map<string, Arms>(
  [
    ['─1100 │0011 ┌0101 ┐1001 └0110 ┘1010 ├0111 ┤1011 ┬1101 ┴1110 ┼1111', 1],
    ['═1100 ║0011 ╔0101 ╗1001 ╚0110 ╝1010 ╠0111 ╣1011 ╦1101 ╩1110 ╬1111', 2],
  ].flatMap(([table, lines]) =>
    String(table)
      .split(' ')
      .map((entry): [string, Arms] => [
        entry[0]!,
        [...entry.slice(1)].map((arm) => Number(arm) * Number(lines)) as unknown as Arms,
      ]),
  ),
);

/** Characters that frames are put together of. */
export const boxCharacters: readonly string[] = [...arms.keys()];

/** The same bits from one column or row to another, which is left out. */
const span = (from: number, to: number): number => (to <= from ? 0 : ((1 << (to - from)) - 1) << from);

/**
 * A piece of a frame that meets its neighbours on all sides: it fills its cell, the gap to the next one too.
 * @returns null: it is none
 */
export function boxGlyph(character: string, widthPx: number, heightPx: number): Glyph | null {
  const found = arms.get(character);
  if (!found) return null;
  const [left, right, up, down] = found;
  // As thick as a stroke of a font of that width.
  const thick = Math.max(1, Math.floor(widthPx / 6));
  const lines = Math.max(...found);
  const band = lines === 2 ? 3 * thick : thick;
  const [x, y] = [(widthPx - band) >> 1, (heightPx - band) >> 1];
  const rows = Array<number>(heightPx).fill(0);
  const paint = (inset: number, put: (row: number, bits: number) => void) => {
    const [fromX, toX, fromY, toY] = [x + inset, x + band - inset, y + inset, y + band - inset];
    for (let row = 0; row < heightPx; row += 1) {
      if (row >= fromY && row < toY) put(row, span(left ? 0 : fromX, right ? widthPx : toX));
      if ((row < fromY && up) || (row >= toY && down)) put(row, span(fromX, toX));
    }
  };
  paint(0, (row, bits) => (rows[row]! |= bits));
  if (lines === 2) paint(thick, (row, bits) => (rows[row]! &= ~bits));
  return rows;
}
