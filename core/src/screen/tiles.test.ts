import * as fc from 'fast-check';
import { runs } from '../test/runs.ts';
import { bitmapArt, blankBitmap, type Bitmap } from '../picture/index.ts';
import { changedRuns, partlySent, sendUs } from './tiles.ts';

function bitmapOf(widthPx: number, heightPx: number, lit: readonly (readonly [number, number])[]): Bitmap {
  const bitmap = blankBitmap(widthPx, heightPx);
  for (const [x, y] of lit) bitmap.pixels[y * widthPx + x] = 1;
  return bitmap;
}
/** So many bits a pixel, fitted as it was made or turned. */
const by = (bits: number, turned = 0) => ({ bits, pixels: { turned } });
const blank = (widthPx: number, heightPx: number) => blankBitmap(widthPx, heightPx);

describe('tiles that look otherwise', () => {
  it('are told as runs of bytes, side by side and row by row', () => {
    const is = bitmapOf(40, 16, [[0, 0], [9, 7], [33, 0], [20, 8]]); // prettier-ignore
    // Tiles 0 and 1 together, 4 apart from them; below it one.
    expect(changedRuns(blank(40, 16), is, by(1))).toEqual([16, 8, 8]);
    expect(changedRuns(is, is, by(1))).toEqual([]);
  });
  it('are narrower at the right edge, and whole bytes at the lower one', () => {
    expect(changedRuns(blank(12, 9), bitmapOf(12, 9, [[11, 8]]), by(1))).toEqual([4]);
    // Two bits: four pixels of a column share a byte; sixteen: every pixel has two.
    expect(changedRuns(blank(12, 9), bitmapOf(12, 9, [[0, 0]]), by(2))).toEqual([16]);
    expect(changedRuns(blank(12, 9), bitmapOf(12, 9, [[11, 8]]), by(16))).toEqual([8]);
  });
  it('run along the width that the display was made with, whichever way it is fitted', () => {
    const is = bitmapOf(40, 16, [[0, 0], [9, 7], [33, 0], [20, 8]]); // prettier-ignore
    const runsOf = (turned: number) => changedRuns(blank(40, 16), is, by(1, turned));
    // Turned by a quarter, tiles one below the other lie side by side: only the middle one has none above it.
    expect(runsOf(1)).toEqual([8, 8, 8, 8]);
    expect(runsOf(3)).toEqual([8, 8, 8, 8]);
    // Upside down, the last comes first.
    expect(runsOf(2)).toEqual([8, 8, 16]);
    const column = bitmapOf(40, 16, [[0, 0], [0, 15]]); // prettier-ignore
    expect(changedRuns(blank(40, 16), column, by(1, 1))).toEqual([16]);
    expect(changedRuns(blank(40, 16), column, by(1, 0))).toEqual([8, 8]);
  });
  it('come from the edge that was the first when the display was made', () => {
    const was = blank(16, 8);
    const is = bitmapOf(
      16,
      8,
      Array.from({ length: 16 * 8 }, (_, n) => [n % 16, n >> 4] as const),
    );
    /** How much of the upper row and of the left column is there, when a quarter of all is. */
    const quarter = (turned: number) => {
      const into = blank(16, 8);
      partlySent(into, was, is, 250, true, by(1, turned));
      const art = bitmapArt(into);
      return [art[0], art.map(([first]) => first).join('')];
    };
    // Four columns from the left; four rows of the right tile from the top; …
    expect(quarter(0)).toEqual(['####............', '########']);
    expect(quarter(1)).toEqual(['........########', '........']);
    expect(quarter(2)).toEqual(['............####', '........']);
    expect(quarter(3)).toEqual(['................', '....####']);
  });
  it('take the way to each run, and its bytes', () => {
    const bus = {
      frameBytes: 100,
      bufferBytes: 100,
      bits: 1,
      pixels: { widthPx: 8, heightPx: 8, turned: 0, depth: 0, buffer: 0, holds: 0 },
      startUs: 0,
      moveBytes: 3,
      us: (bytes: number) => 10 * bytes,
    };
    expect(sendUs(bus, [16, 8])).toBe(30 + 160 + 30 + 80);
    expect(sendUs(bus, [])).toBe(0);
  });
  it('are there one after the other while a picture is on its way', () => {
    const was = blank(24, 16);
    const is = bitmapOf(24, 16, [[0, 0], [7, 0], [9, 0], [3, 15]]); // prettier-ignore
    const at = (thousandths: number, whole: boolean) => {
      const into = bitmapOf(24, 16, [[5, 5]]);
      partlySent(into, was, is, thousandths, whole, by(1));
      return bitmapArt(into).flatMap((row, y) =>
        [...row].flatMap((pixel, x) => (pixel === '#' ? [[x, y]] : [])),
      );
    };
    // Three tiles of eight bytes: two beside one another, one below them.
    expect(at(0, false)).toEqual([]);
    expect(at(300, false)).toEqual([[0, 0]]);
    expect(at(334, false)).toEqual([[0, 0], [7, 0]]); // prettier-ignore
    expect(at(999, false)).toEqual([[0, 0], [7, 0], [9, 0], [3, 15]]); // prettier-ignore
    // All of it: 48 bytes.
    expect(at(209, true)).toEqual([[0, 0], [7, 0], [9, 0]]); // prettier-ignore
    expect(at(1_000, true)).toEqual([[0, 0], [7, 0], [9, 0], [3, 15]]); // prettier-ignore
  });
  it('sent over what was there give what is there now', () => {
    const size = { widthPx: 27, heightPx: 19 };
    const pixels = fc.array(fc.tuple(fc.nat(26), fc.nat(18)), { maxLength: 12 });
    fc.assert(
      fc.property(pixels, pixels, (before, after) => {
        const was = bitmapOf(size.widthPx, size.heightPx, before);
        const is = bitmapOf(size.widthPx, size.heightPx, after);
        // Tile by tile, as a display would take them.
        const sent: Bitmap = { ...was, pixels: was.pixels.slice() };
        let bytes = 0;
        for (let top = 0; top < size.heightPx; top += 8)
          for (let left = 0; left < size.widthPx; left += 8) {
            const tile = (of: Bitmap) => {
              const picked: number[] = [];
              for (let y = top; y < Math.min(size.heightPx, top + 8); y += 1)
                for (let x = left; x < Math.min(size.widthPx, left + 8); x += 1)
                  picked.push(of.pixels[y * size.widthPx + x]!);
              return picked;
            };
            if (tile(was).join() === tile(is).join()) continue;
            bytes += Math.min(8, size.widthPx - left);
            for (let y = top; y < Math.min(size.heightPx, top + 8); y += 1)
              for (let x = left; x < Math.min(size.widthPx, left + 8); x += 1)
                sent.pixels[y * size.widthPx + x] = is.pixels[y * size.widthPx + x]!;
          }
        expect(sent.pixels).toEqual(is.pixels);
        expect(changedRuns(was, is, by(1)).reduce((sum, run) => sum + run, 0)).toBe(bytes);
      }),
      { seed: 31, numRuns: runs(200) },
    );
  });
});
