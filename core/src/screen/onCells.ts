import type { OrderOf } from '../flow/index.ts';
import type { Gadget, Screen, TextDisplay } from '../gadget/index.ts';
import type { CellBus } from '../parts/index.ts';
import { rowCells } from './cells/index.ts';
import type { Element } from './elements.ts';
import type { Font } from './fonts.ts';
import { inView, legendsOf, runPx } from './glyphs.ts';
import { near } from './near.ts';
import { textOf, type Drawing, type Drawn, type Measures } from './render.ts';
import { filledPx } from './shapes.ts';
import { stockOf, type Stock } from './stock.ts';

/* Pages on displays of characters: what stands on them is put into places, not drawn in pixels. */

/** A place is one wide and one high, whatever stands in it. */
const place: Font = { widthPx: 1, heightPx: 1, drawnPx: 1, glyph: () => [1] };

/** What pages of characters are laid out with: every font has the size of a place, and there are no pictures. */
export const cellStock: Stock = { rasters: new Map(), font: () => place, fontName: () => 'characters' };

export const measuresOf = (
  display: Pick<Screen, 'kind' | 'widthPx' | 'heightPx'> | Pick<TextDisplay, 'kind' | 'columns' | 'rows'>,
): Measures => (display.kind === 'screen' ? display : { widthPx: display.columns, heightPx: display.rows });

/** What the pages of a display are laid out with. */
export const stockFor = (gadget: Pick<Gadget, 'pictures' | 'fonts'>, { kind }: { kind: string }): Stock =>
  kind === 'text' ? cellStock : stockOf(gadget);

type Made = Pick<TextDisplay, 'columns' | 'rows' | 'cells'>;

/** A text by places: on segments, a point belongs to the character before it. */
export function placesOf(text: string, cells: TextDisplay['cells']): string[] {
  const places: string[] = [];
  for (const character of text) {
    const last = places.at(-1);
    if (cells !== 'dots' && character === '.' && last !== undefined && !last.endsWith('.'))
      places[places.length - 1] = `${last}.`;
    else places.push(character);
  }
  return places;
}

/** Stands before the text of a list that its cursor is at: nothing can be inverted. */
export const cursorMark = '>';
/** What a bar is filled with, what its frame is, and what marks its most. */
export const barMarks = { filled: '#', open: '[', close: ']', most: '|' } as const;

/** What an element puts there beside what it says. */
export function marksOf(element: Element): string {
  if (element.kind === 'drawList') return cursorMark;
  if (element.kind !== 'drawBar') return '';
  const { filled, open, close, most } = barMarks;
  return filled + (element.framed ? open + close : '') + (element.peakMs > 0 ? most : '');
}

type Grid = string[][];

function put(grid: Grid, left: number, y: number, places: readonly string[]): void {
  const row = grid[y];
  if (!row) return;
  places.forEach((one, n) => {
    if (left + n >= 0 && left + n < row.length) row[left + n] = one;
  });
}

function putRunning(grid: Grid, running: OrderOf<'drawRunning'>, ran: number, cells: Made['cells']): void {
  const places = placesOf(running.text, cells);
  const whole = runPx(running, place);
  const width = Math.max(0, Math.min(near(running.width), grid[0]!.length));
  const shown = Array.from({ length: width }, (_, n) => places[whole === 0 ? n : (ran + n) % whole] ?? ' ');
  put(grid, near(running.x), near(running.y), shown);
}

function putList(grid: Grid, list: OrderOf<'drawList'>, cells: Made['cells']): void {
  const { from, count } = inView(list);
  const width = Math.max(0, Math.min(near(list.width), grid[0]!.length));
  for (let row = 0; row < list.rows && from + row < count; row += 1) {
    const mark = from + row === list.cursor ? cursorMark : ' ';
    const text = placesOf(list.lines[from + row]!, cells).slice(0, Math.max(0, width - 1));
    const line = [mark, ...text].slice(0, width);
    while (line.length < width) line.push(' ');
    put(grid, near(list.x), near(list.y) + row, line);
  }
}

function putLegends(grid: Grid, legends: OrderOf<'drawLegends'>, cells: Made['cells']): void {
  const on = { widthPx: grid[0]!.length, heightPx: grid.length };
  for (const { word, left, top } of legendsOf(legends, place, on))
    // At the left side, pixels keep one free.
    put(grid, legends.edge === 'left' ? left - 1 : left, top, placesOf(word, cells));
}

