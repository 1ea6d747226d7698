import { bitmapArt, blankBitmap, frameBitmap, type Bitmap } from '../../picture/index.ts';
import { cellDots, type TextDisplay } from '../../gadget/index.ts';
import { fonts } from '../fonts.ts';
import { mixed, readColour, type Colour } from '../palette.ts';
import { rowCells } from './rows.ts';
import { point, segmentShapes, segmentsOf } from './segments.ts';

/** What a place on the glass is: nothing, a dot or segment that is off, or one that is on. */
export const cellInks = { gap: 0, off: 1, on: 2 } as const;

/** Of a character of dots, and with the gap of a dot to the next. */
const dots = { ...cellDots, pitchX: cellDots.wide + 1, pitchY: cellDots.high + 1 };

type Made = Pick<TextDisplay, 'columns' | 'rows' | 'cells' | 'ownCharacters'>;

/** Letters that every display of dots has: those of ASCII. Others hang on where it was made; its sheet has them. */
const isUsual = (character: string): boolean => character >= ' ' && character <= '~';

/** Characters of a text that a display cannot show, each once, in order: it has no shape for them. */
export function lackingOn({ cells, ownCharacters }: Made, text: string): string[] {
  const isOwn = (character: string) => ownCharacters.some((own) => own.character === character);
  const has = (character: string) =>
    cells === 'dots'
      ? isUsual(character) || isOwn(character)
      : character === '.' || segmentsOf(character, cells) !== null;
  return [...new Set(text)].filter((character) => !has(character));
}

const sizeOf = ({ columns, rows, cells }: Made) => {
  if (cells === 'dots')
    return {
      pitchX: dots.pitchX,
      pitchY: dots.pitchY,
      widthPx: columns * dots.pitchX - 1,
      heightPx: rows * dots.pitchY - 1,
    };
  const { art } = segmentShapes[cells];
  const [pitchX, pitchY] = [art[0]!.length, art.length + 2];
  return { pitchX, pitchY, widthPx: columns * pitchX, heightPx: rows * pitchY - 2 };
};

/** Of a dot, or a part of a segment, of a common small display. */
const dotMm = { dots: 0.56, seven: 0.7, fourteen: 0.7 } as const;

/** How wide what can be seen of a display is, mm. */
export const cellsWideMm = (display: Made & Pick<TextDisplay, 'wideMm'>): number =>
  display.wideMm ?? sizeOf(display).widthPx * dotMm[display.cells];

/** Pixels of a glass that is off, of its own size. */
export const blankCells = (display: Made): Bitmap => {
  const { widthPx, heightPx } = sizeOf(display);
  return blankBitmap(widthPx, heightPx);
};

/** A row as cells of a display of segments: a point belongs to the character before it, where that has none yet. */
export function pointedCells(text: string, columns: number): { character: string; pointed: boolean }[] {
  const cells: { character: string; pointed: boolean }[] = [];
  for (const character of text) {
    const last = cells.at(-1);
    if (character === '.' && last && !last.pointed) last.pointed = true;
    else cells.push({ character: character === '.' ? ' ' : character, pointed: character === '.' });
  }
  while (cells.length < columns) cells.push({ character: ' ', pointed: false });
  return cells.slice(0, columns);
}

/** How many cells a text takes at most that is so many characters long, by what of it is written as it stands. */
export const pointsSaved = (template: string, cells: TextDisplay['cells']): number =>
  cells === 'dots' ? 0 : (template.replace(/\{[^{}]*\}/g, 'x').match(/[^.]\./g)?.length ?? 0);

function drawDots(bitmap: Bitmap, display: Made, rows: readonly string[]): void {
  const own = new Map(display.ownCharacters.map(({ character, rows: art }) => [character, frameBitmap(art)]));
  for (let row = 0; row < display.rows; row += 1)
    rowCells(rows[row] ?? '', display.columns).forEach((character, column) => {
      const drawn = own.get(character);
      const glyph = fonts['6x8'].glyph(character);
      for (let y = 0; y < dots.high; y += 1)
        for (let x = 0; x < dots.wide; x += 1) {
          // What it has no shape for is a full block: something stands there, and nobody can read it.
          const isOn = drawn
            ? drawn.pixels[y * drawn.widthPx + x] === 1
            : glyph && isUsual(character)
              ? (((glyph[y] ?? 0) >> x) & 1) === 1
              : true;
          const at = (row * dots.pitchY + y) * bitmap.widthPx + column * dots.pitchX + x;
          bitmap.pixels[at] = isOn ? cellInks.on : cellInks.off;
        }
    });
}

function drawSegments(bitmap: Bitmap, display: Made, rows: readonly string[], cells: 'seven' | 'fourteen') {
  const { art } = segmentShapes[cells];
  const { pitchX, pitchY } = sizeOf(display);
  for (let row = 0; row < display.rows; row += 1)
    pointedCells(rows[row] ?? '', display.columns).forEach(({ character, pointed }, column) => {
      const on = new Set([...(segmentsOf(character, cells) ?? ''), ...(pointed ? point : '')]);
      art.forEach((line, y) =>
        [...line].forEach((segment, x) => {
          if (segment === '.') return;
          const at = (row * pitchY + y) * bitmap.widthPx + column * pitchX + x;
          bitmap.pixels[at] = on.has(segment) ? cellInks.on : cellInks.off;
        }),
      );
    });
}

/**
 * Draws what a display of characters shows, dot by dot or segment by segment. Each cell costs its own dots.
 * @param bitmap as `blankCells` makes it
 */
export function renderCells(bitmap: Bitmap, display: Made, rows: readonly string[]): void {
  if (display.cells === 'dots') drawDots(bitmap, display, rows);
  else drawSegments(bitmap, display, rows, display.cells);
}

/** The same in letters, to be read by people: `#` is on. */
export function cellsArt(display: Made, rows: readonly string[]): string[] {
  const bitmap = blankCells(display);
  renderCells(bitmap, display, rows);
  bitmap.pixels.forEach((ink, at) => (bitmap.pixels[at] = ink === cellInks.on ? 1 : 0));
  return bitmapArt(bitmap);
}

/**
 * Where the trim of a display of dots has to stand, in hundredths of its way: below, what is on fades away; above, what
 * is off comes up until all of it is a row of blocks. Typical of such displays; each has its own.
 */
export const contrastBand = { least: 25, most: 75 } as const;
/** From the edge of the band to where nothing, or everything, is to be seen. */
const fadesOver = 20;
/** Segments that are off are seen a little. */
const offSeen = 0.06;

/** How dark what is on and what is off is, from 0 to 1. */
export function contrastOf({ cells, contrast }: Pick<TextDisplay, 'cells' | 'contrast'>): {
  on: number;
  off: number;
} {
  if (cells !== 'dots') return { on: 1, off: offSeen };
  const part = (far: number) => Math.min(1, Math.max(0, far / fadesOver));
  return {
    on: 1 - part(contrastBand.least - contrast),
    off: Math.max(contrast < contrastBand.least ? 0 : offSeen, part(contrast - contrastBand.most)),
  };
}

/** Colours by `cellInks`. */
export function shownCells(display: Pick<TextDisplay, 'cells' | 'contrast' | 'palette'>): Colour[] {
  const [ground, lit] = display.palette.map(readColour) as [Colour, Colour];
  const { on, off } = contrastOf(display);
  return [ground, mixed(ground, lit, off), mixed(ground, lit, on)];
}
