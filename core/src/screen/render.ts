import type { OrderOf } from '../flow/index.ts';
import { clamp } from '../kernel/index.ts';
import { blankBitmap, fillRect, straightLine, type Bitmap } from '../picture/index.ts';
import type { ElementKind } from './elements.ts';
import { fontForCells, fonts, type FontName } from './fonts.ts';
import {
  drawLegends,
  drawList,
  drawRunning,
  isAcross,
  legendsOf,
  leftOf,
  lengthOf,
  write,
} from './glyphs.ts';
import { near } from './near.ts';
import { numberText } from './numbers.ts';
import { inksOf } from './palette.ts';
import type { Stock } from './stock.ts';
import { drawBar, drawBox, drawDial, drawPicture, drawPlot, drawWave } from './shapes.ts';
import type { Screen } from '../gadget/index.ts';

/** What of an element goes on by itself: how it is just now. */
export interface Moment {
  /** It blinks, and cannot be seen. */
  off?: boolean;
  /** So many pixels has a text run to the left. */
  ranPx?: number;
  /** How a value went, the newest last; of a bar, where it was filled to at most. null: it was none. */
  values?: readonly (number | null)[];
  /** What sounders do: of each its pitch, Hz, 0 where it is silent, and how loud it is, %. */
  sounds?: readonly number[];
}

/** What an element of a page comes to in the moment in which it is drawn. */
export type Drawing = OrderOf<ElementKind> & Moment;

/** All that a picture is drawn from: values, not pixels. */
export interface Drawn {
  readonly pageId: string | null;
  /** Written in characters, over the page. */
  readonly rows: readonly string[];
  readonly drawings: readonly Drawing[];
}

/** Its value has not come yet, or is lost. */
const isUnknown = ({ unknownIf }: { unknownIf: number }): boolean => unknownIf !== 0;

/** The text of an element; null: it has none. Of a list it is the one of the cursor. */
export function textOf(drawing: Drawing): string | null {
  switch (drawing.kind) {
    case 'drawText':
      return drawing.text;
    case 'drawNumber':
      if (isUnknown(drawing)) return drawing.instead;
      return numberText(drawing.value, drawing.format, drawing.places, drawing.unit);
    case 'drawWord':
      return isUnknown(drawing) ? drawing.instead : (drawing.words[drawing.value] ?? '');
    case 'drawList':
      return drawing.lines[drawing.cursor] ?? null;
    case 'drawRunning':
      return drawing.text;
    default:
      return null;
  }
}

/** Of pictures, which never change: a display is asked for what it says again and again. */
const knownTexts = new WeakMap<readonly Drawing[], readonly string[]>();

/** Texts that can be read on a page, in the order in which they are drawn; one that blinks is read. */
export function textsOn({ drawings }: Drawn): readonly string[] {
  const known = knownTexts.get(drawings);
  if (known) return known;
  const texts = drawings.flatMap((drawing) => {
    if (drawing.onlyIf === 0) return [];
    return drawing.kind === 'drawLegends'
      ? drawing.words.filter((word) => word !== '')
      : (textOf(drawing) ?? []);
  });
  knownTexts.set(drawings, texts);
  return texts;
}
/** All that can be read: rows of characters lie over the page, and come first. */
export const readOn = (drawn: Drawn): string[] => [
  ...drawn.rows.map((row) => row.trim()).filter((row) => row !== ''),
  ...textsOn(drawn),
];

export interface Bounds {
  left: number;
  top: number;
  /** Left out, both. */
  right: number;
  bottom: number;
}

/** A picture by itself, in memory of its own. */
export function drawnBitmap(screen: Screen, drawn: Drawn, stock: Stock): Bitmap {
  const bitmap = blankBitmap(screen.widthPx, screen.heightPx);
  render(bitmap, screen, drawn, stock);
  return bitmap;
}

const boundsOfLegends = (legends: OrderOf<'drawLegends'>, stock: Stock, screen: Measures): Bounds => {
  const cell = stock.font(legends.font);
  const placed = legendsOf(legends, cell, screen).filter(({ word }) => word !== '');
  if (placed.length === 0) return { left: 0, top: 0, right: 0, bottom: 0 };
  const across = isAcross(legends.edge);
  return {
    left: across ? 0 : Math.min(...placed.map(({ left }) => left)) - 1,
    right: across
      ? screen.widthPx
      : Math.max(...placed.map(({ word, left }) => left + lengthOf(word) * cell.widthPx)),
    top: Math.min(...placed.map(({ top }) => top)),
    bottom: Math.max(...placed.map(({ top }) => top)) + cell.heightPx,
  };
};

/** How wide and high a display is in what its pages are measured in: pixels, or places of characters. */
export type Measures = Pick<Screen, 'widthPx' | 'heightPx'>;

