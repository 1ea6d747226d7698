import * as fc from 'fast-check';
import { depths, usualPalette, type Screen } from '../gadget/index.ts';
import { exactSinDegrees } from '../kernel/index.ts';
import { runs } from '../test/runs.ts';
import { bitmapArt, bitmapPbm, blankBitmap } from '../picture/index.ts';
import { fontBytes, fontForCells, fonts, lackingIn, type FontName } from './fonts.ts';
import { numberText, type NumberFormat } from './numbers.ts';
import { boundsOf, render, textsOn, type Drawing } from './render.ts';
import { inksOf, shownInks } from './palette.ts';
import { stockOf } from './stock.ts';
import { filledPx } from './shapes.ts';

const glassOf = (widthPx: number, heightPx: number, patch: Partial<Screen> = {}): Screen => ({
  id: 'o1',
  kind: 'screen',
  name: 'Glass',
  widthPx,
  heightPx,
  wideMm: 50,
  columns: Math.max(1, Math.floor(widthPx / 6)),
  rows: Math.max(1, Math.floor(heightPx / 8)),
  sends: 'free',
  dims: null,
  update: 'whole',
  mostHz: 20,
  depth: 'mono',
  palette: ['#000000', '#ffffff'],
  ...patch,
});
const stock = stockOf({
  fonts: [],
  pictures: [
    {
      id: 'f1',
      name: 'Flag',
      frames: [
        ['##.', '#.#', '#..'],
        ['.##', '###', '..#'],
      ],
    },
  ],
});
function drawn(
  widthPx: number,
  heightPx: number,
  drawings: Drawing[],
  rows: string[] = [],
  patch: Partial<Screen> = {},
): string[] {
  const bitmap = blankBitmap(widthPx, heightPx);
  // What stood there before is gone.
  bitmap.pixels.fill(1);
  render(bitmap, glassOf(widthPx, heightPx, patch), { pageId: null, rows, drawings }, stock);
  return bitmapArt(bitmap);
}
const placed = { onlyIf: 1, blinks: 'steady', ink: 1, group: 0, x: 0, y: 0, unknownIf: 0 };
const text = (words: string, patch: object = {}): Drawing =>
  ({
    kind: 'drawText',
    ...placed,
    font: '6x8',
    align: 'left',
    inverted: false,
    text: words,
    ...patch,
  }) as Drawing;
const picture = (patch: object = {}): Drawing =>
  ({ kind: 'drawPicture', ...placed, pictureId: 'f1', frame: 0, how: 'over', ...patch }) as Drawing;
const bar = (value: number, patch: object = {}): Drawing =>
  ({
    kind: 'drawBar', ...placed, width: 12, height: 3, value, low: 0, high: 100, grows: 'right', framed: false, blocks: 0, peakMs: 0, unknownIf: 0, ...patch,
  }) as Drawing; // prettier-ignore
const box = (how: string, patch: object = {}): Drawing =>
  ({ kind: 'drawBox', ...placed, width: 5, height: 4, how, ...patch }) as Drawing;
const line = (x: number, y: number, toX: number, toY: number): Drawing =>
  ({ kind: 'drawLine', ...placed, x, y, toX, toY }) as Drawing;

