import * as fc from 'fast-check';
import { tuneSchema } from '../gadget/index.ts';
import { loudnessArbitrary, notesInTurn, ornamentArbitrary, tuneOf } from '../test/tunes.ts';
import { readVoice, showVoice } from './voiceText.ts';

const read = (text: string, room = 64) => {
  const voice = readVoice(text, room);
  return voice.outcome === 'read' ? voice.notes : voice.message;
};

describe('a voice as it is typed', () => {
  it('is notes with their lengths, rests, and what notes do', () => {
    expect(read('C4 E4:2, -:2 G4:4~30 A4:2/1 c4:4+4+7 F#3 Bb2+-5:2 G4!60 C4:4~30!5')).toEqual(
      notesInTurn([
        [1, 60],
        [2, 64],
        [2, null],
        [4, 67, { kind: 'vibrato', cents: 30 }],
        [2, 69, { kind: 'slide', steps: 1 }],
        [4, 60, { kind: 'arpeggio', above: [4, 7] }],
        [1, 54],
        [2, 46, { kind: 'arpeggio', above: [-5] }],
        [1, 67, null, 60],
        [4, 60, { kind: 'vibrato', cents: 30 }, 5],
      ]),
    );
    expect(read('')).toEqual([]);
    expect(read('- -:3')).toEqual([]);
  });

  it.each([
    ['C4 H4', 'Expected a note from C-1 to G9 or a rest; got word 2, “H4”.'],
    ['C4:0', 'Expected a length of at least one step; got word 1, “C4:0”.'],
    ['C4::', 'Expected a note such as C4, C4:2, C4:4~30, C4:4/1, C4:4+4+7 or C4!60, or a rest such as -:2; got word 1, “C4::”.'],
    ['C4:60 D4:5', 'Expected notes within 64 steps; word 2, “D4:5” ends at step 65.'],
    ['C4~900', 'Expected a vibrato of 1 to 200 cents; got word 1, “C4~900”.'],
    ['C4!0', 'Expected a loudness of 1 to 100 %; got word 1, “C4!0”.'],
    ['C4!101', 'Expected a loudness of 1 to 100 %; got word 1, “C4!101”.'],
    ['C4+99', 'Expected notes of a broken chord at most 24 semitones away; got word 1, “C4+99”.'],
    ['C4~30+4', 'Expected a note that slides, or has vibrato, or is broken, and not two of these; got word 1, “C4~30+4”.'],
    ['C4+1+2+3+4+5+6+7+8', 'Expected at most 7 more notes in a broken chord; got word 1, “C4+1+2+3+4+5+6+7+8”.'],
  ])('says what was expected instead of %s', (text, message) => {
    expect(read(text)).toBe(message);
  }); // prettier-ignore

  it('is read again as it is shown, and whatever is read is a voice', () => {
    const notes = fc
      .array(
        fc.tuple(
          fc.integer({ min: 1, max: 20 }),
          fc.option(fc.integer({ min: 0, max: 127 })),
          fc.option(ornamentArbitrary),
          loudnessArbitrary,
        ),
        { maxLength: 20 },
      )
      .map(notesInTurn);
    fc.assert(
      fc.property(notes, (voice) => {
        expect(read(showVoice(voice), 1_024)).toEqual(voice);
      }),
      { seed: 8, numRuns: 200 },
    );
    fc.assert(
      fc.property(fc.array(fc.constantFrom(...'C4Eb-:/~+! 09#'.split('')), { maxLength: 30 }), (letters) => {
        const voice = readVoice(letters.join(''), 40);
        if (voice.outcome === 'faulty') return;
        expect(tuneSchema.safeParse(tuneOf([voice.notes])).success).toBe(true);
      }),
      { seed: 9, numRuns: 500 },
    );
  });
});
