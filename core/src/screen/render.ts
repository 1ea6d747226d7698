import type { OrderOf } from '../flow/index.ts';
import { clamp, exactSinDegrees } from '../kernel/index.ts';
import { fillRect, frameAt, outlineRect, straightLine, type Bitmap, type Rasters } from '../picture/index.ts';
import { rowCells } from './cells.ts';
import type { ElementKind } from './elements.ts';
import { fontForCells, fonts, type FontName, type Glyph } from './fonts.ts';
import { numberText } from './numbers.ts';
import type { Screen } from '../gadget/index.ts';

/** What an element of a page comes to in the moment in which it is drawn. */
export type Drawing = OrderOf<ElementKind>;

/** All that a picture is drawn from: values, not pixels. */
export interface Drawn {
  readonly pageId: string | null;
  /** Written in characters, over the page. */
  readonly rows: readonly string[];
  readonly drawings: readonly Drawing[];
}

/** Farther out than any display reaches; places are held inside, so that lines are worked out in 32 bits. */
const farPx = 8_191;
const near = (place: number): number => clamp(place, -farPx, farPx);

function drawGlyph(bitmap: Bitmap, glyph: Glyph, left: number, top: number, lit: 0 | 1): void {
  const { widthPx, heightPx, pixels } = bitmap;
  for (let y = 0; y < glyph.length; y += 1) {
    const row = top + y;
    if (row < 0 || row >= heightPx) continue;
    for (let bits = glyph[y]!, x = left; bits !== 0; bits >>>= 1, x += 1)
      if ((bits & 1) === 1 && x >= 0 && x < widthPx) pixels[row * widthPx + x] = lit;
  }
}

/** Characters of one font from a place on; one that the font lacks is a frame. */
function write(bitmap: Bitmap, text: string, name: FontName, left: number, top: number, inverted: boolean) {
  const { widthPx, heightPx, glyph } = fonts[name];
  let x = left;
  for (const character of text) {
    if (x >= bitmap.widthPx) return;
    if (x + widthPx > 0) {
      if (inverted) fillRect(bitmap, x, top, x + widthPx, top + heightPx, 'light');
      const found = glyph(character);
      if (found) drawGlyph(bitmap, found, x, top, inverted ? 0 : 1);
      else outlineRect(bitmap, x, top, x + widthPx - 1, top + heightPx - 1, inverted ? 'clear' : 'light');
    }
    x += widthPx;
  }
}

/** How many pixels of a length a value fills that lies between low and high: none at low or below, all at high. */
export function filledPx(value: number, low: number, high: number, length: number): number {
  if (high <= low || length <= 0) return 0;
  return Math.floor(((clamp(value, low, high) - low) * length) / (high - low));
}

function drawBar(bitmap: Bitmap, bar: OrderOf<'drawBar'>): void {
  const left = near(bar.x);
  const top = near(bar.y);
  const right = left + near(bar.width);
  const bottom = top + near(bar.height);
  if (bar.framed) outlineRect(bitmap, left, top, right, bottom, 'light');
  // A frame keeps a pixel away from what it holds.
  const inset = bar.framed ? 2 : 0;
  const [l, t, r, b] = [left + inset, top + inset, right - inset, bottom - inset];
  const across = bar.grows === 'left' || bar.grows === 'right';
  const lit = filledPx(bar.value, bar.low, bar.high, across ? r - l : b - t);
  switch (bar.grows) {
    case 'right':
      return fillRect(bitmap, l, t, l + lit, b, 'light');
    case 'left':
      return fillRect(bitmap, r - lit, t, r, b, 'light');
    case 'down':
      return fillRect(bitmap, l, t, r, t + lit, 'light');
    case 'up':
      return fillRect(bitmap, l, b - lit, r, b, 'light');
  }
}

function drawBox(bitmap: Bitmap, { x, y, width, height, how }: OrderOf<'drawBox'>): void {
  const [left, top] = [near(x), near(y)];
  const [right, bottom] = [left + near(width), top + near(height)];
  if (how === 'outline') outlineRect(bitmap, left, top, right, bottom, 'light');
  else
    fillRect(
      bitmap,
      left,
      top,
      right,
      bottom,
      how === 'filled' ? 'light' : how === 'cleared' ? 'clear' : 'invert',
    );
}

