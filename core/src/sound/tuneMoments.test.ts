import { emptyGadget, type Gadget, type Tone } from '../gadget/index.ts';
import { effectKinds, gridAt, noteHz } from '../notes/index.ts';
import { sounding } from '../test/soundCases.ts';
import { notesInTurn, tuneOf } from '../test/tunes.ts';
import { effectSounding, tuneSounding } from './tuneMoments.ts';

const two = tuneOf([notesInTurn([[2, 72], [2, null], [2, 74]]), notesInTurn([[4, 60], [2, 62]])]); // prettier-ignore
/** Pitches that sound from each moment on, lowest first. */
const heard = ({ moments }: ReturnType<typeof tuneSounding>) =>
  moments.map(({ atUs, sounding: now }) => [
    atUs / 1_000,
    ...Object.values(now).map(({ hz }) => Math.round(hz)).sort((a, b) => a - b),
  ]); // prettier-ignore
const hz = (note: number) => Math.round(noteHz(note));

describe('a tune heard by itself', () => {
  it('is what all its sounders give together, each what it is told', () => {
    const one = sounding('Piezo perform Storm voice 1', null, {}, [two]);
    const [piezo] = one.outputs as [Tone];
    const other = { ...piezo, id: 'o2', name: 'Other' };
    const told = { kind: 'perform', outputId: 'o2', tuneId: 'a1', voiceId: 'h2', by: '0', bpm: '0' } as const;
    const both: Gadget = {
      ...one,
      outputs: [piezo, other],
      flow: { ...one.flow, states: one.flow.states.map((state) => ({ ...state, entry: [told] })) },
    };
    const sounds = heard(tuneSounding(both, two));
    // Of several changes in one moment the last stands.
    const standing = sounds.filter(([ms], n) => sounds[n + 1]?.[0] !== ms);
    expect(standing).toEqual([[0, hz(60), hz(72)], [250, hz(60)], [500, hz(62), hz(74)], [750]]);
    expect(tuneSounding(both, two).lengthUs).toBe(750_000);
  });

  it('is what the first sounder would give where nothing plays it, and its voices in turns where there is none', () => {
    const silent = sounding('Piezo silence', null, {}, [two]);
    expect(heard(tuneSounding(silent, two)).map(([, pitch]) => pitch)).toContain(hz(72));
    expect(heard(tuneSounding(silent, two))[0]).toEqual([0, hz(72)]);
    const none = heard(tuneSounding({ ...emptyGadget('Bare'), tunes: [two] }, two));
    const first = none.filter(([ms]) => ms! < 250).map(([, pitch]) => pitch);
    expect(new Set(first)).toEqual(new Set([hz(72), hz(60)]));
  });

  it('is held inside what its sounder gives', () => {
    const low = sounding('Piezo perform Storm', null, { lowHz: 600 }, [two]);
    expect(heard(tuneSounding(low, two))[0]).toEqual([0, 600]);
  });
});

it('an effect heard by itself is its way, and silence at its end', () => {
  const leap = { id: 'e1', name: 'Leap', ...effectKinds.leap };
  const { moments, lengthUs } = effectSounding(sounding('Piezo silence', null), leap);
  expect([moments.length, lengthUs]).toEqual([19, 180_000]);
  expect(moments[0]).toMatchObject({ atUs: 0, sounding: { tone: { hz: 300 } } });
  expect(moments.at(-1)).toEqual({ atUs: 180_000, sounding: {} });
  expect(effectSounding(emptyGadget('Bare'), leap).moments).toHaveLength(19);
});

it('where a tune is on its grid follows its sections and its swing', () => {
  const parts = tuneOf([notesInTurn([[4, 60]])], {
    sections: [{ name: 'A', steps: 2, times: 2 }, { name: 'B', steps: 2, times: 1 }], // prettier-ignore
    swingPercent: 60,
  });
  // Steps of 125 ms, the first of two 150.
  const at = [0, 75, 150, 250, 400, 500, 650, 700].map((ms) => gridAt(parts, ms * 1_000)!);
  expect(at.map((step) => Math.round(step * 1_000) / 1_000)).toEqual([0, 0.5, 1, 0, 1, 2, 3, 3.5]);
  expect(gridAt(parts, 750_000)).toBeNull();
});
