import { textFontNames, type fontNames, type OwnFont } from '../gadget/index.ts';
import { boxCharacters, boxGlyph } from './fonts/boxes.ts';
import { cell4x6 } from './fonts/cell4x6.ts';
import { cell5x7 } from './fonts/cell5x7.ts';
import { cell6x8 } from './fonts/cell6x8.ts';
import { digits16x24 } from './fonts/digits16x24.ts';
import type { Glyph } from './fonts/glyph.ts';
import { bitsOf, withLetters } from './fonts/letters.ts';

export type FontName = (typeof fontNames)[number];

export interface Font {
  /** Of a cell, with the space to its neighbours. */
  readonly widthPx: number;
  readonly heightPx: number;
  /** Of a cell that are drawn, and kept in the memory of the chip: the gap to the next is not. */
  readonly drawnPx: number;
  /** null: it has no such character. */
  glyph(character: string): Glyph | null;
}

/** Reads a drawing: a line of characters, `height` lines of their pixels below it, and so on. */
function drawn(art: readonly string[], indent: number, width: number, height: number): Map<string, Glyph> {
  const glyphs = new Map<string, Glyph>();
  for (let line = 0; line < art.length; line += height + 1) {
    const [characters, rows] = [[...art[line]!], art.slice(line + 1, line + 1 + height)];
    for (let from = indent; from < rows[0]!.length; from += width + 1)
      glyphs.set(
        characters[from] ?? ' ',
        rows.map((row) => bitsOf(row.slice(from, from + width))),
      );
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

/** Every stroke a pixel wider. */
const bold = (glyph: Glyph): Glyph => glyph.map((row) => row | (row << 1));

/** Twice as high, and as wide as before; a slope of one pixel a row stays one, of two rows. */
const tall = (glyph: Glyph): Glyph => glyph.flatMap((row) => [row, row]);

/**
 * @param change made of each character when it is first asked for
 * @param frames frames can be put together of it, too
 */
function fontOf(
  widthPx: number,
  heightPx: number,
  glyphs: ReadonlyMap<string, Glyph>,
  change: (glyph: Glyph) => Glyph = (glyph) => glyph,
  frames = true,
): Font {
  const made = new Map<string, Glyph>();
  return {
    widthPx,
    heightPx,
    drawnPx: widthPx - 1,
    glyph(character) {
      const known = made.get(character);
      if (known) return known;
      const small = glyphs.get(character);
      const glyph = small ? change(small) : frames ? boxGlyph(character, widthPx, heightPx) : null;
      if (glyph) made.set(character, glyph);
      return glyph;
    },
  };
}

/** A font of the gadget's own. */
export function ownFont({ widthPx, heightPx, glyphs }: OwnFont): Font {
  const made = new Map(
    glyphs.map(({ character, rows }) => [
      character,
      rows.map((row) => [...row].reduce((sum, pixel, n) => (pixel === '#' ? sum + 2 ** n : sum), 0)),
    ]),
  );
  return { widthPx, heightPx, drawnPx: widthPx, glyph: (character) => made.get(character) ?? null };
}

const smallest = withLetters(drawn(cell4x6, 0, 3, 6), {
  marks: {
    grave: ['#..'],
    acute: ['..#'],
    circumflex: ['.#.'],
    tilde: ['.##'],
    diaeresis: ['#.#'],
    ring: ['.#.'],
  },
  cedilla: { row: 5, art: ['.#.'] },
  keeps: [0, 1, 2, 4],
  capitalRows: 5,
  smallFrom: 1,
});
const narrow = withLetters(drawn(cell5x7, 0, 4, 7), {
  marks: {
    grave: ['.#..', '..#.'],
    acute: ['..#.', '.#..'],
    circumflex: ['.##.'],
    tilde: ['.#.#', '#.#.'],
    diaeresis: ['#..#'],
    ring: ['.##.', '.##.'],
  },
  narrow: { grave: ['#...', '.#..'], circumflex: ['.#..', '#.#.'], diaeresis: ['#.#.'] },
  cedilla: { row: 6, art: ['.#..'] },
  keeps: [0, 2, 3, 5],
  capitalRows: 6,
  smallFrom: 2,
});
const usual = withLetters(drawn(cell6x8, 2, 5, 8), {
  marks: {
    grave: ['.#...', '..#..'],
    acute: ['...#.', '..#..'],
    circumflex: ['..#..', '.#.#.'],
    tilde: ['.#.#.', '#.#..'],
    diaeresis: ['.#.#.'],
    ring: ['.###.', '.#.#.'],
  },
  cedilla: { row: 7, art: ['..#..'] },
  keeps: [0, 1, 3, 4, 6],
  capitalRows: 7,
  smallFrom: 2,
});

/**
 * By the cell that a character has. The larger ones with letters are the usual one, made bold, higher, or larger as a
 * whole.
 */
export const fonts: Readonly<Record<FontName, Font>> = {
  '4x6': fontOf(4, 6, smallest),
  '5x7': fontOf(5, 7, narrow),
  '6x8': fontOf(6, 8, usual),
  '8x8': fontOf(8, 8, usual, bold),
  '8x16': fontOf(8, 16, usual, (glyph) => tall(bold(glyph))),
  '12x16': fontOf(12, 16, usual, (glyph) => enlarged(glyph, 2, 6)),
  '18x24': fontOf(18, 24, usual, (glyph) => enlarged(glyph, 3, 6)),
  '16x24': fontOf(16, 24, drawn(digits16x24, 0, 15, 24), (glyph) => glyph, false),
};

/** What hardly a keyboard has: signs, arrows, blocks, and what frames are put together of. */
export const signs: readonly string[] = [
  ...[...usual.keys()].filter((character) => character > '\u0113'),
  ...boxCharacters,
];

/** Characters of a text that the font does not have, each once, in order. */
export const lackingIn = (text: string, font: Font): string[] =>
  [...new Set(text)].filter((character) => font.glyph(character) === null);

/**
 * Bytes that a font takes in the memory of the chip, trimmed to those characters: whole bytes a column of eight. Pieces
 * of frames fill their cell, and so do all characters of a font that has some of them.
 */
export function fontBytes({ drawnPx, widthPx, heightPx }: Font, characters: ReadonlySet<string>): number {
  const framed = boxCharacters.some((character) => characters.has(character));
  return characters.size * (framed ? widthPx : drawnPx) * Math.ceil(heightPx / 8);
}

/** Largest font in which so many rows of so many characters lie on a display; null: not even the smallest. */
export function fontForCells(
  widthPx: number,
  heightPx: number,
  columns: number,
  rows: number,
): FontName | null {
  const fitting = textFontNames.filter(
    (name) => fonts[name].widthPx * columns <= widthPx && fonts[name].heightPx * rows <= heightPx,
  );
  return fitting.at(-1) ?? null;
}
