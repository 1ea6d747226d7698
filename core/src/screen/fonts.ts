import { cell4x6 } from './fonts/cell4x6.ts';
import { cell6x8 } from './fonts/cell6x8.ts';
import type { fontNames } from '../gadget/index.ts';

export type FontName = (typeof fontNames)[number];

/** The rows of a character from the top, each a number whose bit 0 is its leftmost pixel. */
export type Glyph = readonly number[];

export interface Font {
  /** Of a cell, with the space to its neighbours. */
  readonly widthPx: number;
  readonly heightPx: number;
  /** null: it has no such character. */
  glyph(character: string): Glyph | null;
}

/** Reads a drawing: a line of characters, `height` lines of their pixels below it, and so on. */
function drawn(art: readonly string[], indent: number, width: number, height: number): Map<string, Glyph> {
  const glyphs = new Map<string, Glyph>();
  for (let line = 0; line < art.length; line += height + 1) {
    const rows = art.slice(line + 1, line + 1 + height);
    for (let from = indent; from < rows[0]!.length; from += width + 1) {
      const bits = rows.map((row) =>
        [...row.slice(from, from + width)].reduce((sum, pixel, n) => sum | (pixel === '#' ? 1 << n : 0), 0),
      );
      glyphs.set(art[line]!.charAt(from) || ' ', bits);
    }
  }
  return glyphs;
}

const isLit = (glyph: Glyph, x: number, y: number): boolean => x >= 0 && (((glyph[y] ?? 0) >> x) & 1) === 1;

/**
 * The same so many times as large. A corner between two lit neighbours that belong together is filled or cut, so that
 * slopes stay slopes.
 */
function enlarged(glyph: Glyph, by: number, width: number): Glyph {
  const rows = Array<number>(glyph.length * by).fill(0);
  for (let y = 0; y < glyph.length; y += 1)
    for (let x = 0; x < width; x += 1) {
      const at = (dx: number, dy: number) => isLit(glyph, x + dx, y + dy);
      const self = at(0, 0);
      for (let v = 0; v < by; v += 1)
        for (let u = 0; u < by; u += 1) {
          const dx = u === 0 ? -1 : u === by - 1 ? 1 : 0;
          const dy = v === 0 ? -1 : v === by - 1 ? 1 : 0;
          const corner = dx !== 0 && dy !== 0;
          const together =
            corner && at(dx, 0) === at(0, dy) && at(dx, 0) !== at(-dx, 0) && at(0, dy) !== at(0, -dy);
          if (together ? at(dx, 0) : self) rows[y * by + v]! |= 1 << (x * by + u);
        }
    }
  return rows;
}

function fontOf(widthPx: number, heightPx: number, glyphs: ReadonlyMap<string, Glyph>, by = 1): Font {
  const made = new Map<string, Glyph>();
  return {
    widthPx: widthPx * by,
    heightPx: heightPx * by,
    glyph(character) {
      const known = made.get(character);
      if (known) return known;
      const small = glyphs.get(character);
      if (!small) return null;
      const glyph = by === 1 ? small : enlarged(small, by, widthPx);
      made.set(character, glyph);
      return glyph;
    },
  };
}

const usual = drawn(cell6x8, 2, 5, 8);

/** By the cell that a character has. The two large ones are the usual one, made larger. */
export const fonts: Readonly<Record<FontName, Font>> = {
  '4x6': fontOf(4, 6, drawn(cell4x6, 0, 3, 6)),
  '6x8': fontOf(6, 8, usual),
  '12x16': fontOf(6, 8, usual, 2),
  '18x24': fontOf(6, 8, usual, 3),
};

/** Characters of a text that the font does not have, each once, in order. */
export const lackingIn = (text: string, font: FontName): string[] =>
  [...new Set(text)].filter((character) => fonts[font].glyph(character) === null);

/** Bytes that a font takes in the memory of the chip, trimmed to so many characters: whole bytes a column of eight. */
export const fontBytes = (font: FontName, characters: number): number =>
  characters * (fonts[font].widthPx - 1) * Math.ceil(fonts[font].heightPx / 8);

/** Largest font in which so many rows of so many characters lie on a display; null: not even the smallest. */
export function fontForCells(
  widthPx: number,
  heightPx: number,
  columns: number,
  rows: number,
): FontName | null {
  const fitting = (Object.keys(fonts) as FontName[]).filter(
    (name) => fonts[name].widthPx * columns <= widthPx && fonts[name].heightPx * rows <= heightPx,
  );
  return fitting.at(-1) ?? null;
}