describe('a picture', () => {
  it('has its texts in pixels', () => {
    expect(drawn(36, 8, [text('Heat 9')])).toEqual([
      '#...#..............#...........###..',
      '#...#..............#..........#...#.',
      '#...#..###...###..###.........#...#.',
      '#####.#...#.....#..#...........####.',
      '#...#.#####..####..#..............#.',
      '#...#.#.....#...#..#..#..........#..',
      '#...#..###...####...##.........##...',
      '....................................',
    ]);
    expect(drawn(12, 6, [text('48°', { font: '4x6' })])).toEqual([
      '#.#.###..#..',
      '#.#.#.#.#.#.',
      '###.###..#..',
      '..#.#.#.....',
      '..#.###.....',
      '............',
    ]);
    // Twice as large, with slopes that stay slopes.
    expect(drawn(12, 16, [text('7', { font: '12x16' })])).toEqual([
      '#########...',
      '##########..',
      '........##..',
      '........##..',
      '......###...',
      '.....###....',
      '....###.....',
      '...###......',
      '..###.......',
      '..##........',
      '..##........',
      '..##........',
      '..##........',
      '..##........',
      '............',
      '............',
    ]);
  });

  it('has a frame where a font lacks a character, and a lit ground where it is asked for', () => {
    expect(drawn(12, 8, [text('中'), text('I', { x: 6, inverted: true })])).toEqual([
      '#####.#...##',
      '#...#.##.###',
      '#...#.##.###',
      '#...#.##.###',
      '#...#.##.###',
      '#...#.##.###',
      '#####.#...##',
      '......######',
    ]);
  });

  it('has texts at their left end, their middle, their right end', () => {
    const at = (align: string, x: number) => drawn(24, 8, [text('II', { align, x })])[0];
    expect(at('left', 2)).toBe('...###...###............');
    expect(at('centre', 12)).toBe('.......###...###........');
    expect(at('right', 24)).toBe('.............###...###..');
  });

  it('fills bars from one end', () => {
    expect(drawn(12, 3, [bar(50)])[1]).toBe('######......');
    expect(drawn(12, 3, [bar(50, { grows: 'left' })])[1]).toBe('......######');
    expect(drawn(4, 4, [bar(50, { width: 4, height: 4, grows: 'up' })])).toEqual([
      '....',
      '....',
      '####',
      '####',
    ]);
    expect(drawn(4, 4, [bar(25, { width: 4, height: 4, grows: 'down' })])).toEqual([
      '####',
      '....',
      '....',
      '....',
    ]);
    expect(drawn(12, 5, [bar(100, { height: 5, framed: true })])).toEqual([
      '############',
      '#..........#',
      '#.########.#',
      '#..........#',
      '############',
    ]);
    // At low none, at high all, beyond either no more; nothing between two that are one.
    expect([-9, 0, 1, 99, 100, 2 ** 31 - 1].map((value) => filledPx(value, 0, 100, 12))).toEqual([
      0, 0, 0, 11, 12, 12,
    ]);
    expect([filledPx(5, 7, 7, 12), filledPx(5, 9, 3, 12)]).toEqual([0, 0]);
  });

  it('has boxes and lines; what is inverted twice is as it was', () => {
    expect(drawn(5, 4, [box('outline')])).toEqual(['#####', '#...#', '#...#', '#####']);
    expect(drawn(5, 4, [box('filled'), box('cleared', { x: 1, y: 1, width: 3, height: 2 })])).toEqual(
      drawn(5, 4, [box('outline')]),
    );
    expect(drawn(5, 4, [box('outline'), box('inverted'), box('inverted')])).toEqual(
      drawn(5, 4, [box('outline')]),
    );
    expect(drawn(8, 4, [line(0, 0, 7, 3)])).toEqual(['##......', '..##....', '....##..', '......##']);
    expect(drawn(3, 4, [line(2, 3, 0, 0)])).toEqual(['#..', '.#.', '.#.', '..#']);
    expect(drawn(3, 1, [line(1, 0, 1, 0)])).toEqual(['.#.']);
  });

  it('turns dials over three quarters, from the lower left on', () => {
    const dial = (value: number, how: string): Drawing =>
      ({ kind: 'drawDial', ...placed, x: 5, y: 5, radius: 5, value, low: 0, high: 100, how }) as Drawing;
    const lit = (value: number) =>
      drawn(11, 11, [dial(value, 'needle')]).flatMap((row, y) =>
        [...row].flatMap((pixel, x) => (pixel === '#' ? [[x, y]] : [])),
      );
    // To the lower left, straight up, to the lower right, each from the middle.
    expect(lit(0)).toEqual(
      [
        [5, 5],
        [4, 6],
        [3, 7],
        [2, 8],
        [1, 9],
      ].sort((a, b) => a[1]! - b[1]!),
    );
    expect(lit(50)).toEqual([0, 1, 2, 3, 4, 5].map((y) => [5, y]));
    expect(lit(100).at(-1)).toEqual([9, 9]);
    expect(drawn(11, 11, [dial(50, 'arc')])).toEqual([
      '...###.....',
      '..####.....',
      '.#####.....',
      '####.......',
      '###........',
      '###........',
      '###........',
      '####.......',
      '.##........',
      '...........',
      '...........',
    ]);
  });

  it('fills rings and slices all round, from the top on, and nothing at their lowest', () => {
    const dial = (value: number, how: string): Drawing =>
      ({ kind: 'drawDial', ...placed, x: 4, y: 4, radius: 4, value, low: 0, high: 100, how }) as Drawing;
    expect(drawn(9, 9, [dial(25, 'ring')])).toEqual([
      '....###..',
      '....####.',
      '....#####',
      '......###',
      '......###',
      '.........',
      '.........',
      '.........',
      '.........',
    ]);
    expect(drawn(9, 9, [dial(75, 'pie')])).toEqual([
      '....###..',
      '....####.',
      '....#####',
      '....#####',
      '#########',
      '#########',
      '#########',
      '.#######.',
      '..#####..',
    ]);
    expect(drawn(9, 9, [dial(0, 'ring'), dial(0, 'pie'), dial(0, 'arc')]).join('')).not.toContain('#');
    const whole = drawn(9, 9, [dial(100, 'pie')]);
    expect([whole, whole.toReversed()]).toEqual([whole.map((row) => [...row].reverse().join('')), whole]);
    // However large, there is no hole in an arc.
    const large = drawn(200, 100, [
      {
        kind: 'drawDial',
        ...placed,
        x: 100,
        y: 99,
        radius: 98,
        value: 1,
        low: 0,
        high: 1,
        how: 'arc',
      } as Drawing,
    ]);
    large.slice(1, 90).forEach((row) => expect(row).toMatch(/^\.*#+\.*(#+\.*)?$/));
  });

  it('fills bars a whole block at a time, with a gap between them', () => {
    const blocks = (value: number, patch: object = {}) => bar(value, { blocks: 4, ...patch });
    expect([0, 24, 25, 60, 100].map((value) => drawn(12, 3, [blocks(value)])[1])).toEqual([
      '............',
      '............',
      '##..........',
      '##.##.......',
      '##.##.##.###',
    ]);
    expect(drawn(1, 8, [blocks(50, { width: 1, height: 8, grows: 'up' })]).join('')).toBe('.....#.#');
    expect(drawn(12, 3, [blocks(50, { grows: 'left' })])[1]).toBe('.......##.##');
    // Narrower than a pixel each, no gap is left.
    expect(drawn(12, 3, [bar(100, { blocks: 12 })])[1]).toBe('############');
  });

  it('runs a text through its window, its beginning behind its end, and lets one stand that has room', () => {
    const running = (words: string, ranPx: number): Drawing =>
      ({
        kind: 'drawRunning',
        ...placed,
        x: 2,
        font: '4x6',
        width: 10,
        text: words,
        stepMs: 50,
        ranPx,
      }) as Drawing;
    const row = (words: string, ranPx: number) => drawn(14, 6, [running(words, ranPx)])[2];
    expect(row('LI', 0)).toBe(drawn(14, 6, [text('LI', { x: 2, font: '4x6' })])[2]);
    expect([0, 1, 4, 12, 20, 24].map((ran) => row('LII', ran))).toEqual([
      '..#....#...#..',
      '......#...#...',
      '...#...#......',
      '..............',
      '......#....#..',
      '..#....#...#..',
    ]);
  });

  it('has legends in the middle of their shares of an edge, and none where a word is empty', () => {
    const legends = (edge: string, words: string[], inverted = false): Drawing =>
      ({
        kind: 'drawLegends',
        onlyIf: 1,
        blinks: 'steady',
        group: 0,
        ink: 1,
        font: '4x6',
        edge,
        words,
        inverted,
      }) as Drawing;
    expect(drawn(24, 8, [legends('bottom', ['I', '', 'I'])])).toEqual([
      '........................',
      '........................',
      '..###.............###...',
      '...#...............#....',
      '...#...............#....',
      '...#...............#....',
      '..###.............###...',
      '........................',
    ]);
    // A pixel between two grounds.
    expect(drawn(24, 6, [legends('top', ['I', 'I'], true)])[5]).toBe('############.###########');
    const left = drawn(12, 24, [legends('left', ['I', 'L'])]);
    expect(left.map((row, y) => (row.includes('#') ? y : -1)).filter((y) => y >= 0)).toEqual([
      3, 4, 5, 6, 7, 15, 16, 17, 18, 19,
    ]);
    expect(left[3]).toBe('.###........');
    expect(drawn(12, 24, [legends('right', ['I', 'L'])])[3]).toBe('........###.');
  });

  it('plots values from the right end on, the newest last', () => {
    const plot = (how: string, values: number[], patch: object = {}): Drawing =>
      ({ kind: 'drawPlot', ...placed, width: 6, height: 4, low: 0, high: 3, value: 0, everyMs: 50, unknownIf: 0, how, values, ...patch }) as Drawing; // prettier-ignore
    expect(drawn(6, 4, [plot('dots', [0, 1, 3])])).toEqual(['.....#', '......', '....#.', '...#..']);
    expect(drawn(6, 4, [plot('columns', [0, 1, 3])])).toEqual(['.....#', '.....#', '....##', '...###']);
    expect(drawn(6, 4, [plot('line', [0, 3])])).toEqual(['.....#', '.....#', '....#.', '....#.']);
    // Older ones than it has room for are gone; beyond its ends a value stays at them.
    expect(drawn(6, 4, [plot('dots', [9, 0, 0, 0, 0, 0, -9])])).toEqual([
      '......',
      '......',
      '......',
      '######',
    ]);
    expect(drawn(6, 4, [plot('columns', [3], { width: 0 })]).join('')).not.toContain('#');
  });

  it('leaves a gap in a plot where a value was none', () => {
    const plot = (how: string): Drawing =>
      ({ kind: 'drawPlot', ...placed, width: 5, height: 4, low: 0, high: 3, value: 0, everyMs: 50, unknownIf: 0, how, values: [1, 1, null, 3, 3] }) as Drawing; // prettier-ignore
    expect(drawn(5, 4, [plot('line')])).toEqual(['...##', '.....', '##...', '.....']);
    expect(drawn(5, 4, [plot('columns')])).toEqual(['...##', '...##', '##.##', '##.##']);
    // Nothing yet: nothing stands there.
    expect(drawn(5, 4, [{ ...plot('dots'), values: [null] }]).join('')).not.toContain('#');
  });

  it('marks how far a bar was filled at most', () => {
    expect(drawn(12, 1, [bar(25, { height: 1, values: [75] })])).toEqual(['###.....#...']);
    expect(drawn(12, 1, [bar(25, { height: 1, values: [75], grows: 'left' })])).toEqual(['...#.....###']);
    expect(drawn(1, 8, [bar(25, { width: 1, height: 8, values: [75], grows: 'up' })]).join('')).toBe(
      '..#...##',
    );
    // Where it stands at its most, there is nothing beyond it; a block is marked whole.
    expect(drawn(12, 1, [bar(75, { height: 1, values: [75] })])).toEqual(['#########...']);
    expect(drawn(12, 1, [bar(25, { height: 1, values: [75], blocks: 4 })])).toEqual(['##....##....']);
    expect(drawn(12, 1, [bar(0, { height: 1, values: [null] })])).toEqual(['............']);
  });

  it('shows what stands for a value that is none, and nothing of it on bars and dials', () => {
    const number = (patch: object) =>
      ({ ...text(''), kind: 'drawNumber', value: 7, format: 'plain', places: 0, unit: '', instead: '--', ...patch }) as unknown as Drawing; // prettier-ignore
    const word = (patch: object) =>
      ({
        ...text(''),
        kind: 'drawWord',
        value: 0,
        words: ['I'],
        instead: '-',
        ...patch,
      }) as unknown as Drawing;
    expect(drawn(12, 8, [number({ unknownIf: 1 })])).toEqual(drawn(12, 8, [text('--')]));
    expect(drawn(12, 8, [number({ unknownIf: 0 })])).toEqual(drawn(12, 8, [text('7')]));
    expect(drawn(6, 8, [word({ unknownIf: -1 })])).toEqual(drawn(6, 8, [text('-')]));
    expect(textsOn({ pageId: null, rows: [], drawings: [number({ unknownIf: 1 })] })).toEqual(['--']);
    const framed = { height: 5, framed: true };
    expect(drawn(12, 5, [bar(100, { ...framed, unknownIf: 1 })])).toEqual(drawn(12, 5, [bar(0, framed)]));
    const dial = {
      kind: 'drawDial',
      ...placed,
      x: 4,
      y: 4,
      radius: 4,
      value: 1,
      low: 0,
      high: 1,
      how: 'needle',
    };
    expect(drawn(9, 9, [{ ...dial, unknownIf: 1 } as Drawing]).join('')).not.toContain('#');
  });

  it('has every element in its ink, and no more of them than its pixels can show', () => {
    const palette = ['#000000', '#ffffff', '#ff0000', '#00ff00', '#0000ff'];
    const colour = (drawings: Drawing[]) => drawn(6, 3, drawings, [], { depth: 'colour', palette });
    const filled = (ink: number, patch: object = {}) => box('filled', { width: 6, height: 3, ink, ...patch });
    expect(colour([filled(2), line(0, 1, 5, 1)])).toEqual(['222222', '######', '222222']);
    expect(colour([filled(2), { ...line(1, 1, 2, 1), ink: 0 }])[1]).toBe('2..222');
    // Beyond the last it is the last, below the first the ground.
    expect(colour([filled(9)])[0]).toBe('444444');
    expect(colour([filled(-3)])[0]).toBe('......');
    expect(drawn(6, 3, [filled(3)], [], { depth: 'mono', palette })[0]).toBe('######');
    expect(drawn(6, 3, [filled(4)], [], { depth: 'grey4', palette })[0]).toBe('333333');
    // Turned over, the ground and the ink change places, and what is neither stays.
    const turned = box('inverted', { width: 4, height: 3, ink: 2 });
    expect(colour([filled(2, { width: 2 }), filled(3, { x: 2, width: 1 }), turned])[0]).toBe('..32..');
    expect(colour([filled(2, { width: 2 }), filled(3, { x: 2, width: 1 }), turned, turned])[0]).toBe(
      '223...',
    );
    // Letters on a ground of their ink.
    expect(drawn(6, 8, [text('I', { inverted: true, ink: 2 })], [], { depth: 'colour', palette })[1]).toBe(
      '22.222',
    );
    expect(drawn(6, 8, [text('I', { inverted: true, ink: 0 })], [], { depth: 'colour', palette })[1]).toBe(
      '..#...',
    );
  });

  it('draws pictures in their own inks, and what is lit in them in that of the page', () => {
    const own = stockOf({ fonts: [], pictures: [{ id: 'f1', name: 'Flag', frames: [['#2f', '.#.']] }] });
    const art = (patch: object, depth: Screen['depth'] = 'colour') => {
      const palette = usualPalette('colour');
      const bitmap = blankBitmap(3, 2);
      const drawings = [{ ...picture({ ink: 3, ...patch }) } as Drawing];
      render(bitmap, glassOf(3, 2, { depth, palette }), { pageId: null, rows: [], drawings }, own);
      return bitmapArt(bitmap);
    };
    expect(art({})).toEqual(['327', '.3.']);
    // Two inks are all that there are.
    expect(art({}, 'mono')).toEqual(['###', '.#.']);
    expect(art({ how: 'inverted' })).toEqual(['333', '.3.']);
  });

  it('lists texts around a cursor, says how much is in view, and writes words by number', () => {
    const list = (cursor: number, lines: string[]): Drawing =>
      ({ kind: 'drawList', ...placed, font: '4x6', width: 20, rows: 2, lines, cursor }) as Drawing;
    expect(drawn(20, 12, [list(0, ['Go', 'Wait', ''])])).toEqual([
      '#..#################',
      '.####.##############',
      '.#.#.#.#############',
      '.#.#.#.#############',
      '#..##.##############',
      '####################',
      '#.#......#...#......',
      '#.#..##.....###.....',
      '###.#.#..#...#......',
      '###.#.#..#...#......',
      '#.#..##..#....#.....',
      '....................',
    ]);
    // The third of four: its neighbour above is in view, and the mark stands half way down.
    const third = drawn(20, 12, [list(2, ['Go', 'Wait', 'Stop', 'End'])]);
    expect(third[0]).toBe('#.#......#...#......');
    expect(third.map((row) => row[19]).join('')).toBe('...######...');
    expect(third.slice(6).every((row) => row.startsWith('#') || row.startsWith('.'))).toBe(true);
    // A cursor that is nowhere is on none; nothing at all is nothing.
    expect(drawn(20, 12, [list(9, ['Go'])])[5]).toBe('.'.repeat(20));
    expect(drawn(20, 12, [list(0, ['', ''])]).join('')).not.toContain('#');
    const word = (value: number): Drawing =>
      ({ ...text(''), kind: 'drawWord', value, words: ['I', 'L'] }) as unknown as Drawing;
    expect([0, 1, 2, -1].map((value) => drawn(6, 8, [word(value)])[6])).toEqual([
      '.###..',
      '#####.',
      '......',
      '......',
    ]);
  });

  it('has its characters over the page, in the largest font that has room, and leaves out what is not to be drawn', () => {
    const rows = ['I'];
    expect(drawn(6, 8, [box('filled', { width: 6, height: 8 })], rows)).toEqual([
      '.###..',
      '..#...',
      '..#...',
      '..#...',
      '..#...',
      '..#...',
      '.###..',
      '......',
    ]);
    expect(drawn(5, 4, [{ ...box('filled'), onlyIf: 0 }]).join('')).not.toContain('#');
  });

  it('draws frames of pictures over what is there, whole, cleared or turned over, and goes round their frames', () => {
    const ground = box('filled', { width: 2, height: 3 });
    expect(drawn(4, 3, [ground, picture({ x: 0 })])).toEqual(['##..', '###.', '##..']);
    expect(drawn(4, 3, [ground, picture({ x: 0, how: 'whole' })])).toEqual(['##..', '#.#.', '#...']);
    expect(drawn(4, 3, [ground, picture({ x: 0, how: 'cleared' })])).toEqual(['....', '.#..', '.#..']);
    expect(drawn(4, 3, [ground, picture({ x: 0, how: 'inverted' })])).toEqual(['....', '.##.', '.#..']);
    expect(drawn(4, 3, [picture({ x: 2, y: 1, frame: 1 })])).toEqual(['....', '...#', '..##']);
    // Beyond the last frame it begins again, below the first it comes from the end.
    expect(drawn(3, 3, [picture({ frame: 3 })])).toEqual(drawn(3, 3, [picture({ frame: 1 })]));
    expect(drawn(3, 3, [picture({ frame: -2 })])).toEqual(drawn(3, 3, [picture({ frame: 0 })]));
    expect(drawn(3, 3, [picture({ pictureId: 'f9' })]).join('')).not.toContain('#');
  });

  it('never draws outside its display, whatever it is told, and covers no more than it says', () => {
    const place = fc.oneof(fc.integer({ min: -40, max: 60 }), fc.constantFrom(2 ** 31 - 1, -(2 ** 31)));
    const any: fc.Arbitrary<Drawing> = fc.oneof(
      fc.record({ x: place, y: place, align: fc.constantFrom('left', 'centre', 'right'), font: fc.constantFrom(...Object.keys(fonts)) }).map((patch) => text('Kä中9', patch)),
      fc.record({ x: place, y: place, width: place, height: place, value: place, low: place, high: place, grows: fc.constantFrom('right', 'left', 'up', 'down'), framed: fc.boolean(), blocks: fc.constantFrom(0, 1, 7) }).map((patch) => bar(0, patch)),
      fc.record({ x: place, y: place, width: place, height: place }).map((patch) => box('filled', patch)),
      fc.record({ x: place, y: place, radius: place, value: place, low: place, high: place, how: fc.constantFrom('needle', 'arc', 'ring', 'pie') }).map((patch) => ({ kind: 'drawDial', ...placed, ...patch }) as Drawing),
      fc.record({ x: place, y: place, width: place, rows: fc.integer({ min: 1, max: 4 }), cursor: place, lines: fc.constantFrom<string[]>(['Kä', '9', 'zz'], ['']) }).map((patch) => ({ kind: 'drawList', ...placed, font: '4x6', ...patch }) as Drawing),
      fc.record({ x: place, y: place, width: place, ranPx: fc.nat(60) }).map((patch) => ({ kind: 'drawRunning', ...placed, font: '4x6', text: 'Kä中9 more', stepMs: 50, ...patch }) as Drawing),
      fc.record({ edge: fc.constantFrom('bottom', 'top', 'left', 'right'), words: fc.constantFrom(['Go', '', 'Back'], ['much too long for it', 'x'], Array<string>(16).fill('kk')), inverted: fc.boolean() }).map((patch) => ({ kind: 'drawLegends', onlyIf: 1, blinks: 'steady', ink: 1, group: 0, font: '6x8', ...patch }) as Drawing),
      fc.record({ x: place, y: place, width: place, height: place, low: place, high: place, how: fc.constantFrom('line', 'dots', 'columns'), values: fc.array(place, { minLength: 1, maxLength: 50 }) }).map((patch) => ({ kind: 'drawPlot', ...placed, value: 0, everyMs: 50, unknownIf: 0, ...patch }) as Drawing),
      fc.record({ x: place, y: place, width: place, height: place, acrossUs: fc.constantFrom(100, 1_000_000), sounds: fc.constantFrom([0, 100], [20_000, 7, 440, 100]) }).map((patch) => ({ kind: 'drawWave', ...placed, ...patch }) as Drawing),
      fc.tuple(place, place, place, place).map(([x, y, toX, toY]) => line(x, y, toX, toY)),
      fc.record({ x: place, y: place, frame: place, how: fc.constantFrom('over', 'whole', 'cleared', 'inverted') }).map((patch) => picture(patch)),
    ); // prettier-ignore
    fc.assert(
      fc.property(any, (drawing) => {
        const { left, top, right, bottom } = boundsOf(drawing, stock, glassOf(32, 20));
        const art = drawn(32, 20, [drawing]);
        expect(art).toHaveLength(20);
        art.forEach((row, y) => {
          expect(row).toHaveLength(32);
          [...row].forEach((pixel, x) => {
            if (pixel === '#') expect(x >= left && x < right && y >= top && y < bottom).toBe(true);
          });
        });
      }),
      { seed: 21, numRuns: runs(300) },
    );
  });

  it('is written as PBM', () => {
    const bitmap = blankBitmap(9, 8);
    render(bitmap, glassOf(9, 8), { pageId: null, rows: [], drawings: [line(0, 0, 8, 0)] }, stock);
    expect(bitmapPbm(bitmap)).toBe(`P1\n9 8\n${'1'.repeat(9)}${'0'.repeat(55)}\n${'0'.repeat(8)}\n`);
  });
});

describe('inks as pixels show them', () => {
  const shown = (depth: Screen['depth'], ...palette: string[]) =>
    shownInks({ depth, palette }).map((colour) => colour.join(' '));
  it('are the two of a display of one colour, as they are', () => {
    expect(shown('mono', '#102030', '#ffeedd', '#ff0000')).toEqual(['16 32 48', '255 238 221']);
  });
  it('are the nearest step of grey between ground and light', () => {
    // Four steps: 0, 85, 170, 255. Red is 76 of 255 light, yellow 226.
    expect(shown('grey4', '#000000', '#ffffff', '#ff0000', '#ffff00')).toEqual([
      '0 0 0',
      '255 255 255',
      '85 85 85',
      '255 255 255',
    ]);
    expect(shown('grey16', '#000000', '#ffffff', '#888888')).toEqual(['0 0 0', '255 255 255', '136 136 136']);
    expect(shown('grey4', '#808080', '#808080', '#ffffff')[2]).toBe('128 128 128');
  });
  it('are the nearest of 5, 6 and 5 bits', () => {
    // 31 and 63 steps: 100 is the 12th of 31, which is 99, and the 25th of 63, which is 101.
    expect(shown('colour', '#000000', '#ffffff', '#646464')).toEqual(['0 0 0', '255 255 255', '99 101 99']);
  });
  it('come with as many as a display can show, from the ground and the usual one on', () => {
    for (const depth of depths) {
      const palette = usualPalette(depth);
      expect(new Set(palette).size).toBe(palette.length);
      expect(inksOf({ depth, palette })).toBe(palette.length);
      // What it comes with is what it shows.
      if (depth !== 'colour')
        expect(shownInks({ depth, palette })[0]).toEqual(shownInks({ depth: 'mono', palette })[0]);
    }
    const light = shownInks({ depth: 'grey16', palette: usualPalette('grey16') }).map(([red]) => red);
    expect(light.slice(2)).toEqual(light.slice(2).toSorted((a, b) => a - b));
    expect(new Set(light).size).toBe(16);
  });
});

describe('sines of whole degrees', () => {
  it('are those of every other machine, to the last of their 1024ths', () => {
    for (let degree = -400; degree <= 800; degree += 1)
      expect(Math.abs(exactSinDegrees(degree) - Math.sin((degree * Math.PI) / 180))).toBeLessThan(1e-12);
  });
});

describe('fonts', () => {
  it.each(Object.keys(fonts) as FontName[])(
    'of %s keep every character inside its cell, a column free',
    (name) => {
      const { widthPx, heightPx, glyph } = fonts[name];
      // The largest has digits and what stands beside them.
      const printable =
        name === '16x24'
          ? [...'0123456789:.-+ °%/']
          : Array.from({ length: 95 }, (_, n) => String.fromCodePoint(32 + n));
      const seen = new Map<string, string>();
      for (const character of printable) {
        const rows = glyph(character)!;
        expect(rows.length).toBeLessThanOrEqual(heightPx);
        expect(Math.max(...rows)).toBeLessThan(2 ** (widthPx - 1));
        // No two look alike.
        const alike = seen.get(rows.join());
        expect([character, alike]).toEqual([character, undefined]);
        seen.set(rows.join(), character);
      }
    },
  );
  it('have the letters of several languages, signs and arrows; what they lack is said once', () => {
    expect(lackingIn('Größe 45 °C → ← ↑ ↓ ✓ ♥ ñ ç é €', fonts['6x8'])).toEqual([]);
    expect(lackingIn('中文中', fonts['12x16'])).toEqual(['中', '文']);
  });
  it('take whole bytes for eight rows of a column', () => {
    // Ten digits of five columns; larger ones are two and three bytes high.
    const bytes = (['6x8', '12x16', '18x24', '16x24', '8x8', '8x16'] as const).map((name) =>
      fontBytes(fonts[name], new Set('0123456789')),
    );
    expect(bytes).toEqual([50, 220, 510, 450, 70, 140]);
  });
  it('are bold, and twice as high, without growing wider than their cell', () => {
    expect(drawn(16, 8, [text('Il', { font: '8x8' })])).toEqual([
      '.####....###....',
      '..##......##....',
      '..##......##....',
      '..##......##....',
      '..##......##....',
      '..##......##....',
      '.####....####...',
      '................',
    ]);
    const high = drawn(8, 16, [text('I', { font: '8x16' })]);
    expect(high.filter((_, y) => y % 2 === 0)).toEqual(drawn(8, 8, [text('I', { font: '8x8' })]));
    expect(high.filter((_, y) => y % 2 === 1)).toEqual(high.filter((_, y) => y % 2 === 0));
  });
  it('are the gadget’s own by their id, up to 32 pixels wide; one that is gone is the usual one', () => {
    const wide = { character: 'A', rows: [`#${'.'.repeat(30)}#`, '#'.repeat(32)] };
    const own = stockOf({
      pictures: [],
      fonts: [{ id: 'z1', name: 'Wide', widthPx: 32, heightPx: 2, glyphs: [wide] }],
    });
    const art = (ref: string) => {
      const bitmap = blankBitmap(33, 3);
      const drawings = [text('A', { font: ref })];
      render(bitmap, glassOf(33, 3), { pageId: null, rows: [], drawings }, own);
      return bitmapArt(bitmap);
    };
    expect(art('z1')).toEqual([`${wide.rows[0]}.`, `${wide.rows[1]}.`, '.'.repeat(33)]);
    expect(art('z9')).toEqual(art('6x8'));
    expect([own.fontName('z1'), own.fontName('6x8'), own.fontName('z9')]).toEqual(['Wide', '6x8', '6x8']);
    // No name that every object has is a font.
    expect(own.fontName('constructor')).toBe('6x8');
  });
  it('are chosen by what has room', () => {
    expect(fontForCells(128, 64, 21, 8)).toBe('6x8');
    expect(fontForCells(128, 64, 10, 4)).toBe('12x16');
    expect(fontForCells(128, 64, 7, 2)).toBe('18x24');
    expect(fontForCells(128, 64, 33, 8)).toBeNull();
  });
});

describe('a number on a display', () => {
  it.each<[number, NumberFormat, number, string, string]>([
    [45, 'plain', 0, '', '45'],
    [-7, 'plain', 4, '°', '  -7°'],
    [7, 'noughts', 3, '', '007'],
    [-7, 'noughts', 3, '', '-07'],
    [123, 'tenths', 0, ' V', '12.3 V'],
    [-5, 'tenths', 0, '', '-0.5'],
    [5, 'hundredths', 6, '', '  0.05'],
    [3, 'signed', 0, '', '+3'],
    [0, 'signed', 0, '', '0'],
    [61, 'clock', 0, '', '1:01'],
    [-59, 'clock', 0, '', '-0:59'],
    [9_999, 'stopwatch', 0, '', '9.9'],
    [61_050, 'stopwatch', 0, '', '1:01.0'],
    [-(2 ** 31), 'plain', 0, '', '-2147483648'],
  ])('%d %s in %d places with %j', (value, format, places, unit, words) => {
    expect(numberText(value, format, places, unit)).toBe(words);
  });
});
