import type { Bitmap } from './bitmap.ts';
import type { GreyImage } from './image.ts';

/**
 * How light becomes lit or dark: by one threshold; by thresholds in a pattern of eight by eight; by passing on what
 * was lost to the neighbours.
 */
export const ditherings = ['threshold', 'pattern', 'diffused'] as const;
export type Dithering = (typeof ditherings)[number];

export interface Bits {
  dithering: Dithering;
  /** From 1 to 255: as light as this is lit. */
  threshold: number;
  /** What is dark becomes lit. */
  inverted: boolean;
}

/** Numbers from 0 to 63, spread as evenly as can be: the usual matrix of ordered dithering, made by doubling. */
const pattern: readonly number[] = (() => {
  let cells = [[0]];
  while (cells.length < 8) {
    const { length } = cells;
    cells = Array.from({ length: 2 * length }, (_, y) =>
      Array.from({ length: 2 * length }, (__, x) => {
        const inner = 4 * cells[y % length]![x % length]!;
        return inner + [0, 2, 3, 1][(y >= length ? 2 : 0) + (x >= length ? 1 : 0)]!;
      }),
    );
  }
  return cells.flat();
})();

/**
 * What of an error goes where, in sixteenths: to the right, and to the row below at the left, in the middle and at the
 * right. Source: the usual error diffusion of four neighbours.
 */
const shares = { right: 7, belowLeft: 3, below: 5, belowRight: 1 };

/** What was lost of a row, and goes on to its own next pixels and to the row below. */
export interface PassedOn {
  /** What came to a pixel of this row. */
  at(x: number): number;
  /** So much was lost there. */
  pass(x: number, lost: number): void;
  nextRow(): void;
}
export function passedOn(widthPx: number): PassedOn {
  // Of this row and of the next, with one place on either side: in sixteenths.
  let here = new Int32Array(widthPx + 2);
  let below = new Int32Array(widthPx + 2);
  return {
    at: (x) => Math.trunc(here[x + 1]! / 16),
    pass(x, lost) {
      here[x + 2]! += lost * shares.right;
      below[x]! += lost * shares.belowLeft;
      below[x + 1]! += lost * shares.below;
      below[x + 2]! += lost * shares.belowRight;
    },
    nextRow() {
      [here, below] = [below, here];
      below.fill(0);
    },
  };
}

function diffused({ widthPx, heightPx, light }: GreyImage, threshold: number, pixels: Uint8Array): void {
  const lost = passedOn(widthPx);
  for (let y = 0; y < heightPx; y += 1) {
    for (let x = 0; x < widthPx; x += 1) {
      const value = light[y * widthPx + x]! + lost.at(x);
      const isLit = value >= threshold;
      pixels[y * widthPx + x] = isLit ? 1 : 0;
      lost.pass(x, value - (isLit ? 255 : 0));
    }
    lost.nextRow();
  }
}

/** What a pixel's place in the pattern adds to its light, from about minus half of `reach` to half of it. */
export const orderedLimit = (at: number, widthPx: number, reach: number): number => {
  const cell = pattern[(Math.floor(at / widthPx) % 8) * 8 + ((at % widthPx) % 8)]!;
  return Math.trunc(((cell - 32) * reach) / 64);
};

/** A picture of lit and dark pixels. The same picture and settings always give the same pixels. */
export function bitsOf(image: GreyImage, { dithering, threshold, inverted }: Bits): Bitmap {
  const { widthPx, heightPx } = image;
  const light = inverted ? image.light.map((one) => 255 - one) : image.light;
  const pixels = new Uint8Array(light.length);
  if (dithering === 'diffused') diffused({ widthPx, heightPx, light }, threshold, pixels);
  else
    for (let at = 0; at < light.length; at += 1) {
      // The pattern's middle is the threshold; it reaches from almost nothing to almost all.
      const cell = pattern[(Math.floor(at / widthPx) % 8) * 8 + ((at % widthPx) % 8)]!;
      const limit = dithering === 'threshold' ? threshold : threshold + (cell - 32) * 4 + 2;
      pixels[at] = light[at]! >= Math.max(1, Math.min(255, limit)) ? 1 : 0;
    }
  return { widthPx, heightPx, pixels };
}
