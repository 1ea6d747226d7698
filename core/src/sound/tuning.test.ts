import type { Action, Tone, Variable } from '../gadget/index.ts';
import { checkGadget } from '../snag/index.ts';
import { state } from '../test/fixtures.ts';
import { anyKey, doing, keyboard } from '../test/keyboard.ts';
import { small, sounding } from '../test/soundCases.ts';
import { notesInTurn, tuneOf } from '../test/tunes.ts';
import { tuningsOf } from './tuning.ts';

describe('what a sounder is told', () => {
  it('stands with the setting of its timer, what that gives, and how far it is from what was asked', () => {
    const gadget = sounding('Piezo tune 440 100 ms, 0 50 ms, 9000 100 ms; Piezo tone 440', small);
    const [only, ...others] = tuningsOf(gadget);
    expect(others).toEqual([]);
    expect(only).toMatchObject({
      output: { id: 'o1' },
      clocked: { clockHz: 16_000_000, timer: { id: 'T2' } },
      told: [{ name: 'All', notes: [{ hz: 440 }, { hz: 0 }, { hz: 9_000 }] }],
    });
    const [a4, high] = only!.pitches;
    // reckoning, Sound.
    expect(a4).toMatchObject({ hz: 440, heldHz: 440, setting: { prescaler: 128, compare: 141 } });
    expect(a4!.givesHz).toBeCloseTo(440.14, 2);
    expect(a4!.cents).toBeCloseTo(0.55, 2);
    // Held at 4,000 Hz: more than an octave below.
    expect(high).toMatchObject({ hz: 9_000, heldHz: 4_000 });
    expect(high!.cents).toBeLessThan(-1_200);
    expect(only!.pitches).toHaveLength(2);
  });

  it('counts a pitch that is told as a note and as a number once', () => {
    const gadget = sounding('Piezo tone 880; Piezo perform Storm', null, {}, [tuneOf([notesInTurn([[2, 81], [2, 69]])])]); // prettier-ignore
    expect(tuningsOf(gadget)[0]!.pitches.map(({ hz }) => hz)).toEqual([440, 880]);
    const worked = sounding('Piezo perform Storm by random(3)', null, {}, [tuneOf([notesInTurn([[2, 81]])])]);
    expect(tuningsOf(worked)[0]!.pitches).toEqual([]);
  });

  it('is exact where it is meant to be, and where no board is chosen', () => {
    for (const gadget of [
      sounding('Piezo tone 440', small, { pitched: 'exact' }),
      sounding('Piezo tone 440', null),
    ])
      expect(tuningsOf(gadget)).toMatchObject([
        { clocked: null, pitches: [{ hz: 440, setting: null, givesHz: 440, cents: 0 }] },
      ]);
  });

  it('leaves out what is worked out', () => {
    expect(tuningsOf(sounding('Piezo tone 400 + 40', null))).toMatchObject([{ pitches: [], told: [] }]);
  });
});

describe('notes of keys', () => {
  const table: Variable = {
    id: 'v1', kind: 'table', name: 'notes', saved: null, columns: 2, numbers: [69, 255, 40, 72],
  }; // prettier-ignore
  const piezo = (perOctave: number): Tone => ({
    id: 'o1', kind: 'tone', name: 'Piezo', lowHz: 200, highHz: 4_000, pitched: 'exact', takes: 'last', turnUs: 20_000, perOctave, blocking: false, nearCm: 40,
  }); // prettier-ignore
  const singing = (row: string, by: string, perOctave = 12) => {
    const sing: Action = { kind: 'sing', outputId: 'o1', key: 'heard(0)', variableId: 'v1', row, by };
    const rules = [doing('r1', anyKey('press'), [sing])];
    const states = [state('s1', { rules })];
    return keyboard(2, { initialId: 's1', variables: [table], states }, piezo(perOctave));
  };
  const asked = (...of: Parameters<typeof singing>) =>
    tuningsOf(singing(...of))[0]!.pitches.map(({ hz }) => Math.round(hz * 100) / 100);

  it('are pitches that a sounder is asked for: of all rows, or of the one that is told, as they are moved', () => {
    expect(asked('heard(0)', '0')).toEqual([82.41, 440, 523.25]);
    expect(asked('0', '12')).toEqual([880]);
    expect(asked('0', '19', 19)).toEqual([880]);
    // How far it is moved is worked out while it runs.
    expect(asked('heard(0)', 'v1[0]')).toEqual([]);
  });
  it('are found where it cannot give them', () => {
    const found = checkGadget(singing('heard(0)', '0')).snags.filter(({ rule }) => rule === 'N02');
    expect(found).toMatchObject([{ values: { hz: 82.41, heldHz: 200, pitches: 1 } }]);
    expect(checkGadget(singing('0', '0')).snags.filter(({ rule }) => rule === 'N02')).toEqual([]);
  });
});
