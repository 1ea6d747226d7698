import * as fc from 'fast-check';
import type { TuneNote } from '../gadget/index.ts';
import { loudnessArbitrary, notesInTurn, ornamentArbitrary, tuneOf } from '../test/tunes.ts';
import { tuneEncodings, tuneMemory } from './tuneMemory.ts';

const ornament = fc.option(ornamentArbitrary, { freq: 4 });
const voice = (plain: boolean): fc.Arbitrary<TuneNote[]> =>
  fc
    .array(
      fc.tuple(
        fc.oneof(fc.integer({ min: 1, max: 4 }), fc.integer({ min: 1, max: 400 })),
        fc.option(fc.integer({ min: 0, max: 127 })),
        plain ? fc.constant(null) : ornament,
        plain ? fc.constant(100) : loudnessArbitrary,
      ),
      { maxLength: 60 },
    )
    .map(notesInTurn);
/** Phrases that come again. */
const verse = fc
  .tuple(fc.array(voice(true), { minLength: 1, maxLength: 3 }), fc.array(fc.nat(2), { maxLength: 6 }))
  .map(([phrases, order]) => {
    let at = 0;
    return order.flatMap((which) => {
      const notes = phrases[which % phrases.length]!;
      const from = at;
      at += notes.reduce((most, note) => Math.max(most, note.at + note.steps), 0);
      return notes.map((note) => ({ ...note, at: from + note.at }));
    });
  });

describe.each(Object.entries(tuneEncodings))('a voice written as %s', (_id, { write, read }) => {
  it('is read again as it was', () => {
    fc.assert(
      fc.property(fc.oneof(voice(true), voice(false), verse), (notes) => {
        const bytes = write(notes);
        if (bytes === null) return;
        expect(bytes.every((byte) => Number.isInteger(byte) && byte >= 0 && byte < 256)).toBe(true);
        expect(read(bytes)).toEqual(notes);
      }),
      { seed: 4, numRuns: 300 },
    );
  });
});

describe('what a tune takes', () => {
  const melody = notesInTurn([[2, 60], [2, 62], [1, null], [3, 64]]); // prettier-ignore

  it('is what its bytes are, the shortest way', () => {
    const { by, best, bytes } = tuneMemory(tuneOf([melody]));
    // Tempo 2, steps, swing, held 3, a section 1 + 3, again 1, a voice 1 + 2: 13.
    expect(by).toEqual({
      // Four pairs and the end.
      pairs: 13 + 9,
      // 1 + 3 notes, 1 + 3 lengths, how many 1, and four.
      single: 13 + 13,
      phrases: 13 + 9,
    });
    expect([best, bytes]).toEqual(['pairs', 22]);
  });

  it('is a byte a note where there are few notes and lengths, and less where phrases come again', () => {
    // A walk that never comes again.
    const long = notesInTurn(Array.from({ length: 60 }, (_, n) => [1 + ((n * n) >> 2) % 5, 60 + ((n * n * 7) >> 3) % 29])); // prettier-ignore
    expect(tuneMemory(tuneOf([long]))).toMatchObject({ best: 'single' });
    const again = notesInTurn(Array.from({ length: 200 }, (_, n) => [1, 60 + (n % 8)]));
    const { best, bytes, by } = tuneMemory(tuneOf([again]));
    expect(best).toBe('phrases');
    expect(bytes).toBeLessThan(by.pairs! / 5);
    // What cannot be written so is said to be none.
    const moving = notesInTurn([[2, 60], [2, 62, { kind: 'slide', steps: 1 }]]); // prettier-ignore
    expect(tuneMemory(tuneOf([moving])).by.single).toBeNull();
  });
});
