import { small, sounding } from '../test/soundCases.ts';
import { tuningsOf } from './tuning.ts';

describe('what a sounder is told', () => {
  it('stands with the setting of its timer, what that gives, and how far it is from what was asked', () => {
    const gadget = sounding('Piezo tune 440 100 ms, 0 50 ms, 9000 100 ms; Piezo tone 440', small);
    const [only, ...others] = tuningsOf(gadget);
    expect(others).toEqual([]);
    expect(only).toMatchObject({
      output: { id: 'o1' },
      clocked: { clockHz: 16_000_000, timer: { id: 'T2' } },
      tunes: [{ name: 'All', notes: [{ hz: 440 }, { hz: 0 }, { hz: 9_000 }] }],
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
    expect(tuningsOf(sounding('Piezo tone 400 + 40', null))).toMatchObject([{ pitches: [], tunes: [] }]);
  });
});
