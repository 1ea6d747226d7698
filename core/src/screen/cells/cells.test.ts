import * as fc from 'fast-check';
import type { TextDisplay } from '../../gadget/index.ts';
import { checkGadget, snagRules } from '../../snag/index.ts';
import { applyEdit, type Gadget } from '../../gadget/index.ts';
import { dotted } from '../../test/fixtures.ts';
import { runs } from '../../test/runs.ts';
import { toldGadget } from '../../test/toldGadget.ts';
import { cellsArt, contrastOf, lackingOn, pointedCells, pointsSaved, shownCells } from './render.ts';
import { segmentShapes, segmentsOf } from './segments.ts';

const display = (patch: Partial<TextDisplay> = {}): TextDisplay =>
  ({ id: 'o1', kind: 'text', name: 'Rows', columns: 2, rows: 1, ...dotted, ...patch }) as TextDisplay;
const heart = {
  character: '♥',
  rows: ['.....', '.#.#.', '#####', '#####', '.###.', '..#..', '.....', '.....'],
};

describe('a display of characters', () => {
  it('is drawn dot by dot, its cells a dot apart', () => {
    expect(cellsArt(display({ rows: 2 }), ['Hi', 'g'])).toEqual([
      '#...#...#..',
      '#...#......',
      '#...#..##..',
      '#####...#..',
      '#...#...#..',
      '#...#...#..',
      '#...#..###.',
      '...........',
      '...........',
      '...........',
      '...........',
      '.####......',
      '#...#......',
      '#...#......',
      '.####......',
      '....#......',
      '.###.......',
    ]);
    // What does not fit is cut off.
    expect(cellsArt(display(), ['Hi!'])).toEqual(cellsArt(display(), ['Hi']));
  });

  it('shows its own characters as they are drawn, and a block for what it has no shape for', () => {
    const own = display({ ownCharacters: [heart] });
    expect(cellsArt(own, ['♥'])).toEqual(heart.rows.map((row) => `${row}......`));
    expect(cellsArt(display(), ['♥']).every((row) => row === '#####......')).toBe(true);
    // Its own drawing goes before a letter that it has.
    expect(cellsArt(display({ ownCharacters: [{ ...heart, character: 'H' }] }), ['H'])).toEqual(
      cellsArt(own, ['♥']),
    );
    expect([lackingOn(own, 'a♥é é'), lackingOn(display(), 'a♥')]).toEqual([['é'], ['♥']]);
  });

  it('of seven segments puts a point beside the digit before it', () => {
    expect(cellsArt(display({ cells: 'seven' }), ['1.2'])).toEqual([
      '...........######...',
      '.......#...#######..',
      '......##........##..',
      '......##........##..',
      '......##........##..',
      '......##........##..',
      '.......#...#######..',
      '.......#..#######...',
      '......##..##........',
      '......##..##........',
      '......##..##........',
      '......##..##........',
      '.......##########...',
      '........##.######...',
    ]);
    expect(pointedCells('12.5', 4).map(({ character, pointed }) => character + (pointed ? '.' : ''))).toEqual([
      '1', '2.', '5', ' ',
    ]); // prettier-ignore
    // A point that has nothing before it, and one after another, have a cell of their own.
    expect(pointedCells('..1', 3).map(({ pointed }) => pointed)).toEqual([true, true, false]);
    expect([pointsSaved('{v1}.{v2}', 'seven'), pointsSaved('.5', 'seven'), pointsSaved('1..2', 'seven')]).toEqual([
      1, 0, 1,
    ]); // prettier-ignore
    expect(pointsSaved('{v1}.{v2}', 'dots')).toBe(0);
  });

  it.each(['seven', 'fourteen'] as const)('of %s segments tells its characters apart', (kind) => {
    const { lit, art } = segmentShapes[kind];
    const drawn = new Set(art.join('').replaceAll('.', ''));
    const keys = Object.entries(lit).map(([character, segments]) => {
      for (const segment of segments) expect([character, drawn.has(segment)]).toEqual([character, true]);
      expect([character, new Set(segments).size]).toEqual([character, segments.length]);
      return [...segments].sort().join('');
    });
    const alike = Object.keys(lit).filter((_, n) => keys.indexOf(keys[n]!) !== n);
    // Seven segments have one shape for O and 0, and one for S and 5: on every such display.
    expect(alike.sort()).toEqual(kind === 'seven' ? ['O', 'S'] : []);
    expect(new Set(art.map((row) => row.length)).size).toBe(1);
  });

  it('shows letters of the other size where it has no own shape for them, and says what it lacks', () => {
    expect([segmentsOf('a', 'seven'), segmentsOf('B', 'seven'), segmentsOf('k', 'fourteen')]).toEqual([
      segmentsOf('A', 'seven'),
      segmentsOf('b', 'seven'),
      segmentsOf('K', 'fourteen'),
    ]);
    expect(lackingOn(display({ cells: 'seven' }), 'Kettle 4.5 max')).toEqual(['K', 'm', 'x']);
    expect(lackingOn(display({ cells: 'fourteen' }), 'Kettle 4.5 max')).toEqual([]);
    // No name that every object has is a character.
    expect(segmentsOf('constructor', 'seven')).toBeNull();
  });

  it('draws no more than its own dots, whatever is written on it', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('dots', 'seven', 'fourteen'),
        fc.array(fc.string({ unit: 'grapheme', maxLength: 30 }), { maxLength: 4 }),
        fc.integer({ min: 1, max: 6 }),
        (cells, rows, columns) => {
          const drawn = cellsArt(display({ cells, columns, rows: 2 }), rows);
          expect(new Set(drawn.map((row) => row.length)).size).toBe(1);
          expect(drawn.join('')).toMatch(/^[#.]*$/);
        },
      ),
      { seed: 41, numRuns: runs(100) },
    );
  });
});