function drawPicture(bitmap: Bitmap, picture: OrderOf<'drawPicture'>, rasters: Rasters): void {
  const raster = rasters.get(picture.pictureId);
  if (!raster) return;
  const { widthPx, heightPx, pixels } = bitmap;
  const frame = frameAt(raster, picture.frame);
  const [left, top] = [near(picture.x), near(picture.y)];
  // What lies outside is not looked at.
  const fromX = Math.max(0, -left);
  const toX = Math.min(frame.widthPx, widthPx - left);
  const toY = Math.min(frame.heightPx, heightPx - top);
  for (let y = Math.max(0, -top); y < toY; y += 1) {
    const from = y * frame.widthPx;
    const to = (top + y) * widthPx + left;
    for (let x = fromX; x < toX; x += 1) {
      const isLit = frame.pixels[from + x] === 1;
      if (picture.how === 'whole') pixels[to + x] = isLit ? 1 : 0;
      else if (isLit)
        pixels[to + x] = picture.how === 'over' ? 1 : picture.how === 'cleared' ? 0 : pixels[to + x]! ^ 1;
    }
  }
}

/** Sines of whole degrees, in 1024ths, as far as dials ask; rounded. Whole numbers are all that a small chip has. */
const sines = Int16Array.from({ length: 540 }, (_, degree) => Math.round(1_024 * exactSinDegrees(degree)));
/** How far a dial turns in all, and where it begins: from the lower left, clockwise from the right on. */
const dialTurn = { degrees: 270, from: 135 };
const arcPx = 3;

function drawDial(bitmap: Bitmap, { x, y, radius, value, low, high, how }: OrderOf<'drawDial'>): void {
  const [cx, cy, r] = [near(x), near(y), Math.max(0, near(radius))];
  const { widthPx, heightPx, pixels } = bitmap;
  const angle = filledPx(value, low, high, dialTurn.degrees);
  const end = (degree: number, far: number): [number, number] => [
    cx + ((far * sines[degree + 90]! + 512) >> 10),
    cy + ((far * sines[degree]! + 512) >> 10),
  ];
  if (how === 'needle') {
    const [toX, toY] = end(dialTurn.from + angle, r);
    straightLine(bitmap, cx, cy, toX, toY, 1);
    return;
  }
  for (let degree = 0; degree <= angle; degree += 1)
    for (let far = Math.max(0, r - arcPx + 1); far <= r; far += 1) {
      const [px, py] = end(dialTurn.from + degree, far);
      if (px >= 0 && px < widthPx && py >= 0 && py < heightPx) pixels[py * widthPx + px] = 1;
    }
}

/** Which texts of a list are in view: the one of the cursor in the middle, as far as there are others around it. */
function inView({ lines, rows, cursor }: OrderOf<'drawList'>): { from: number; count: number } {
  // Empty ones at the end are none yet.
  const count = lines.findLastIndex((line) => line !== '') + 1;
  const from = clamp(cursor - (rows >> 1), 0, Math.max(0, count - rows));
  return { from, count };
}

function drawList(bitmap: Bitmap, list: OrderOf<'drawList'>): void {
  const { heightPx, widthPx } = fonts[list.font];
  const [left, top, width] = [near(list.x), near(list.y), near(list.width)];
  const { from, count } = inView(list);
  const more = count > list.rows;
  const characters = Math.max(0, Math.floor((width - (more ? 2 : 0)) / widthPx));
  for (let row = 0; row < list.rows && from + row < count; row += 1) {
    const y = top + row * heightPx;
    const chosen = from + row === list.cursor;
    if (chosen) fillRect(bitmap, left, y, left + width - (more ? 2 : 0), y + heightPx, 'light');
    const line = rowCells(list.lines[from + row]!, characters)
      .join('')
      .trimEnd();
    write(bitmap, line, list.font, left, y, chosen);
  }
  if (!more) return;
  // How much of it is in view, and where.
  const height = list.rows * heightPx;
  const at = top + Math.floor((from * height) / count);
  fillRect(
    bitmap,
    left + width - 1,
    at,
    left + width,
    at + Math.floor((list.rows * height) / count),
    'light',
  );
}

/** The text of an element; null: it has none. Of a list it is the one of the cursor. */
export function textOf(drawing: Drawing): string | null {
  switch (drawing.kind) {
    case 'drawText':
      return drawing.text;
    case 'drawNumber':
      return numberText(drawing.value, drawing.format, drawing.places, drawing.unit);
    case 'drawWord':
      return drawing.words[drawing.value] ?? '';
    case 'drawList':
      return drawing.lines[drawing.cursor] ?? null;
    default:
      return null;
  }
}

/** Of pictures, which never change: a display is asked for what it says again and again. */
const knownTexts = new WeakMap<readonly Drawing[], readonly string[]>();

/** Texts that can be read on a page, in the order in which they are drawn. */
export function textsOn({ drawings }: Drawn): readonly string[] {
  const known = knownTexts.get(drawings);
  if (known) return known;
  const texts = drawings.flatMap((drawing) => (drawing.onlyIf === 0 ? [] : (textOf(drawing) ?? [])));
  knownTexts.set(drawings, texts);
  return texts;
}
/** All that can be read: rows of characters lie over the page, and come first. */
export const readOn = (drawn: Drawn): string[] => [
  ...drawn.rows.map((row) => row.trim()).filter((row) => row !== ''),
  ...textsOn(drawn),
];

