import * as fc from 'fast-check';
import { tuneSchema, type Ornament, type Tune } from '../gadget/index.ts';
import { notesInTurn, tuneOf } from '../test/tunes.ts';
import {
  partsAt,
  partsOfUs,
  passAt,
  playedTune,
  rateOf,
  stepParts,
  usOfParts,
  type Playing,
} from './played.ts';

const rate = 480;
const alone: Playing = { voiceId: null, rate, turnUs: 20_000, inTurns: false };

/** All that changes until it is over, or so often: when, in µs, and at what pitch; a note that begins does. */
function course(tune: Tune, playing: Partial<Playing> = {}, most = 100) {
  const played = playedTune(tune);
  const all = { ...alone, rate: rateOf(tune, tune.beatsPerMinute), ...playing };
  const came: [us: number, pitch: number | null][] = [];
  for (let at: number | null = 0; at !== null && came.length < most;) {
    const { pitch, begins, next } = passAt(played, at, all);
    const isNew = begins || pitch !== came.at(-1)?.[1];
    if (next !== null && isNew) came.push([usOfParts(at, all.rate), pitch]);
    at = next;
  }
  return came;
}

describe('when notes of a tune come', () => {
  it('is on its grid, rests included, and a note is let go before the next where it is not held to the end', () => {
    // A step of 125 ms: 60 s / (120 × 4).
    const tune = tuneOf([notesInTurn([[2, 60], [1, null], [1, 64], [4, 64]])]); // prettier-ignore
    expect(course(tune)).toEqual([
      [0, 6_000],
      [250_000, null],
      [375_000, 6_400],
      [500_000, 6_400],
    ]);
    expect(course({ ...tune, heldPercent: 80 })).toEqual([
      [0, 6_000],
      [200_000, null],
      [375_000, 6_400],
      [475_000, null],
      [500_000, 6_400],
      [900_000, null],
    ]);
  });

  it('swings: the first of two steps is the longer one', () => {
    const tune = tuneOf([notesInTurn([[1, 60], [1, 62], [1, 64], [1, 65]])], { swingPercent: 66 }); // prettier-ignore
    // A pair is 250 ms; 66 % of it 165.
    expect(course(tune).map(([us]) => us)).toEqual([0, 165_000, 250_000, 415_000]);
  });

  it('plays each section so many times, cuts notes at its end, and goes on with the one that it is told', () => {
    const tune = tuneOf(
      [
        notesInTurn([
          [1, 60],
          [3, 62],
          [1, 64],
          [1, 65],
        ]),
      ],
      {
        sections: [{ name: 'A', steps: 2, times: 2 }, { name: 'B', steps: 4, times: 1 }], // prettier-ignore
        againFrom: 1,
      },
    );
    const notes = course(tune, {}, 11).map(([us, pitch]) => [us / 125_000, pitch && pitch / 100]);
    expect(notes).toEqual([
      [0, 60], [1, 62], [2, 60], [3, 62], [4, null], [6, 64], [7, 65], [8, null], [10, 64], [11, 65], [12, null],
    ]); // prettier-ignore
  });

  it('is worked out from its beginning: after an hour it is where it has to be', () => {
    // Seven steps a beat at 90: a step is 95,238.095… µs.
    const tune = tuneOf(
      [
        notesInTurn([
          [1, 60],
          [1, null],
        ]),
      ],
      {
        beatsPerMinute: 90,
        stepsPerBeat: 7,
        againFrom: 0,
      },
    );
    const own = rateOf(tune, 90);
    const steps = 7 * 90 * 60;
    expect(usOfParts(steps * stepParts, own)).toBe(3_600_000_000);
    for (let n = 0; n < steps; n += 997) {
      expect(Math.abs(usOfParts(n * stepParts, own) - (n * 60_000_000) / 630)).toBeLessThanOrEqual(0.5);
      expect(partsOfUs(usOfParts(n * stepParts, own), own)).toBe(n * stepParts);
    }
    const { next } = passAt(playedTune(tune), (steps + 1) * stepParts, { ...alone, rate: own });
    expect(next).toBe((steps + 2) * stepParts);
  });
});

