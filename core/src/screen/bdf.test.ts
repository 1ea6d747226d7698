import * as fc from 'fast-check';
import { limits } from '../gadget/index.ts';
import { runs } from '../test/runs.ts';
import { FontFileError, readBdf } from './bdf.ts';

/** As the specification of the format has its own example, in small: an A and a j that hangs below the line. */
const file = (...glyphs: string[]) =>
  [
    'STARTFONT 2.1',
    'COMMENT drawn for a lantern',
    'FONT -cart-lantern-medium-r-normal--8-80-75-75-c-60-iso10646-1',
    'SIZE 8 75 75',
    'FONTBOUNDINGBOX 6 8 0 -2',
    'STARTPROPERTIES 2',
    'FAMILY_NAME "Lantern"',
    'FONT_ASCENT 6',
    'ENDPROPERTIES',
    `CHARS ${glyphs.length}`,
    ...glyphs,
    'ENDFONT',
    '',
  ].join('\n');
const glyph = (code: number, advance: number, box: string, ...rows: string[]) =>
  [
    `STARTCHAR c${code}`,
    `ENCODING ${code}`,
    'SWIDTH 500 0',
    `DWIDTH ${advance} 0`,
    `BBX ${box}`,
    'BITMAP',
    ...rows,
    'ENDCHAR',
  ].join('\n');
const a = glyph(65, 6, '5 5 0 0', '20', '50', '88', 'F8', '88');
const j = glyph(106, 6, '3 7 1 -2', '20', '00', '60', '20', '20', 'A0', '40');
const dot = glyph(46, 3, '1 1 1 0', '80');

const message = (text: string, characters: string | null = null): string => {
  try {
    readBdf(text, { characters });
    return 'read';
  } catch (error) {
    if (error instanceof FontFileError) return error.message;
    throw error;
  }
};

describe('a font from a BDF file', () => {
  it('has its characters on their line, each in its cell', () => {
    const { font, inFile, lacking, leftOut, ofOneWidth } = readBdf(file(a, j), { characters: null });
    expect(font).toEqual({
      name: 'Lantern',
      widthPx: 6,
      heightPx: 8,
      glyphs: [
        {
          character: 'A',
          rows: ['......', '..#...', '.#.#..', '#...#.', '#####.', '#...#.', '......', '......'],
        },
        {
          character: 'j',
          rows: ['......', '...#..', '......', '..##..', '...#..', '...#..', '.#.#..', '..#...'],
        },
      ],
    });
    expect([inFile, lacking, leftOut, ofOneWidth]).toEqual([2, [], 0, true]);
  });

  it('is trimmed to what is wanted, and says what it lacks', () => {
    const { font, lacking, inFile } = readBdf(file(a, j), { characters: 'AAé' });
    expect(font.glyphs.map(({ character }) => character)).toEqual(['A']);
    expect([lacking, inFile]).toEqual([['é'], 2]);
  });

  it('of several widths has cells as wide as the widest, and says so', () => {
    const { font, ofOneWidth } = readBdf(file(a, dot), { characters: null });
    expect([font.widthPx, ofOneWidth]).toEqual([6, false]);
    expect(font.glyphs[1]!.rows[5]).toBe('.#....');
    expect(readBdf(file(a, dot), { characters: '.' }).font.widthPx).toBe(3);
  });

  it('may end its lines as it likes, have shapes without a code, and come without a name', () => {
    const other = file(a, glyph(-1, 6, '1 1 0 0', '80')).replace(/\n/g, '\r\n');
    expect(readBdf(other, { characters: null })).toMatchObject({
      inFile: 2,
      font: { glyphs: [{ character: 'A' }] },
    });
    const nameless = file(a)
      .replace(/^FONT .*\n/m, '')
      .replace(/^FAMILY.*\n/m, '');
    expect(readBdf(nameless, { characters: null }).font.name).toBe('Font');
  });

  it.each([
    ['', 'which begins with STARTFONT'],
    ['hello', 'which begins with STARTFONT'],
    ['STARTFONT 2.1', 'ends in the middle'],
    [file(a).slice(0, -20), 'ends in the middle'],
    [file(a).replace(/^FONTBOUNDINGBOX.*$/m, ''), 'a box of all characters'],
    [file(a).replace('6 8 0 -2', '6 8 0'), 'as 4 whole numbers'],
    [file(a).replace('6 8 0 -2', '6 99999 0 -2'), 'of at most 256 pixels'],
    [file(a).replace('BBX 5 5 0 0', 'BBX 5 x 0 0'), 'as 4 whole numbers'],
    [file(a).replace(/^BBX.*$/m, ''), 'in front of the pixels'],
    [file(a).replace('F8', 'FG'), 'in hexadecimal digits'],
    [file(glyph(65, 6, '20 1 0 0', 'F8')), 'a row of 20 pixels'],
    [file(glyph(65, 40, '5 1 0 0', 'F8')), 'at most 32 × 64 pixels, and these take 40 × 8'],
    [file(glyph(-1, 6, '5 1 0 0', 'F8')), 'at least one character with a code'],
    [file(), 'at least one character with a code'],
  ])('%#: is refused with what was expected', (text, expected) => {
    expect(message(text)).toContain(expected);
  });

  it('has some of what is wanted, or is refused; more than there is room for is left out', () => {
    expect(message(file(a), 'xyz')).toContain('it has none of them');
    const many = Array.from({ length: limits.fontGlyphs + 3 }, (_, n) =>
      glyph(0x4e00 + n, 6, '1 1 0 0', '80'),
    );
    const { font, leftOut } = readBdf(file(...many), { characters: null });
    expect([font.glyphs.length, leftOut]).toEqual([limits.fontGlyphs, 3]);
  });

  it('is read or refused, whatever is in it, and draws no pixel outside its cells', () => {
    const piece = fc.constantFrom(
      a,
      j,
      dot,
      'BITMAP',
      'ENDCHAR',
      'STARTCHAR x',
      'BBX 3 3 -9 9',
      'ENCODING 65',
      'DWIDTH -3 0',
      'FF',
      'ENDFONT',
      'STARTFONT 2.1',
      'ENCODING 55296',
      'ENCODING 99999999',
    );
    fc.assert(
      fc.property(fc.array(piece, { maxLength: 12 }), fc.string({ maxLength: 30 }), (pieces, garbage) => {
        for (const text of [file(...pieces), file(...pieces, garbage), `STARTFONT 2.1\n${pieces.join('\n')}`])
          try {
            const { font } = readBdf(text, { characters: null });
            for (const { rows } of font.glyphs) {
              expect(rows).toHaveLength(font.heightPx);
              for (const row of rows) expect(row).toMatch(new RegExp(`^[#.]{${font.widthPx}}$`));
            }
          } catch (error) {
            if (!(error instanceof FontFileError)) throw error;
          }
      }),
      { seed: 51, numRuns: runs(200) },
    );
  });
});
