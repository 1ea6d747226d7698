import { part } from '../test/fixtures.ts';
import { sounding } from '../test/soundCases.ts';
import type { Tone } from '../gadget/index.ts';
import { biquadOf, gainAt, levelDb, sounderResponse, type Response } from './response.ts';
import { renderMoments } from './synth.ts';
import { sounderOf, tuned } from './tuning.ts';
import { waveShare } from './waves.ts';

const disc: Response = { kind: 'band', hz: 4_000, q: 2 };
const speaker: Response = { kind: 'high', hz: 250, q: Math.SQRT1_2 };
const db = (gain: number) => 20 * Math.log10(gain);

/** A sine through a filter of samples, once it has settled: how high it is. */
function measured(response: Response, hz: number, sampleRate = 192_000): number {
  const { b, a } = biquadOf(response, sampleRate);
  let [x1, x2, y1, y2, most] = [0, 0, 0, 0, 0];
  for (let n = 0; n < sampleRate / 2; n += 1) {
    const x = Math.sin((2 * Math.PI * hz * n) / sampleRate);
    const y = b[0] * x + b[1] * x1 + b[2] * x2 - a[0] * y1 - a[1] * y2;
    [x2, x1, y2, y1] = [x1, x, y1, y];
    if (n > sampleRate / 4) most = Math.max(most, Math.abs(y));
  }
  return most;
}

describe('what comes out of a sounder', () => {
  it('is all of it at a resonance, and half the power at both ends of its band', () => {
    expect(gainAt(disc, 4_000)).toBe(1);
    // Ends of the band by hand: f = f0 · (√(1 + 1/4q²) ± 1/2q).
    for (const sign of [1, -1]) {
      const end = 4_000 * (Math.sqrt(1 + 1 / 16) + sign / 4);
      expect(gainAt(disc, end) ** 2).toBeCloseTo(0.5, 9);
    }
    // Far below it falls by 6 dB an octave.
    expect(db(gainAt(disc, 100)) - db(gainAt(disc, 50))).toBeCloseTo(6.02, 1);
  });
  it('is half the power at a speaker’s lowest, and falls by 12 dB an octave below', () => {
    expect(gainAt(speaker, 250) ** 2).toBeCloseTo(0.5, 9);
    expect(gainAt(speaker, 20_000)).toBeCloseTo(1, 4);
    expect(db(gainAt(speaker, 20)) - db(gainAt(speaker, 10))).toBeCloseTo(12.04, 1);
  });
  it('goes through a filter of samples as it is reckoned', () => {
    for (const response of [disc, speaker])
      for (const hz of [60, 250, 1_000, 3_000, 4_000, 5_000])
        expect(measured(response, hz)).toBeCloseTo(gainAt(response, hz), 2);
  });
});

describe('how loud a pitch is', () => {
  it('is the power of all its harmonics that come out, against the best', () => {
    expect(levelDb(disc, 4_000)).toBeCloseTo(0, 9);
    // By hand: the first two harmonics of a square wave at 1,333.3 Hz; the third is at the resonance.
    const third = levelDb(disc, 4_000 / 3);
    const power = (k: number) => (waveShare('square', k) * gainAt(disc, (k * 4_000) / 3)) ** 2;
    const best = [1, 3, 5].reduce(
      (sum, k) => sum + (waveShare('square', k) * gainAt(disc, k * 4_000)) ** 2,
      0,
    );
    const own = [1, 3, 5, 7, 9, 11, 13, 15].reduce((sum, k) => sum + power(k), 0);
    expect(third).toBeCloseTo(10 * Math.log10(own / best), 6);
    // Its third harmonic makes it much louder than its first alone.
    expect(third).toBeGreaterThan(db(gainAt(disc, 4_000 / 3)) + 6);
    expect(levelDb(disc, 200)).toBeLessThan(-15);
    expect(levelDb(speaker, 1_000)).toBeCloseTo(0, 0);
    expect(levelDb(speaker, 60)).toBeLessThan(-7);
  });
  it('is heard so: samples have the power that is reckoned', () => {
    const rms = (hz: number) => {
      const voice = { hz, wave: 'square', loudness: 0.5, through: disc } as const;
      const samples = renderMoments([{ atUs: 0, sounding: { tone: voice } }], 600_000, 96_000, 1);
      const settled = samples.subarray(20_000);
      return Math.sqrt(settled.reduce((sum, one) => sum + one * one, 0) / settled.length);
    };
    expect(db(rms(500) / rms(4_000))).toBeCloseTo(levelDb(disc, 500), 0);
    expect(db(rms(1_000) / rms(4_000))).toBeCloseTo(levelDb(disc, 1_000), 0);
  });
  it('follows the part’s figures, and is not known of a part that says nothing', () => {
    const piezo = sounding('Piezo tone 440', null);
    const [output] = piezo.outputs as [Tone];
    expect(sounderResponse(piezo, output.id)).toEqual({ kind: 'band', hz: 4_000, q: 2 });
    const own = (kind: string, figures: Record<string, number> = {}) => ({
      ...piezo,
      parts: [{ ...part('p1', kind, [output.id]), figures }],
    });
    expect(sounderResponse(own('amplifier-speaker', { lowestHz: 400 }), output.id)).toMatchObject({
      kind: 'high',
      hz: 400,
    });
    expect(sounderResponse(own('buzzer'), output.id)).toBeNull();
    expect(tuned(sounderOf(piezo, output), 440).levelDb).toBeCloseTo(levelDb(disc, 440), 1);
    expect(tuned(sounderOf(own('buzzer'), output), 440).levelDb).toBeNull();
  });
});

describe('something that is struck', () => {
  it('fades by 1/e in its time, and does not begin anew while it is told', () => {
    const voice = { hz: 1_000, wave: 'sine', loudness: 1, fadeSeconds: 0.05 } as const;
    const samples = renderMoments(
      [0, 100_000, 200_000].map((atUs) => ({ atUs, sounding: { a: voice } })),
      400_000,
      48_000,
      1,
    );
    const highest = (ms: number) => Math.max(...samples.subarray(ms * 48, (ms + 2) * 48));
    expect(highest(60) / highest(10)).toBeCloseTo(Math.exp(-1), 2);
    expect(highest(160) / highest(110)).toBeCloseTo(Math.exp(-1), 2);
    // After some seven of its times nothing is left.
    expect(Math.max(...samples.subarray(390 * 48))).toBeLessThan(0.001);
  });
});