describe('what a note does besides sounding', () => {
  const ornamented = (ornament: Ornament, steps = 4) =>
    course(tuneOf([notesInTurn([[4, 60], [steps, 72, ornament]])])).filter(([us]) => us >= 500_000); // prettier-ignore

  it('comes from the note before over as long as it says, and is at its own then', () => {
    const slid = ornamented({ kind: 'slide', steps: 2 });
    expect(slid[0]).toEqual([500_000, 6_000]);
    // A frame of 20 ms of 250: 8 % of an octave.
    expect(slid[1]).toEqual([520_000, 6_096]);
    expect(slid[6]).toEqual([620_000, 6_576]);
    // 250 ms of it: then it stands still.
    expect(slid.slice(12)).toEqual([
      [740_000, 7_152],
      [760_000, 7_200],
    ]);
    // The first has nothing to come from.
    expect(course(tuneOf([notesInTurn([[1, 60, { kind: 'slide', steps: 1 }]])]))[0]).toEqual([0, 6_000]);
  });

  it('goes as far up as down', () => {
    const pitches = ornamented({ kind: 'vibrato', cents: 50 }, 8).map(([, pitch]) => pitch!);
    expect([Math.max(...pitches), Math.min(...pitches)]).toEqual([7_250, 7_150]);
    const cycle = pitches.slice(0, 8);
    expect(cycle.reduce((sum, pitch) => sum + pitch, 0) / 8).toBe(7_200);
    expect(pitches.slice(8, 16)).toEqual(cycle);
  });

  it('takes turns with the others of a broken chord', () => {
    const broken = ornamented({ kind: 'arpeggio', above: [4, 7] });
    expect(broken.slice(0, 5)).toEqual([
      [500_000, 7_200],
      [520_000, 7_600],
      [540_000, 7_900],
      [560_000, 7_200],
      [580_000, 7_600],
    ]);
  });
});

describe('several voices on one sounder', () => {
  const two = tuneOf([notesInTurn([[1, null], [2, 72]]), notesInTurn([[2, 48], [2, 50]])]); // prettier-ignore

  it('the first that has a note is heard, and what begins under it is told', () => {
    expect(course(two)).toEqual([
      [0, 4_800],
      [125_000, 7_200],
      [375_000, 5_000],
    ]);
    const played = playedTune(two);
    expect(passAt(played, 2 * stepParts, alone)).toMatchObject({ unheard: [{ note: 50 }], begins: false });
    expect(passAt(played, 1 * stepParts, alone)).toMatchObject({
      unheard: [],
      note: { note: 72 },
      begins: true,
    });
  });

  it('the gap behind a note of the first is none for the others', () => {
    const held = { ...two, heldPercent: 80 };
    // 72 is held up to 0.325 s and has the sounder up to 0.375.
    expect(course(held).slice(1)).toEqual([
      [125_000, 7_200],
      [325_000, null],
      [375_000, 5_000],
      [450_000, null],
    ]);
    const inTurns = course(held, { inTurns: true }).filter(([us]) => us >= 325_000 && us < 375_000);
    expect(new Set(inTurns.map(([, pitch]) => pitch))).toEqual(new Set([5_000]));
  });

  it('or they take turns, and nothing is unheard; or just one is played', () => {
    const inTurns = course(two, { inTurns: true }).filter(([us]) => us >= 125_000 && us < 225_000);
    expect(new Set(inTurns.map(([, pitch]) => pitch))).toEqual(new Set([7_200, 4_800]));
    expect(course(two, { voiceId: 'h2' })).toEqual([
      [0, 4_800],
      [250_000, 5_000],
    ]);
  });
});