/** Filled as far as the value lies; each place is filled or not. */
function putBar(grid: Grid, bar: Extract<Drawing, { kind: 'drawBar' }>): void {
  const { grows, low, high, framed } = bar;
  const value = bar.unknownIf === 0 ? bar.value : low;
  const across = grows === 'left' || grows === 'right';
  // No more than the display has.
  const wide = Math.max(0, Math.min(near(bar.width), grid[0]!.length));
  const tall = Math.max(0, Math.min(near(bar.height), grid.length));
  const inset = framed && across ? 1 : 0;
  const length = across ? wide - 2 * inset : tall;
  const lit = filledPx(value, low, high, length);
  const most = bar.values?.[0] ?? null;
  const marked = most === null ? 0 : filledPx(most, low, high, length);
  const mark = (n: number): string =>
    n < lit ? barMarks.filled : n === marked - 1 && marked > lit ? barMarks.most : ' ';
  const along = Array.from({ length: Math.max(0, length) }, (_, n) => mark(n));
  const ordered = grows === 'left' || grows === 'up' ? along.toReversed() : along;
  const [left, top] = [near(bar.x), near(bar.y)];
  for (let row = 0; row < tall; row += 1) {
    const line = across ? ordered : Array<string>(wide).fill(ordered[row]!);
    put(grid, left, top + row, inset ? [barMarks.open, ...line, barMarks.close] : line);
  }
}

function putDrawing(grid: Grid, drawing: Drawing, { cells }: Made): void {
  if (drawing.onlyIf === 0 || drawing.off === true) return;
  switch (drawing.kind) {
    case 'drawText':
    case 'drawNumber':
    case 'drawWord': {
      const places = placesOf(textOf(drawing)!, cells);
      const { length } = places;
      const back = drawing.align === 'left' ? 0 : drawing.align === 'right' ? length : length >> 1;
      return put(grid, near(drawing.x) - back, near(drawing.y), places);
    }
    case 'drawRunning':
      return putRunning(grid, drawing, drawing.ranPx ?? 0, cells);
    case 'drawList':
      return putList(grid, drawing, cells);
    case 'drawLegends':
      return putLegends(grid, drawing, cells);
    case 'drawBar':
      return putBar(grid, drawing);
    default:
      // What is drawn in pixels stands on no page of characters: the document's door sees to that.
      return;
  }
}

/**
 * What stands on a display of characters, row by row: its page, and over it every row that was written. Costs at most
 * the display's places for each element.
 */
export function rowsOn(
  display: Made,
  { rows, drawings }: Pick<Drawn, 'rows' | 'drawings'>,
): readonly string[] {
  if (drawings.length === 0) return rows;
  const grid: Grid = Array.from({ length: display.rows }, () => Array<string>(display.columns).fill(' '));
  for (const drawing of drawings) putDrawing(grid, drawing, display);
  return grid.map((row, y) => {
    const written = rows[y] ?? '';
    return written === '' ? row.join('').trimEnd() : written;
  });
}

/** How long all of a display of characters takes over its bus: a command for each row, and each character; µs. */
export const cellsUs = (
  { moveUs, characterUs }: CellBus,
  { columns, rows }: Pick<TextDisplay, 'columns' | 'rows'>,
): number => rows * (moveUs + columns * characterUs);

/** How long those that are others take, µs. */
export const changedCellsUs = (
  { moveUs, characterUs }: CellBus,
  { runs, characters }: { runs: number; characters: number },
): number => runs * moveUs + characters * characterUs;

/** How much of a display is another: how many runs side by side, and of how many characters. */
export function changedCells(
  was: readonly string[],
  is: readonly string[],
  { columns, rows }: Pick<TextDisplay, 'columns' | 'rows'>,
): { runs: number; characters: number } {
  let [runs, characters] = [0, 0];
  for (let y = 0; y < rows; y += 1) {
    const [before, after] = [rowCells(was[y] ?? '', columns), rowCells(is[y] ?? '', columns)];
    after.forEach((one, x) => {
      if (one === before[x]) return;
      characters += 1;
      if (x === 0 || after[x - 1] === before[x - 1]) runs += 1;
    });
  }
  return { runs, characters };
}
