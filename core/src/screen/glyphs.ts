import type { OrderOf } from '../flow/index.ts';
import { clamp } from '../kernel/index.ts';
import { blankBitmap, fillRect, outlineRect, type Bitmap } from '../picture/index.ts';
import { rowCells } from './cells/index.ts';
import type { Font } from './fonts.ts';
import type { Glyph } from './fonts/glyph.ts';
import { near } from './near.ts';

/** Where characters may be seen: from the first column of pixels to the last, which is left out. */
interface Window {
  from: number;
  to: number;
}

function drawGlyph(bitmap: Bitmap, glyph: Glyph, left: number, top: number, ink: number, seen: Window): void {
  const { widthPx, heightPx, pixels } = bitmap;
  for (let y = 0; y < glyph.length; y += 1) {
    const row = top + y;
    if (row < 0 || row >= heightPx) continue;
    for (let bits = glyph[y]!, x = left; bits !== 0; bits >>>= 1, x += 1)
      if ((bits & 1) === 1 && x >= seen.from && x < seen.to) pixels[row * widthPx + x] = ink;
  }
}

/** What can be read on a ground of that ink. */
const against = (ink: number): number => (ink === 0 ? 1 : 0);

/**
 * Characters of one font from a place on; one that the font lacks is a frame. Inverted, they are the ground on the ink.
 * @param within of the display; without: all of it
 */
export function write(
  bitmap: Bitmap,
  text: string,
  font: Font,
  left: number,
  top: number,
  ink: number,
  inverted = false,
  within: Window = { from: 0, to: bitmap.widthPx },
): void {
  const { widthPx, heightPx } = font;
  const seen = { from: Math.max(0, within.from), to: Math.min(bitmap.widthPx, within.to) };
  const letters = inverted ? against(ink) : ink;
  let x = left;
  for (const character of text) {
    if (x >= seen.to) return;
    if (x + widthPx > seen.from) {
      if (inverted)
        fillRect(bitmap, Math.max(seen.from, x), top, Math.min(seen.to, x + widthPx), top + heightPx, ink);
      const found = font.glyph(character);
      if (found) drawGlyph(bitmap, found, x, top, letters, seen);
      else if (x >= seen.from && x + widthPx <= seen.to)
        outlineRect(bitmap, x, top, x + widthPx - 1, top + heightPx - 1, letters);
    }
    x += widthPx;
  }
}

/** A text in pixels of a font, as it is shown where it is chosen. */
export function specimen(font: Font, text: string): Bitmap {
  const bitmap = blankBitmap(Math.max(1, lengthOf(text) * font.widthPx), font.heightPx);
  write(bitmap, text, font, 0, 0, 1);
  return bitmap;
}

export const lengthOf = (text: string): number => {
  let length = 0;
  for (const _ of text) length += 1;
  return length;
};

/** Where a text begins: `x` is its left end, its middle or its right end. */
export function leftOf(
  { x, align }: Pick<OrderOf<'drawText'>, 'x' | 'align'>,
  { widthPx }: Pick<Font, 'widthPx'>,
  characters: number,
): number {
  const width = widthPx * characters;
  return near(x) - (align === 'left' ? 0 : align === 'right' ? width : width >> 1);
}

/** Which texts of a list are in view: the one of the cursor in the middle, as far as there are others around it. */
export function inView({ lines, rows, cursor }: OrderOf<'drawList'>): { from: number; count: number } {
  // Empty ones at the end are none yet.
  const count = lines.findLastIndex((line) => line !== '') + 1;
  const from = clamp(cursor - (rows >> 1), 0, Math.max(0, count - rows));
  return { from, count };
}

