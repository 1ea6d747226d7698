import * as fc from 'fast-check';
import type { Frame } from '../gadget/index.ts';
import {
  bitmapFrame,
  bitsOf,
  blankFrame,
  frameBitmap,
  invertedFrame,
  mirroredFrame,
  rasterBytes,
  rasterOf,
  resizedFrame,
  scaledImage,
  shiftedFrame,
  stroked,
  strokeTools,
  upsideDownFrame,
  type GreyImage,
  type HandStroke,
} from './index.ts';

const plain = { across: false, down: false };
const stroke = (
  tool: HandStroke['tool'],
  points: number[][],
  patch: Partial<HandStroke> = {},
): HandStroke => ({
  tool,
  points: points.map(([x, y]) => ({ x: x!, y: y! })),
  ink: 1,
  mirrored: plain,
  ...patch,
});
const drawn = (width: number, height: number, ...strokes: HandStroke[]): Frame =>
  strokes.reduce(stroked, blankFrame(width, height));

describe('a stroke', () => {
  it('is a line from where the hand was to where it is, whatever the pace', () => {
    expect(drawn(6, 3, stroke('pencil', [[0, 0], [5, 0], [5, 2]]))).toEqual(['######', '.....#', '.....#']); // prettier-ignore
    expect(drawn(3, 1, stroke('pencil', [[1, 0]]))).toEqual(['.#.']);
    expect(drawn(5, 3, stroke('line', [[0, 0], [9, 9], [4, 2]]))).toEqual(['#....', '.##..', '...##']); // prettier-ignore
  });

  it('is the edge of a box or all of it, whichever corner comes first', () => {
    const edge = ['####', '#..#', '####'];
    expect(drawn(4, 3, stroke('box', [[3, 2], [0, 0]]))).toEqual(edge); // prettier-ignore
    expect(drawn(4, 3, stroke('box', [[0, 0], [3, 2]]))).toEqual(edge); // prettier-ignore
    expect(drawn(4, 3, stroke('filledBox', [[1, 1], [2, 2]]))).toEqual(['....', '.##.', '.##.']); // prettier-ignore
    expect(drawn(3, 3, stroke('box', [[1, 1], [1, 1]]))).toEqual(['...', '.#.', '...']); // prettier-ignore
  });

  it('is a round ellipse, at odd and at even sizes', () => {
    expect(drawn(5, 5, stroke('ellipse', [[0, 0], [4, 4]]))).toEqual(['.###.', '#...#', '#...#', '#...#', '.###.']); // prettier-ignore
    expect(drawn(6, 4, stroke('filledEllipse', [[0, 0], [5, 3]]))).toEqual(['.####.', '######', '######', '.####.']); // prettier-ignore
    expect(drawn(1, 1, stroke('ellipse', [[0, 0], [0, 0]]))).toEqual(['#']); // prettier-ignore
  });

  it('fills what hangs together by its sides, and no corner', () => {
    const ring = ['.#..', '#.#.', '.#..'];
    expect(stroked(ring, stroke('fill', [[1, 1]]))).toEqual(['.#..', '###.', '.#..']);
    expect(stroked(ring, stroke('fill', [[3, 0]]))).toEqual(['.###', '#.##', '.###']);
    expect(stroked(ring, stroke('fill', [[1, 0]], { ink: 0 }))).toEqual(['....', '#.#.', '.#..']);
    // Outside there is nothing to fill.
    expect(stroked(ring, stroke('fill', [[-1, 0]]))).toEqual(ring);
  });

  it('is done again on the other side where it is mirrored', () => {
    const both = { mirrored: { across: true, down: true } };
    expect(drawn(4, 3, stroke('pencil', [[0, 0]], both))).toEqual(['#..#', '....', '#..#']);
    expect(drawn(4, 1, stroke('pencil', [[0, 0]], { mirrored: { across: true, down: false } }))).toEqual([
      '#..#',
    ]);
  });

  it('never leaves the frame or changes its size, wherever a hand points', () => {
    const place = fc.oneof(fc.integer({ min: -20, max: 30 }), fc.constantFrom(1e9, -1e9, 2 ** 31));
    fc.assert(
      fc.property(
        fc.constantFrom(...strokeTools),
        fc.array(fc.tuple(place, place), { maxLength: 4 }),
        fc.boolean(),
        fc.boolean(),
        fc.boolean(),
        (tool, points, lit, across, down) => {
          const before = drawn(7, 5, stroke('line', [[0, 0], [6, 4]])); // prettier-ignore
          const after = stroked(
            before,
            stroke(tool, points, { ink: lit ? 1 : 0, mirrored: { across, down } }),
          );
          expect(after).toHaveLength(5);
          after.forEach((row, y) => {
            expect(row).toMatch(/^[#.]{7}$/);
            // What is drawn lit is never darker, and the other way round.
            [...row].forEach((pixel, x) => {
              if (pixel !== before[y]![x]) expect(pixel === '#').toBe(lit);
            });
          });
        },
      ),
    );
  });
});

describe('a frame', () => {
  const any = fc
    .tuple(fc.integer({ min: 1, max: 9 }), fc.integer({ min: 1, max: 9 }))
    .chain(([width, height]) =>
      fc.array(fc.string({ unit: fc.constantFrom('#', '.'), minLength: width, maxLength: width }), {
        minLength: height,
        maxLength: height,
      }),
    );

  it('comes back from its pixels, from twice mirrored, from shifted there and back', () => {
    fc.assert(
      fc.property(
        any,
        fc.integer({ min: -12, max: 12 }),
        fc.integer({ min: -12, max: 12 }),
        (frame, dx, dy) => {
          expect(bitmapFrame(frameBitmap(frame))).toEqual(frame);
          expect(invertedFrame(invertedFrame(frame))).toEqual(frame);
          expect(mirroredFrame(mirroredFrame(frame))).toEqual(frame);
          expect(upsideDownFrame(upsideDownFrame(frame))).toEqual(frame);
          expect(shiftedFrame(shiftedFrame(frame, dx, dy), -dx, -dy)).toEqual(frame);
          expect(resizedFrame(resizedFrame(frame, 12, 12), frame[0]!.length, frame.length)).toEqual(frame);
        },
      ),
    );
  });

  it('is moved, mirrored and cut as one expects', () => {
    const frame = ['##.', '..#'];
    expect(shiftedFrame(frame, 1, 0)).toEqual(['.##', '#..']);
    expect(shiftedFrame(frame, 0, 1)).toEqual(['..#', '##.']);
    expect(mirroredFrame(frame)).toEqual(['.##', '#..']);
    expect(upsideDownFrame(frame)).toEqual(['..#', '##.']);
    expect(resizedFrame(frame, 2, 3)).toEqual(['##', '..', '..']);
    // Ten by nine pixels: two strips of ten bytes a frame.
    expect(
      rasterBytes(rasterOf({ id: 'f1', name: 'Two', frames: [blankFrame(10, 9), blankFrame(10, 9)] })),
    ).toBe(40);
  });
});

describe('a picture from elsewhere', () => {
  const grey = (rows: number[][]): GreyImage => ({
    widthPx: rows[0]!.length,
    heightPx: rows.length,
    light: Uint8Array.from(rows.flat()),
  });

  it('is made smaller by the mean of what each pixel covers', () => {
    expect([...scaledImage(grey([[0, 100, 200, 40]]), 2, 1).light]).toEqual([50, 120]);
    // Three to two: each new one covers one and a half: (0 · 2 + 90 · 1) / 3 and (90 · 1 + 240 · 2) / 3.
    expect([...scaledImage(grey([[0, 90, 240]]), 2, 1).light]).toEqual([30, 190]);
    expect([...scaledImage(grey([[0], [90], [240]]), 1, 2).light]).toEqual([30, 190]);
  });

  it('is made larger by the pixel that lies there', () => {
    expect([...scaledImage(grey([[7, 9]]), 4, 2).light]).toEqual([7, 7, 9, 9, 7, 7, 9, 9]);
  });

  it('stays within its range at any size, and of one shade stays that', () => {
    const side = fc.integer({ min: 1, max: 17 });
    fc.assert(
      fc.property(side, side, side, side, fc.nat(255), (w, h, toW, toH, shade) => {
        const image = scaledImage(
          { widthPx: w, heightPx: h, light: new Uint8Array(w * h).fill(shade) },
          toW,
          toH,
        );
        expect(image.light).toHaveLength(toW * toH);
        expect(image.light.every((one) => one === shade)).toBe(true);
      }),
    );
  });

  it('is lit from the threshold on, or below it where it is turned over', () => {
    const row = grey([[0, 127, 128, 255]]);
    const bits = (inverted: boolean) =>
      bitmapFrame(bitsOf(row, { dithering: 'threshold', threshold: 128, inverted }));
    expect(bits(false)).toEqual(['..##']);
    expect(bits(true)).toEqual(['##..']);
  });

  it('has as many lit pixels as it is light, where it is dithered', () => {
    for (const dithering of ['pattern', 'diffused'] as const)
      for (const shade of [0, 32, 64, 128, 200, 255]) {
        const image = { widthPx: 64, heightPx: 64, light: new Uint8Array(4_096).fill(shade) };
        const { pixels } = bitsOf(image, { dithering, threshold: 128, inverted: false });
        const share = pixels.reduce((sum, one) => sum + one, 0) / 4_096;
        expect(Math.abs(share - shade / 255)).toBeLessThan(0.03);
      }
  });

  it('passes on what was lost, by hand', () => {
    // 100: dark, 7/16 of 100 go right: 43.75, of which 43 count; 143: lit, −112 of which 7/16 is −49; 51: dark.
    const image = grey([[100, 100, 100]]);
    expect(bitmapFrame(bitsOf(image, { dithering: 'diffused', threshold: 128, inverted: false }))).toEqual([
      '.#.',
    ]);
  });
});