/** What an element covers of a display, from its left and upper edge to its right and lower one, both left out. */
export function boundsOf(drawing: Drawing, stock: Stock, screen: Measures): Bounds {
  if (drawing.kind === 'drawLegends') return boundsOfLegends(drawing, stock, screen);
  const [x, y] = [near(drawing.x), near(drawing.y)];
  switch (drawing.kind) {
    case 'drawText':
    case 'drawNumber':
    case 'drawWord': {
      const characters = lengthOf(textOf(drawing)!);
      const cell = stock.font(drawing.font);
      const { widthPx, heightPx } = cell;
      const left = leftOf(drawing, cell, characters);
      return { left, top: y, right: left + characters * widthPx, bottom: y + heightPx };
    }
    case 'drawList': {
      const height = drawing.rows * stock.font(drawing.font).heightPx;
      return { left: x, top: y, right: x + near(drawing.width), bottom: y + height };
    }
    case 'drawRunning':
      return {
        left: x,
        top: y,
        right: x + near(drawing.width),
        bottom: y + stock.font(drawing.font).heightPx,
      };
    case 'drawDial': {
      const r = Math.max(0, near(drawing.radius));
      return { left: x - r, top: y - r, right: x + r + 1, bottom: y + r + 1 };
    }
    case 'drawPicture': {
      const { widthPx, heightPx } = stock.rasters.get(drawing.pictureId) ?? { widthPx: 0, heightPx: 0 };
      return { left: x, top: y, right: x + widthPx, bottom: y + heightPx };
    }
    case 'drawBar':
    case 'drawPlot':
    case 'drawWave':
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

/** Where nobody plays: one sounder, at concert pitch. */
const exampleSounds = [440, 100] as const;

/** @param most the last ink that the display has */
function draw(bitmap: Bitmap, drawing: Drawing, stock: Stock, most: number): void {
  if (drawing.onlyIf === 0 || drawing.off === true) return;
  const ink = clamp(drawing.ink, 0, most);
  switch (drawing.kind) {
    case 'drawText':
    case 'drawNumber':
    case 'drawWord': {
      const text = textOf(drawing)!;
      const font = stock.font(drawing.font);
      const left = leftOf(drawing, font, lengthOf(text));
      return write(bitmap, text, font, left, near(drawing.y), ink, drawing.inverted);
    }
    case 'drawList':
      return drawList(bitmap, drawing, stock.font(drawing.font), ink);
    case 'drawRunning':
      return drawRunning(bitmap, drawing, stock.font(drawing.font), drawing.ranPx ?? 0, ink);
    case 'drawLegends':
      return drawLegends(bitmap, drawing, stock.font(drawing.font), ink);
    case 'drawPlot':
      return drawPlot(bitmap, drawing, drawing.values ?? [isUnknown(drawing) ? null : drawing.value], ink);
    case 'drawWave':
      return drawWave(bitmap, drawing, drawing.sounds ?? exampleSounds, ink);
    case 'drawDial':
      // Of what is not known, nothing points anywhere.
      return isUnknown(drawing) ? undefined : drawDial(bitmap, drawing, ink);
    case 'drawBar':
      return drawBar(
        bitmap,
        isUnknown(drawing) ? { ...drawing, value: drawing.low } : drawing,
        drawing.values?.[0] ?? null,
        ink,
      );
    case 'drawBox':
      return drawBox(bitmap, drawing, ink);
    case 'drawLine': {
      const [toX, toY] = [near(drawing.toX), near(drawing.toY)];
      return straightLine(bitmap, near(drawing.x), near(drawing.y), toX, toY, ink);
    }
    case 'drawPicture':
      return drawPicture(bitmap, drawing, stock.rasters, ink, most);
  }
}

/** Where a display has its characters, and in which font: in the largest that has room, in the upper left corner. */
export const cellFont = ({ widthPx, heightPx, columns, rows }: Screen): FontName =>
  fontForCells(widthPx, heightPx, columns, rows) ?? '4x6';

/**
 * Draws a picture anew. Whole numbers only, but for where a wave is in its turn, and no memory that grows with what is drawn: as firmware does it.
 * Every element costs at most the display's pixels, a text at most its characters.
 * @param stock the gadget's pictures and fonts; a picture that is missing is not drawn
 */
export function render(bitmap: Bitmap, screen: Screen, { rows, drawings }: Drawn, stock: Stock): void {
  bitmap.pixels.fill(0);
  const most = inksOf(screen) - 1;
  for (const drawing of drawings) draw(bitmap, drawing, stock, most);
  const font = fonts[cellFont(screen)];
  const { widthPx, heightPx } = font;
  for (let y = 0; y < rows.length; y += 1) {
    let x = 0;
    for (const character of rows[y]!) {
      if (x >= screen.columns) break;
      const [left, top] = [x * widthPx, y * heightPx];
      x += 1;
      if (character === ' ') continue;
      fillRect(bitmap, left, top, left + widthPx, top + heightPx, 0);
      write(bitmap, character, font, left, top, 1);
    }
  }
}