export function drawList(bitmap: Bitmap, list: OrderOf<'drawList'>, font: Font, ink: number): void {
  const { heightPx, widthPx } = font;
  const [left, top, width] = [near(list.x), near(list.y), near(list.width)];
  const { from, count } = inView(list);
  const more = count > list.rows;
  const characters = Math.max(0, Math.floor((width - (more ? 2 : 0)) / widthPx));
  for (let row = 0; row < list.rows && from + row < count; row += 1) {
    const y = top + row * heightPx;
    const chosen = from + row === list.cursor;
    if (chosen) fillRect(bitmap, left, y, left + width - (more ? 2 : 0), y + heightPx, ink);
    const line = rowCells(list.lines[from + row]!, characters)
      .join('')
      .trimEnd();
    write(bitmap, line, font, left, y, ink, chosen);
  }
  if (!more) return;
  // How much of it is in view, and where.
  const height = list.rows * heightPx;
  const at = top + Math.floor((from * height) / count);
  const end = at + Math.floor((list.rows * height) / count);
  fillRect(bitmap, left + width - 1, at, left + width, end, ink);
}

/** Between the end of a text that runs and its beginning, in characters. */
const gapCharacters = 3;

/** How far a text runs until it is where it was, in pixels; 0: it has room, and stands. */
export function runPx(
  { width, text }: Pick<OrderOf<'drawRunning'>, 'width' | 'text'>,
  { widthPx }: Pick<Font, 'widthPx'>,
): number {
  const length = lengthOf(text) * widthPx;
  return length <= near(width) ? 0 : length + gapCharacters * widthPx;
}

/** @param ranPx so far to the left */
export function drawRunning(
  bitmap: Bitmap,
  running: OrderOf<'drawRunning'>,
  font: Font,
  ranPx: number,
  ink: number,
): void {
  const { text } = running;
  const [from, top, width] = [near(running.x), near(running.y), near(running.width)];
  const within = { from, to: from + width };
  const whole = runPx(running, font);
  write(bitmap, text, font, from - ranPx, top, ink, false, within);
  // Its beginning comes in while its end is still there.
  if (whole > 0) write(bitmap, text, font, from - ranPx + whole, top, ink, false, within);
}

type Legends = OrderOf<'drawLegends'>;
interface Placed {
  word: string;
  left: number;
  top: number;
  /** Of the room that it has. */
  from: number;
  to: number;
}

/** Legends stand beside one another there; at the sides, one below the other. */
export const isAcross = (edge: Legends['edge']): boolean => edge === 'bottom' || edge === 'top';

/** Where each legend stands: in the middle of its share of the edge; at the sides, close to the edge. */
export function legendsOf(
  { edge, words }: Pick<Legends, 'edge' | 'words'>,
  cell: Pick<Font, 'widthPx' | 'heightPx'>,
  { widthPx, heightPx }: Pick<Bitmap, 'widthPx' | 'heightPx'>,
): Placed[] {
  const count = words.length;
  return words.map((word, n) => {
    const wide = lengthOf(word) * cell.widthPx;
    if (!isAcross(edge)) {
      const top = Math.floor(((2 * n + 1) * heightPx) / (2 * count)) - (cell.heightPx >> 1);
      return { word, left: edge === 'left' ? 1 : widthPx - wide, top, from: 0, to: widthPx };
    }
    const [from, to] = [Math.floor((n * widthPx) / count), Math.floor(((n + 1) * widthPx) / count)];
    const left = from + Math.floor((to - from - wide + 1) / 2);
    return { word, left, top: edge === 'top' ? 0 : heightPx - cell.heightPx, from, to };
  });
}

export function drawLegends(bitmap: Bitmap, legends: Legends, font: Font, ink: number): void {
  const { heightPx, widthPx } = font;
  for (const { word, left, top, from, to } of legendsOf(legends, font, bitmap)) {
    if (word === '') continue;
    if (legends.inverted) {
      const [start, end] = isAcross(legends.edge)
        ? [from + (from === 0 ? 0 : 1), to]
        : [left - 1, left + lengthOf(word) * widthPx];
      fillRect(bitmap, start, top, end, top + heightPx, ink);
    }
    write(bitmap, word, font, left, top, legends.inverted ? against(ink) : ink);
  }
}
