import { Machine, outputStateOf } from '../machine/index.ts';
import { emptyGadget, type Tune } from '../gadget/index.ts';
import { outputOf, toldGadget } from '../test/toldGadget.ts';
import { notesInTurn, tuneOf } from '../test/tunes.ts';
import { renderMoments } from './synth.ts';
import { sounderVoice, tuneSounding } from './tuneMoments.ts';
import { waveShare } from './waves.ts';

/* Quieter by a narrower pulse, as a pin can. */

type Told = readonly [atMs: number, text: string];
function played(first: Told | { tunes: Tune[] }, ...others: Told[]) {
  const [tunes, told] = 'tunes' in first ? [first.tunes, others] : [[], [first, ...others]];
  const machine = new Machine(toldGadget(outputOf('tone', 'Piezo'), told, [], tunes), 1);
  machine.advanceTo(1_000_000);
  const tones = machine
    .takeTrace()
    .flatMap((entry) =>
      entry.lane === 'tone' ? [[entry.atUs / 1_000, entry.hz, entry.percent ?? 100]] : [],
    );
  return { tones, state: outputStateOf(machine.shown.outputs, 'tone', 'o1')! };
}

describe('how loud a sounder is told to be', () => {
  it('holds for what sounds and what follows, until it is told otherwise', () => {
    const { tones, state } = played(
      [10, 'Piezo tone 440'],
      [20, 'Piezo volume 40'],
      [30, 'Piezo tone 660 for 20 ms'],
      [60, 'Piezo volume 300'],
      [70, 'Piezo tone 440 for 10 ms'],
    );
    expect(tones).toEqual([
      [10, 440, 100],
      [20, 440, 40],
      [30, 660, 40],
      [50, 0, 100],
      [70, 440, 100],
      [80, 0, 100],
    ]);
    expect(state.percent).toBe(100);
  });
  it('says nothing while it is silent, and nothing twice', () => {
    expect(played([10, 'Piezo volume 40'], [20, 'Piezo tone 440'], [30, 'Piezo volume 40']).tones).toEqual([
      [20, 440, 40],
    ]);
  });
  it('plays on under a tune of notes', () => {
    const { tones } = played([10, 'Piezo tune 440 20 ms, 660 20 ms'], [20, 'Piezo volume 10']);
    expect(tones).toEqual([
      [10, 440, 100],
      [20, 440, 10],
      [30, 660, 10],
      [50, 0, 100],
    ]);
  });
});

describe('how loud a note of a tune is', () => {
  const one = tuneOf([notesInTurn([[1, 69], [1, 69, null, 50], [1, 72, null, 50], [1, null], [1, 72, null, 1], [1, 72, null, 1]])], { heldPercent: 100 }); // prettier-ignore
  it('is what it has of what its sounder was told, and what comes behind it is as loud as before', () => {
    const { tones, state } = played({ tunes: [one] }, [0, 'Piezo perform Storm'], [200, 'Piezo volume 40'], [900, 'Piezo tone 660']);
    const [a, c] = [440, 523];
    expect(tones).toEqual([[1, a, 100], [126, a, 50], [200, a, 20], [251, c, 20], [376, 0, 100], [501, c, 1], [751, 0, 100], [900, 660, 40]]);
    expect(state.percent).toBe(40);
  }); // prettier-ignore
  it('is heard alike by itself, through what the sounder lets through', () => {
    const { moments } = tuneSounding(emptyGadget('Bare'), one);
    expect(
      moments.map(({ sounding }) => Object.values(sounding).map(({ wave, duty }) => [wave, duty])[0]),
    ).toEqual([
      ['square', undefined],
      ['pulse', 0.25],
      ['pulse', 0.25],
      undefined,
      ['pulse', 0.025],
      ['pulse', 0.025],
      undefined,
    ]);
  });
});

describe('a pulse', () => {
  const sampleRate = 48_000;
  const samplesOf = (percent: number) =>
    renderMoments(
      [{ atUs: 0, sounding: { tone: sounderVoice(480, null, percent) } }],
      600_000,
      sampleRate,
      0.5,
    ).subarray(24_000);
  /** How high its k-th harmonic is, measured over whole turns. */
  const harmonic = (samples: Float32Array, k: number) => {
    let [cos, sin] = [0, 0];
    const turns = samples.subarray(0, 4_800);
    turns.forEach((sample, n) => {
      const angle = (2 * Math.PI * 480 * k * n) / sampleRate;
      cos += sample * Math.cos(angle);
      sin += sample * Math.sin(angle);
    });
    return (2 * Math.hypot(cos, sin)) / turns.length / 0.5;
  };
  it('has the harmonics of its Fourier series', () => {
    for (const percent of [20, 50, 80]) {
      const samples = samplesOf(percent);
      const duty = percent / 200;
      for (let k = 1; k <= 7; k += 1) {
        expect(harmonic(samples, k)).toBeCloseTo(Math.abs(waveShare('pulse', k, duty)), 2);
        expect(harmonic(samples, k)).toBeCloseTo(
          Math.abs((4 / (k * Math.PI)) * Math.sin(Math.PI * k * duty)),
          2,
        );
      }
    }
  });
  it('is the quieter the narrower, and a square where it is as loud as it can be', () => {
    const power = (percent: number) => samplesOf(percent).reduce((sum, one) => sum + one * one, 0);
    const powers = [5, 20, 40, 60, 80, 100].map(power);
    expect([...powers].sort((a, b) => a - b)).toEqual(powers);
    expect(sounderVoice(480, null, 100).wave).toBe('square');
    expect(harmonic(samplesOf(100), 1)).toBeCloseTo(4 / Math.PI, 2);
    expect(harmonic(samplesOf(100), 2)).toBeCloseTo(0, 3);
  });
});