const lengthOf = (text: string): number => {
  let length = 0;
  for (const _ of text) length += 1;
  return length;
};

/** Where a text begins: `x` is its left end, its middle or its right end. */
export function leftOf(
  { x, font, align }: Pick<OrderOf<'drawText'>, 'x' | 'font' | 'align'>,
  characters: number,
): number {
  const width = fonts[font].widthPx * characters;
  return near(x) - (align === 'left' ? 0 : align === 'right' ? width : width >> 1);
}

/** What an element covers, from its left and upper edge to its right and lower one, both left out. */
export function boundsOf(
  drawing: Drawing,
  rasters: Rasters,
): { left: number; top: number; right: number; bottom: number } {
  const [x, y] = [near(drawing.x), near(drawing.y)];
  switch (drawing.kind) {
    case 'drawText':
    case 'drawNumber':
    case 'drawWord': {
      const characters = lengthOf(textOf(drawing)!);
      const { widthPx, heightPx } = fonts[drawing.font];
      const left = leftOf(drawing, characters);
      return { left, top: y, right: left + characters * widthPx, bottom: y + heightPx };
    }
    case 'drawList':
      return {
        left: x,
        top: y,
        right: x + near(drawing.width),
        bottom: y + drawing.rows * fonts[drawing.font].heightPx,
      };
    case 'drawDial': {
      const r = Math.max(0, near(drawing.radius));
      return { left: x - r, top: y - r, right: x + r + 1, bottom: y + r + 1 };
    }
    case 'drawPicture': {
      const { widthPx, heightPx } = rasters.get(drawing.pictureId) ?? { widthPx: 0, heightPx: 0 };
      return { left: x, top: y, right: x + widthPx, bottom: y + heightPx };
    }
    case 'drawBar':
    case 'drawBox':
      return { left: x, top: y, right: x + near(drawing.width), bottom: y + near(drawing.height) };
    case 'drawLine': {
      const [toX, toY] = [near(drawing.toX), near(drawing.toY)];
      return {
        left: Math.min(x, toX),
        top: Math.min(y, toY),
        right: Math.max(x, toX) + 1,
        bottom: Math.max(y, toY) + 1,
      };
    }
  }
}

function draw(bitmap: Bitmap, drawing: Drawing, rasters: Rasters): void {
  if (drawing.onlyIf === 0) return;
  switch (drawing.kind) {
    case 'drawText':
    case 'drawNumber':
    case 'drawWord': {
      const text = textOf(drawing)!;
      const left = leftOf(drawing, lengthOf(text));
      return write(bitmap, text, drawing.font, left, near(drawing.y), drawing.inverted);
    }
    case 'drawList':
      return drawList(bitmap, drawing);
    case 'drawDial':
      return drawDial(bitmap, drawing);
    case 'drawBar':
      return drawBar(bitmap, drawing);
    case 'drawBox':
      return drawBox(bitmap, drawing);
    case 'drawLine':
      return straightLine(bitmap, near(drawing.x), near(drawing.y), near(drawing.toX), near(drawing.toY), 1);
    case 'drawPicture':
      return drawPicture(bitmap, drawing, rasters);
  }
}

/** Where a display has its characters, and in which font: in the largest that has room, in the upper left corner. */
export const cellFont = ({ widthPx, heightPx, columns, rows }: Screen): FontName =>
  fontForCells(widthPx, heightPx, columns, rows) ?? '4x6';

/**
 * Draws a picture anew. Whole numbers only, and no memory that grows with what is drawn: as firmware does it.
 * Every element costs at most the display's pixels, a text at most its characters.
 * @param rasters the gadget's pictures; one that is missing is not drawn
 */
export function render(bitmap: Bitmap, screen: Screen, { rows, drawings }: Drawn, rasters: Rasters): void {
  bitmap.pixels.fill(0);
  for (const drawing of drawings) draw(bitmap, drawing, rasters);
  const name = cellFont(screen);
  const { widthPx, heightPx } = fonts[name];
  for (let y = 0; y < rows.length; y += 1) {
    let x = 0;
    for (const character of rows[y]!) {
      if (x >= screen.columns) break;
      const [left, top] = [x * widthPx, y * heightPx];
      x += 1;
      if (character === ' ') continue;
      fillRect(bitmap, left, top, left + widthPx, top + heightPx, 'clear');
      write(bitmap, character, name, left, top, false);
    }
  }
}