describe('the trim of a display of dots', () => {
  const at = (contrast: number) => contrastOf({ cells: 'dots', contrast });
  it('lets nothing be seen below its band, everything above it, and letters between', () => {
    expect(at(0)).toEqual({ on: 0, off: 0 });
    expect(at(15)).toEqual({ on: 0.5, off: 0 });
    expect(at(50)).toEqual({ on: 1, off: 0.06 });
    expect(at(85)).toEqual({ on: 1, off: 0.5 });
    expect(at(100)).toEqual({ on: 1, off: 1 });
    expect(contrastOf({ cells: 'seven', contrast: 0 }).on).toBe(1);
  });
  it('is what is seen of it', () => {
    const colours = (contrast: number) =>
      shownCells({ cells: 'dots', contrast, palette: ['#ffffff', '#000000'] }).map(([red]) => red);
    expect([colours(0), colours(50), colours(100)]).toEqual([
      [255, 255, 255],
      [255, 240, 0],
      [255, 0, 0],
    ]);
  });
  const trimmed = (contrast: number, patch: Partial<TextDisplay> = {}): Gadget =>
    toldGadget(display({ contrast, columns: 16, ...patch }), []);
  const s09 = (gadget: Gadget) => checkGadget(gadget, snagRules).snags.filter(({ rule }) => rule === 'S09');
  it('is the first suspect where nothing can be read, and only there; its mend clears that', () => {
    expect([0, 15, 16, 50, 84, 85, 100].map((contrast) => s09(trimmed(contrast)).length)).toEqual([
      1, 0, 0, 0, 0, 0, 1,
    ]); // prettier-ignore
    expect(s09(trimmed(0))).toMatchObject([{ values: { reason: 'faint', contrast: 0 } }]);
    const [found] = s09(trimmed(100));
    expect(found).toMatchObject({ values: { reason: 'blocks' } });
    expect(s09(applyEdit(trimmed(100), found!.mend!.edit))).toEqual([]);
    // Segments have no such trim.
    expect(s09(trimmed(0, { cells: 'seven' }))).toEqual([]);
  });
});
