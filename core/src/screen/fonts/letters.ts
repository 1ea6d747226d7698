import type { Glyph } from './glyph.ts';

/** Letters of Latin-1 that are another letter with a mark over it or below. */
const composed: Readonly<Record<string, readonly [letter: string, mark: Mark]>> = Object.fromEntries(
  Object.entries({
    grave: 'ÀA ÈE ÌI ÒO ÙU àa èe ìi òo ùu',
    acute: 'ÁA ÉE ÍI ÓO ÚU ÝY áa ée íi óo úu ýy',
    circumflex: 'ÂA ÊE ÎI ÔO ÛU âa êe îi ôo ûu',
    tilde: 'ÃA ÑN ÕO ãa ñn õo',
    diaeresis: 'ÄA ËE ÏI ÖO ÜU äa ëe ïi öo üu ÿy',
    ring: 'ÅA åa',
    cedilla: 'ÇC çc',
  } satisfies Record<Mark, string>).flatMap(([mark, pairs]) =>
    pairs.split(' ').map((pair) => [pair[0]!, [pair[1]!, mark as Mark]]),
  ),
);
type Mark = 'grave' | 'acute' | 'circumflex' | 'tilde' | 'diaeresis' | 'ring' | 'cedilla';

/** How a font puts marks to its letters. Art, from the upper left corner of the cell. */
export interface Marks {
  marks: Readonly<Record<Exclude<Mark, 'cedilla'>, readonly string[]>>;
  /** Over letters that are narrower; others are as they are. */
  narrow?: Partial<Marks['marks']>;
  /** Hangs from that row on. */
  cedilla: { row: number; art: readonly string[] };
  /** Rows of a capital that stay below a mark, from the top. */
  keeps: readonly number[];
  /** Rows of a capital, and the first one of a small letter without a head. */
  capitalRows: number;
  smallFrom: number;
}

export const bitsOf = (row: string): number =>
  [...row].reduce((sum, pixel, n) => sum | (pixel === '#' ? 1 << n : 0), 0);

const isCapital = (letter: string): boolean => letter < 'a';
const narrowLetters = 'IiY';

/** Upside down and back to front, in the rows that a capital has. */
function turnedAround(glyph: Glyph, rows: number): Glyph {
  const width = Math.max(...glyph.map((bits) => 32 - Math.clz32(bits)));
  const shift = Math.min(...glyph.filter((bits) => bits !== 0).map((bits) => 31 - Math.clz32(bits & -bits)));
  const around = (bits: number): number => {
    let turned = 0;
    for (let n = shift; n < width; n += 1) if ((bits >> n) & 1) turned |= 1 << (width - 1 - n + shift);
    return turned;
  };
  return glyph.map((_, row) => (row < rows ? around(glyph[rows - 1 - row]!) : 0));
}

/** A font with what follows from its letters: those with marks, the signs that open a question and a call. */
export function withLetters(
  glyphs: ReadonlyMap<string, Glyph>,
  { marks, narrow, cedilla, keeps, capitalRows, smallFrom }: Marks,
): Map<string, Glyph> {
  const all = new Map(glyphs);
  for (const [character, [letter, mark]] of Object.entries(composed)) {
    if (all.has(character)) continue;
    const bare = glyphs.get(letter)!;
    if (mark === 'cedilla') {
      const hangs = cedilla.art.map(bitsOf);
      all.set(
        character,
        bare.map((bits, row) => bits | (hangs[row - cedilla.row] ?? 0)),
      );
      continue;
    }
    const over = ((narrowLetters.includes(letter) ? narrow?.[mark] : undefined) ?? marks[mark]).map(bitsOf);
    const below = isCapital(letter)
      ? bare.map((bits, row) => {
          const from = row - (capitalRows - keeps.length);
          return row >= capitalRows ? bits : from < 0 ? 0 : bare[keeps[from]!]!;
        })
      : bare.map((bits, row) => (row < smallFrom ? 0 : bits));
    all.set(
      character,
      below.map((bits, row) => bits | (over[row] ?? 0)),
    );
  }
  for (const [character, upright] of ['¡!', '¿?'])
    all.set(character!, turnedAround(glyphs.get(upright!)!, capitalRows));
  all.set('\u00a0', glyphs.get(' ')!);
  return all;
}
