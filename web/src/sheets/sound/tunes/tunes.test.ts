import * as fc from 'fast-check';
import { tuneSchema, type TuneNote } from '@hum-lever/core';
import { added, lengthened, moved, repeated } from './notesEdited.ts';
import { performedOn } from './performedOn.ts';

const steps = 32;
const note = (at: number, long: number, pitch = 60): TuneNote => ({
  at,
  steps: long,
  note: pitch,
  percent: 100,
  ornament: null,
});
const three = [note(0, 2), note(4, 4, 64), note(12, 2, 67)];

describe('a note on the grid', () => {
  it('moves as far as there is room, and not over another', () => {
    expect(moved(three, 1, { steps: 1, semitones: 2 }, steps)?.[1]).toEqual(note(5, 4, 66));
    expect(moved(three, 1, { steps: 99, semitones: 0 }, steps)?.[1]).toEqual(note(8, 4, 64));
    expect(moved(three, 1, { steps: -99, semitones: 0 }, steps)?.[1]).toEqual(note(2, 4, 64));
    expect(moved([note(2, 2, 127)], 0, { steps: 0, semitones: 1 }, steps)).toBeNull();
  });

  it('gets longer up to the next, and is never shorter than a step', () => {
    expect(lengthened(three, 1, 99, steps)?.[1]).toEqual(note(4, 8, 64));
    expect(lengthened(three, 1, -99, steps)?.[1]).toEqual(note(4, 1, 64));
    expect(lengthened(three, 2, 99, steps)?.[2]).toEqual(note(12, 20, 67));
  });

  it('is put where it is free, as long as there is room; one like it comes behind it', () => {
    expect(added(three, 3, 72, 4, steps)).toEqual({ notes: [three[0], note(3, 1, 72), ...three.slice(1)], index: 1 }); // prettier-ignore
    expect(added(three, 5, 72, 4, steps)).toBeNull();
    expect(added(three, 32, 72, 4, steps)).toBeNull();
    expect(repeated(three, 1, steps)).toMatchObject({ index: 2, notes: { 2: note(8, 4, 64) } });
    expect(repeated([note(0, 32)], 0, steps)).toBeNull();
  });

  it('whatever hands do, it stays a voice', () => {
    const hand = fc.tuple(fc.nat(4), fc.nat(9), fc.integer({ min: -40, max: 40 }), fc.integer({ min: -40, max: 40 })); // prettier-ignore
    fc.assert(
      fc.property(fc.array(hand, { maxLength: 30 }), (hands) => {
        let notes: readonly TuneNote[] = three;
        for (const [how, which, a, b] of hands) {
          const index = notes.length === 0 ? 0 : which % notes.length;
          if (how < 3 && notes.length === 0) continue;
          notes =
            [
              () => moved(notes, index, { steps: a, semitones: b }, steps),
              () => lengthened(notes, index, a, steps),
              () => repeated(notes, index, steps)?.notes,
              () => added(notes, Math.abs(a), 60 + (b % 30), 1 + Math.abs(b), steps)?.notes,
              () => notes.filter((_, n) => n !== index),
            ][how]!() ?? notes;
          const tune = {
            id: 'a1', name: 'Storm', beatsPerMinute: 120, stepsPerBeat: 4, swingPercent: 50, heldPercent: 90,
            sections: [{ name: 'All', steps, times: 1 }], againFrom: null,
            voices: [{ id: 'h1', name: 'Melody', notes }],
          }; // prettier-ignore
          expect(tuneSchema.safeParse(tune).error?.issues).toBeUndefined();
        }
      }),
      { seed: 6, numRuns: 200 },
    );
  });
});

it('voices go to sounders of their own, or all of them to the first', () => {
  const told = (voices: number, sounders: number) =>
    performedOn(
      'a1',
      Array.from({ length: voices }, (_, n) => ({ id: `h${n + 1}` })),
      Array.from({ length: sounders }, (_, n) => ({ id: `o${n + 1}` })),
    ).map(({ outputId, voiceId }) => [outputId, voiceId]);
  expect(told(2, 2)).toEqual([['o1', 'h1'], ['o2', 'h2']]); // prettier-ignore
  expect(told(2, 1)).toEqual([['o1', null]]);
  expect(told(1, 3)).toEqual([['o1', null]]);
  expect(told(3, 2)).toEqual([['o1', null]]);
  expect(told(2, 0)).toEqual([]);
});
