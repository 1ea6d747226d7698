import * as fc from 'fast-check';
import type { Ornament, Tune, TuneNote } from '../gadget/index.ts';

/** All that a note can do. */
export const ornamentArbitrary: fc.Arbitrary<Ornament> = fc.oneof(
  fc.record({ kind: fc.constant('slide' as const), steps: fc.integer({ min: 1, max: 300 }) }),
  fc.record({ kind: fc.constant('vibrato' as const), cents: fc.integer({ min: 1, max: 200 }) }),
  fc.record({
    kind: fc.constant('arpeggio' as const),
    above: fc.array(fc.integer({ min: -24, max: 24 }), { minLength: 1, maxLength: 7 }),
  }),
);

/** Mostly as loud as can be. */
export const loudnessArbitrary: fc.Arbitrary<number> = fc.oneof(
  { arbitrary: fc.constant(100), weight: 3 },
  fc.integer({ min: 1, max: 100 }),
);

/** Notes one after the other, as `[steps, note, ornament, percent]`; note null is a rest. */
export function notesInTurn(
  given: readonly (readonly [
    steps: number,
    note: number | null,
    ornament?: Ornament | null,
    percent?: number,
  ])[],
): TuneNote[] {
  let at = 0;
  return given.flatMap(([steps, note, ornament = null, percent = 100]) => {
    const begins = at;
    at += steps;
    return note === null ? [] : [{ at: begins, steps, note, percent, ornament }];
  });
}

/** Voices on a grid of 120 beats a minute and four steps a beat, 125 ms each, held to the end. */
export const tuneOf = (voices: readonly TuneNote[][], patch: Partial<Tune> = {}): Tune => ({
  id: 'a1',
  name: 'Storm',
  beatsPerMinute: 120,
  stepsPerBeat: 4,
  swingPercent: 50,
  heldPercent: 100,
  sections: [
    { name: 'All', steps: Math.max(1, ...voices.flat().map(({ at, steps }) => at + steps)), times: 1 },
  ],
  againFrom: null,
  voices: voices.map((notes, n) => ({ id: `h${n + 1}`, name: `Voice ${n + 1}`, notes })),
  ...patch,
});
