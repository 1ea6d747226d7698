import * as fc from 'fast-check';
import { runs } from '../test/runs.ts';
import { bitmapPng, bringPicture, ditherings, inkedBitmap, type GreyImage } from './index.ts';

const [black, white, red, blue] = [[0, 0, 0], [255, 255, 255], [255, 0, 0], [0, 0, 255]] as const; // prettier-ignore
const inks = [black, white, red, blue];

/** A row of colours. */
const row = (...colours: (readonly [number, number, number])[]): GreyImage => ({
  widthPx: colours.length,
  heightPx: 1,
  light: Uint8Array.from(colours, ([r, g, b]) => Math.round((r + g + b) / 3)),
  colours: [0, 1, 2].map((channel) => Uint8Array.from(colours, (one) => one[channel]!)) as never,
});
const grey = (widthPx: number, heightPx: number, light: number): GreyImage => ({
  widthPx,
  heightPx,
  light: new Uint8Array(widthPx * heightPx).fill(light),
});

describe('a picture in the inks of a display', () => {
  it('has every pixel in the nearest one', () => {
    const image = row([10, 5, 0], [240, 250, 235], [180, 40, 30], [20, 30, 200], [128, 0, 127]);
    // The last lies just as far from black as from none: red is a hair nearer than blue.
    expect([...inkedBitmap(image, inks, 'threshold').pixels]).toEqual([0, 1, 2, 3, 2]);
  });
  it('of no colour takes greys', () => {
    const greys = [black, white, [85, 85, 85], [170, 170, 170]] as const;
    expect([...inkedBitmap(grey(1, 1, 90), greys, 'threshold').pixels]).toEqual([2]);
    expect([...inkedBitmap(grey(1, 1, 200), greys, 'threshold').pixels]).toEqual([3]);
  });
  it('is as light as it was where what is lost is passed on', () => {
    // A third of the light between black and white: a third of the pixels, a few of the edges aside.
    const pixels = inkedBitmap(grey(60, 60, 85), [black, white], 'diffused').pixels;
    const lit = pixels.reduce((sum, ink) => sum + ink, 0);
    expect(lit / pixels.length).toBeGreaterThan(0.31);
    expect(lit / pixels.length).toBeLessThan(0.35);
    // Purple of red and blue, in turn: neither alone.
    const purple = inkedBitmap(
      row(...Array.from({ length: 40 }, () => [128, 0, 128] as const)),
      inks,
      'diffused',
    ).pixels;
    expect(purple.filter((ink) => ink === 2).length).toBeGreaterThan(12);
    expect(purple.filter((ink) => ink === 3).length).toBeGreaterThan(12);
  });
  it('takes turns between two inks in a pattern, and only between those', () => {
    const greys = [black, [128, 128, 128], [160, 160, 160]] as const;
    const { pixels } = inkedBitmap(grey(8, 8, 144), greys, 'pattern');
    const count = (ink: number) => pixels.filter((one) => one === ink).length;
    // Half-way: pushed down by 32 cells; the one that pushes nowhere leaves a draw, which the first takes.
    expect([count(0), count(1), count(2)]).toEqual([0, 33, 31]);
  });
  it('comes from a file, at another size, colour by colour', () => {
    const bitmap = { widthPx: 4, heightPx: 2, pixels: Uint8Array.from([2, 2, 3, 3, 2, 2, 3, 3]) };
    const bring = (size: { widthPx: number; heightPx: number }, wish: typeof inks | null) =>
      bringPicture(bitmapPng(bitmap, inks), {
        size,
        most: { widthPx: 64, heightPx: 64 },
        bits: { dithering: 'threshold', threshold: 60, inverted: false },
        inks: wish,
      });
    expect(bring({ widthPx: 2, heightPx: 1 }, inks)).toMatchObject({ outcome: 'read', frames: [['23']] });
    expect(bring({ widthPx: 8, heightPx: 1 }, inks)).toMatchObject({ frames: [['22223333']] });
    // In lit and dark: red is light enough, blue is not.
    expect(bring({ widthPx: 2, heightPx: 1 }, null)).toMatchObject({ frames: [['#.']] });
  });
  it('never has another ink than there are', () => {
    const image = fc.array(fc.tuple(fc.nat(255), fc.nat(255), fc.nat(255)), { minLength: 1, maxLength: 40 });
    fc.assert(
      fc.property(
        image,
        fc.constantFrom(...ditherings),
        fc.integer({ min: 2, max: 4 }),
        (colours, how, many) => {
          const { pixels } = inkedBitmap(row(...colours), inks.slice(0, many), how);
          expect(pixels.every((ink) => ink < many)).toBe(true);
        },
      ),
      { seed: 5, numRuns: runs(200) },
    );
  });
});