/** Every part of a step by itself: what a voice has there, as slowly as can be; 0 in the gap behind a note, null: nothing. */
function slowly(tune: Tune, voice: number, part: number): number | null {
  const { sections, swingPercent, heldPercent, voices } = tune;
  let [from, at] = [0, 0];
  for (const { steps, times } of sections) {
    for (let n = 0; n < times; n += 1) {
      for (const note of voices[voice]!.notes) {
        const begin = note.at - from;
        if (begin < 0 || begin >= steps) continue;
        const end = Math.min(begin + note.steps, steps);
        const [a, b] = [partsAt(at + begin, swingPercent), partsAt(at + end, swingPercent)];
        if (part >= a && part < b)
          return part < a + Math.max(1, Math.floor(((b - a) * heldPercent) / 100)) ? note.note : 0;
      }
      at += steps;
    }
    from += steps;
  }
  return null;
}

const notesArbitrary = fc
  .array(fc.tuple(fc.integer({ min: 1, max: 4 }), fc.option(fc.integer({ min: 40, max: 80 }))), {
    minLength: 1,
    maxLength: 8,
  })
  .map(notesInTurn);
const tuneArbitrary = fc
  .tuple(
    fc.array(notesArbitrary, { minLength: 1, maxLength: 3 }),
    fc.array(fc.tuple(fc.integer({ min: 1, max: 9 }), fc.integer({ min: 1, max: 3 })), { maxLength: 3 }),
    fc.integer({ min: 50, max: 75 }),
    fc.integer({ min: 10, max: 100 }),
    fc.integer({ min: 10, max: 600 }),
  )
  .map(([voices, cut, swingPercent, heldPercent, beatsPerMinute]) => {
    const whole = tuneOf(voices);
    const sections = [...cut.map(([steps, times]) => ({ name: 'Part', steps, times })), whole.sections[0]!];
    return tuneOf(voices, { sections, swingPercent, heldPercent, beatsPerMinute });
  });

it('any tune is what is on its grid at every moment, and comes to its end', () => {
  fc.assert(
    fc.property(tuneArbitrary, (tune) => {
      expect(tuneSchema.safeParse(tune).success).toBe(true);
      const played = playedTune(tune);
      const playing = { ...alone, rate: rateOf(tune, tune.beatsPerMinute) };
      let at: number | null = 0;
      let last = -1;
      for (let n = 0; at !== null; n += 1) {
        expect(n).toBeLessThan(2_000);
        expect(at).toBeGreaterThan(last);
        last = at;
        const { pitch, next } = passAt(played, at, playing);
        // The same until the next, and the first voice that has a note.
        for (const part of next === null ? [at] : [at, Math.floor((at + next) / 2), next - 1]) {
          const sounding = tune.voices
            .map((_, voice) => slowly(tune, voice, part))
            .find((one) => one !== null);
          expect(pitch).toBe(sounding ? sounding * 100 : null);
        }
        at = next;
      }
      expect(last).toBe(played.length);
    }),
    { seed: 11, numRuns: 300 },
  );
});

describe('a tune that cannot be played', () => {
  const wrong = (patch: object) => {
    const read = tuneSchema.safeParse({ ...tuneOf([notesInTurn([[2, 60], [2, 62]])]), ...patch }); // prettier-ignore
    return read.error?.issues[0]?.message;
  };
  it('is refused with what was expected', () => {
    expect(wrong({})).toBeUndefined();
    expect(wrong({ beatsPerMinute: 0 })).toBe('expected at least 10 beats a minute');
    expect(wrong({ beatsPerMinute: 1_000_000 })).toBe('expected at most 600 beats a minute');
    expect(wrong({ sections: [] })).toBe('expected at least one section');
    expect(wrong({ sections: [{ name: 'All', steps: 3, times: 1 }] })).toBe(
      'expected a note that ends within 3 steps, got one to step 4',
    );
    expect(wrong({ againFrom: 1 })).toBe('expected one of 1 sections, counted from 0, got 1');
    const note = { at: 0, steps: 0, note: 60, percent: 100, ornament: null };
    const voice = (notes: object[]) => ({ voices: [{ id: 'h1', name: 'Melody', notes }] });
    expect(wrong(voice([note]))).toBe('expected at least 1 steps');
    expect(wrong(voice([{ ...note, steps: 2 }, { ...note, at: 1, steps: 1 }]))).toBe(
      'expected a note behind the one before, which lasts to step 2, got one at step 1',
    ); // prettier-ignore
  });
});
