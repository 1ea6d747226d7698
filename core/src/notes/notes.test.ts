import { cents } from '../sound/index.ts';
import { chordKinds, chordOf, letterOf, noNote, noteHz, noteName, rowsOfScale, scales } from './index.ts';

describe('notes', () => {
  it('have the pitches of the reckoning, in any temperament', () => {
    expect(noteHz(69)).toBe(440);
    expect(noteHz(60)).toBeCloseTo(261.63, 2);
    expect(noteHz(96)).toBeCloseTo(2_093.0, 2);
    for (const perOctave of [5, 12, 19, 31, 53]) {
      expect(noteHz(69 + perOctave, perOctave)).toBeCloseTo(880, 8);
      expect(cents(noteHz(70, perOctave), noteHz(69, perOctave))).toBeCloseTo(1_200 / perOctave, 8);
    }
  });
  it('come to what the powers of the host come to', () => {
    for (let note = -100; note <= 300; note += 1)
      expect(noteHz(note) / (440 * 2 ** ((note - 69) / 12))).toBeCloseTo(1, 11);
  });
  it('have names, below zero as well', () => {
    expect([0, 60, 69, 127].map(noteName)).toEqual(['C-1', 'C4', 'A4', 'G9']);
    expect(letterOf(-1)).toBe('B');
  });
});

describe('scales', () => {
  it('are more than twenty, each once, and ascend from their root inside an octave', () => {
    expect(scales.length).toBeGreaterThanOrEqual(20);
    expect(new Set(scales.map(({ steps }) => steps.join())).size).toBe(scales.length);
    expect(new Set(scales.map(({ id }) => id)).size).toBe(scales.length);
    for (const { steps } of scales) {
      expect(steps[0]).toBe(0);
      expect(steps.every((step, n) => n === 0 || step > steps[n - 1]!)).toBe(true);
      expect(steps.at(-1)).toBeLessThan(12);
    }
  });
  const major = scales.find(({ id }) => id === 'major')!.steps;
  it('become rows of keys: a note each, or chords stacked in the scale', () => {
    expect(rowsOfScale(9, 60, major, [0], 1)).toEqual([60, 62, 64, 65, 67, 69, 71, 72, 74]);
    const triads = rowsOfScale(7, 60, major, [0, 2, 4], 4);
    const rows = Array.from({ length: 7 }, (_, key) => triads.slice(key * 4, key * 4 + 4));
    expect(rows.map(([a, b, c]) => chordOf([a!, b!, c!])!.name)).toEqual([
      'C', 'Dm', 'Em', 'F', 'G', 'Am', 'B°',
    ]); // prettier-ignore
    expect(rows.every((row) => row[3] === noNote)).toBe(true);
  });
  it('leave empty what lies beyond the highest note, and follow other temperaments', () => {
    expect(rowsOfScale(3, 126, [0, 1, 2], [0], 1)).toEqual([126, 127, noNote]);
    expect(rowsOfScale(4, 60, [0, 7, 14], [0], 1, 19)).toEqual([60, 67, 74, 79]);
  });
});

describe('chords', () => {
  it('are known in every key and every inversion, by the name of their root', () => {
    for (const { suffix, steps } of chordKinds)
      for (let root = 0; root < 12; root += 1) {
        const notes = steps.map((step) => 48 + root + step);
        expect(chordOf(notes)?.name).toBe(`${letterOf(root)}${suffix}`);
        expect(chordOf(notes)).toMatchObject({ root, inversion: 0 });
      }
  });
  it.each([
    [[60, 64, 67], 'C', 0],
    [[64, 67, 72], 'C/E', 1],
    [[67, 72, 76], 'C/G', 2],
    [[67, 60, 64, 76, 84], 'C', 0],
    [[57, 60, 64, 67], 'Am7', 0],
    [[60, 64, 67, 69], 'C6', 0],
    // The same four notes on another of them: the plainer of both names.
    [[64, 67, 69, 72], 'Am7/E', 2],
    [[62, 66, 69, 72], 'D7', 0],
    [[66, 69, 72, 74], 'D7/F♯', 1],
    [[60, 66, 63, 69], 'C°7', 0],
    [[60, 67], 'C5', 0],
    [[55, 60], 'C5/G', 1],
  ])('%j are %s', (notes, name, inversion) => {
    expect(chordOf(notes)).toMatchObject({ name, inversion });
  });
  it('have no name where there is none', () => {
    expect(chordOf([])).toBeNull();
    expect(chordOf([60, 72])).toBeNull();
    expect(chordOf([60, 61, 62])).toBeNull();
  });
});
