import { bitmapArt } from '../picture/index.ts';
import { boxCharacters } from './fonts/boxes.ts';
import { fontBytes, fonts, lackingIn, type FontName } from './fonts.ts';
import { specimen } from './glyphs.ts';

const lettered = (Object.keys(fonts) as FontName[]).filter((name) => name !== '16x24');
const art = (name: FontName, text: string): string[] => bitmapArt(specimen(fonts[name], text));
const from = (first: number, last: number): string[] =>
  Array.from({ length: last - first + 1 }, (_, n) => String.fromCodePoint(first + n));
const latin1 = [...from(0x20, 0x7e), ...from(0xa0, 0xff)];
const arrows = [...'←→↑↓↔↕↖↗↘↙↵'];
const blocks = [...'█▁▂▃▄▅▆▇▌▐▀░▒▓'];
const symbols = [...'•…€■□▲▼►◄♥♪✓✗★●○◆♦♫☀☾⚡⌂⏸⏹⏭⏮⚠✉⚙☑ΩπΔ≤≥≠≈√☺☹⌛⚑☕🔋🔒🔓🔔🔈🔊📶'];

describe('characters of the fonts', () => {
  it.each(lettered.filter((name) => name !== '4x6'))(
    '%s has all of Latin-1, arrows, signs and frames',
    (name) => {
      expect(symbols.length).toBeGreaterThan(40);
      const wanted = [...latin1, ...arrows, ...blocks, ...symbols, ...boxCharacters];
      expect(lackingIn(wanted.join(''), fonts[name])).toEqual([]);
    },
  );
  it('the smallest has what three columns can tell', () => {
    expect(lackingIn(latin1.join(''), fonts['4x6'])).toEqual(['¼', '½', '¾']);
    expect(lackingIn(boxCharacters.join(''), fonts['4x6'])).toEqual([]);
    expect(lackingIn('←→↑↓•♪♥✓⚡🔋🔒🔔', fonts['4x6'])).toEqual([]);
  });
  it.each(lettered)('%s keeps letters inside their cell, a column free, and tells them apart', (name) => {
    const { widthPx, heightPx, glyph } = fonts[name];
    const seen = new Map<string, string>();
    for (const character of latin1.filter((one) => !'\u00a0\u00ad°·¯´ª'.includes(one))) {
      const rows = glyph(character);
      if (rows === null) continue;
      expect(rows.length).toBeLessThanOrEqual(heightPx);
      expect(Math.max(...rows)).toBeLessThan(2 ** (widthPx - 1));
      // What hardly differs in three columns is not held against the smallest.
      if (name === '4x6' && character > '\u009f') continue;
      // Under a mark, some capitals are as small as small letters.
      const alike = seen.get(rows.join())?.toLowerCase() ?? character.toLowerCase();
      expect([character, alike]).toEqual([character, character > '\u009f' ? character.toLowerCase() : alike]);
      if (character <= '\u009f') expect([character, seen.get(rows.join())]).toEqual([character, undefined]);
      seen.set(rows.join(), character);
    }
  });
  it('puts marks over letters as they are by hand', () => {
    expect(art('6x8', 'Éï')).toEqual([
      '...#...#.#..',
      '..#.........',
      '#####..##...',
      '#.......#...',
      '####....#...',
      '#.......#...',
      '#####..###..',
      '............',
    ]);
    expect(art('5x7', 'Ñçã')).toEqual([
      '.#.#.......#.#.',
      '#.#.......#.#..',
      '#..#..###..###.',
      '##.#.#....#..#.',
      '#.##.#....#.##.',
      '#..#..###..#.#.',
      '......#........',
    ]);
    expect(art('4x6', 'Üé')).toEqual([
      '#.#...#.',
      '#.#..#..',
      '#.#.###.',
      '#.#.#...',
      '###..##.',
      '........',
    ]);
  });
  it('turns what opens a question the way round that closes it', () => {
    expect(art('6x8', '?¿')).toEqual([
      '.###....#...',
      '#...#.......',
      '....#...#...',
      '...#...#....',
      '..#...#.....',
      '......#...#.',
      '..#....###..',
      '............',
    ]);
  });
});

describe('frames', () => {
  it('are put together of pieces that meet', () => {
    expect(art('6x8', '┌┬╗').map((row) => row.slice(0, 12))).toEqual([
      '............',
      '............',
      '............',
      '..##########',
      '..#.....#...',
      '..#.....#...',
      '..#.....#...',
      '..#.....#...',
    ]);
    expect(art('6x8', '╔═╗')).toEqual([
      '..................',
      '..................',
      '.###############..',
      '.#.............#..',
      '.#.###########.#..',
      '.#.#.........#.#..',
      '.#.#.........#.#..',
      '.#.#.........#.#..',
    ]);
  });
  // Which sides each leads to, written down anew: a line that ends at an edge goes on behind it.
  const leads: Record<string, string> = {
    right: '─┌└├┬┴┼',
    left: '─┐┘┤┬┴┼',
    down: '│┌┐├┤┬┼',
    up: '│└┘├┤┴┼',
  };
  const doubled: Record<string, string> = {
    right: '═╔╚╠╦╩╬',
    left: '═╗╝╣╦╩╬',
    down: '║╔╗╠╣╦╬',
    up: '║╚╝╠╣╩╬',
  };
  it.each(lettered)('of %s meet at the same pixels on every side', (name) => {
    for (const sides of [leads, doubled]) {
      const edges: Record<string, Set<string>> = {};
      for (const character of boxCharacters.filter((one) => Object.values(sides).join('').includes(one))) {
        const rows = art(name, character);
        const edge = {
          right: rows.map((row) => row.at(-1)).join(''),
          left: rows.map((row) => row[0]).join(''),
          down: rows.at(-1)!,
          up: rows[0]!,
        };
        for (const [side, pixels] of Object.entries(edge)) {
          const leadsThere = sides[side]!.includes(character);
          // Two lines side by side fill the smallest cell from its left edge on.
          if (name === '4x6' && sides === doubled && side === 'left') continue;
          expect([character, side, pixels.includes('#')]).toEqual([character, side, leadsThere]);
          if (leadsThere)
            (edges[side === 'left' || side === 'right' ? 'across' : 'down'] ??= new Set()).add(pixels);
        }
      }
      expect(Object.values(edges).map((seen) => seen.size)).toEqual([1, 1]);
    }
  });
  it('are stored as wide as their cell, and so is every character beside them', () => {
    expect(fontBytes(fonts['6x8'], new Set('abc'))).toBe(15);
    expect(fontBytes(fonts['6x8'], new Set('ab─'))).toBe(18);
    expect(fontBytes(fonts['18x24'], new Set('─'))).toBe(54);
  });
});
