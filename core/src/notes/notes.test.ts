import { cents } from '../sound/index.ts';
import { applyEdit, type Gadget } from '../gadget/index.ts';
import { heldOf } from '../snag/index.ts';
import { state } from '../test/fixtures.ts';
import { doing, keyboard, ofControl } from '../test/keyboard.ts';
import {
  chordKinds,
  chordOf,
  instrumentEdits,
  keyMapsOf,
  letterOf,
  noNote,
  noteHz,
  noteName,
  readNote,
  readNotes,
  rowsOfScale,
  rowsTold,
  scales,
} from './index.ts';

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

describe('what is typed', () => {
  it.each([
    ['C4', 60],
    ['c4', 60],
    ['F#3', 54],
    ['F♯3', 54],
    ['Eb4', 63],
    ['E♭4', 63],
    ['Cb4', 59],
    ['B##3', 61],
    ['C-1', 0],
    ['G9', 127],
    ['60', 60],
  ])('%s is a note', (text, note) => expect(readNote(text)).toBe(note));
  it.each(['H4', 'C', 'C10', 'G#9', 'Cb-1', '128', '-1', '', 'C4 E4', '6.5'])('%j is none', (text) =>
    expect(readNote(text)).toBeNull(),
  );
  it('reads every note by the name that it is shown under', () => {
    for (let note = 0; note < 128; note += 1) expect(readNote(noteName(note))).toBe(note);
    expect(readNotes(' C4, E4;G4  67 ')).toEqual([60, 64, 67, 67]);
    expect(readNotes('')).toEqual([]);
    expect(readNotes('C4 X')).toBeNull();
  });
});

describe('keys that are to play', () => {
  const steps = scales[1]!.steps;
  const wanted = { setId: 'p1', outputId: 'o1', root: 60, steps, degrees: [0, 2, 4] };
  const laidOut = (gadget: Gadget, stateId: string | null) =>
    applyEdit(gadget, { name: 'several', args: [instrumentEdits(gadget, { ...wanted, stateId })] });
  const empty = keyboard(8, {});

  it('get a table, two rules and a state, and play, and let go whatever they began', () => {
    const gadget = laidOut(empty, null);
    expect(gadget.flow.states).toMatchObject([{ name: 'Playing', rules: [{}, {}], exit: [] }]);
    const [map] = keyMapsOf(gadget);
    expect(map).toMatchObject({
      outputIds: ['o1'],
      controlIds: empty.controls.slice(0, 8).map(({ id }) => id),
    });
    expect(map!.rows).toMatchObject({ name: 'Notes', columns: 3 });
    expect(heldOf(gadget)).toMatchObject([{ verdict: 'never', kinds: 1 }]);
    // A second time beside it, under another name.
    expect(laidOut(gadget, 's1').flow.variables.map(({ name }) => name)).toEqual(['Notes', 'Notes2']);
  });
  it('let all go where their state is left, and nothing sticks', () => {
    const leave = doing('r9', ofControl('m1', 'press'), [], { targetIds: ['s2'] });
    const states = [state('s1', { rules: [leave] }), state('s2')];
    const gadget = laidOut(keyboard(8, { initialId: 's1', states }), 's1');
    expect(gadget.flow.states[0]!.exit).toEqual([{ kind: 'letAllGo', outputId: 'o1' }]);
    expect(heldOf(gadget)).toMatchObject([{ verdict: 'never' }]);
    // The same without it is what M01 is for.
    const bare = {
      ...gadget,
      flow: { ...gadget.flow, states: gadget.flow.states.map((one) => ({ ...one, exit: [] })) },
    };
    expect(heldOf(bare)).toMatchObject([{ verdict: 'stuck' }]);
  });
  it('are left alone where there are none, or nothing that plays', () => {
    expect(instrumentEdits(empty, { ...wanted, stateId: null, setId: 'p9' })).toEqual([]);
    expect(instrumentEdits(empty, { ...wanted, stateId: null, outputId: 'o9' })).toEqual([]);
  });
  it('are told of by rows that stay, with what moves all of them', () => {
    const gadget = laidOut(empty, null);
    const told = (row: string, by: string) => rowsTold(gadget, { variableId: 'v1', row, by });
    expect(told('heard(0)', '0')).toMatchObject({ most: 3, by: 0 });
    expect(told('heard(0)', '0').rows).toHaveLength(8);
    expect(told('1', '-12')).toEqual({ rows: [[62, 65, 69]], most: 3, by: -12 });
    expect(told('9', 'v1')).toEqual({ rows: [], most: 0, by: null });
    expect(rowsTold(gadget, { variableId: 'v9', row: '0', by: '0' })).toEqual({ rows: null, most: 0, by: 0 });
  });
});
