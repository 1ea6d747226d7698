import * as fc from 'fast-check';
import { effectCurves, effectSchema, limits, type SoundEffect } from '../gadget/index.ts';
import { effectFrameUs, effectKinds, effectPitches } from './effect.ts';

const effect = (patch: Partial<SoundEffect> = {}): SoundEffect => ({
  id: 'e1',
  name: 'Leap',
  fromHz: 220,
  toHz: 880,
  lengthUs: 90_000,
  curve: 'even',
  stairs: 0,
  tremblesCents: 0,
  noiseCents: 0,
  ...patch,
});
const rounded = (one: SoundEffect, byCents = 0) => effectPitches(one, byCents).map(Math.round);

describe('a pitch on its way', () => {
  it('goes from one end to the other by ratio: half the way is an octave of two', () => {
    const pitches = effectPitches(effect(), 0);
    expect(pitches).toHaveLength(9);
    expect(pitches[0]).toBeCloseTo(220, 6);
    expect(pitches[4]).toBeCloseTo(440, 6);
    expect(pitches[8]).toBeCloseTo(880, 6);
    pitches.slice(1).forEach((hz, n) => expect(hz / pitches[n]!).toBeCloseTo(2 ** 0.25, 3));
  });

  it('has most of its way behind it early, or before it late', () => {
    const [early, late] = (['early', 'late'] as const).map(
      (curve) => effectPitches(effect({ curve }), 0)[4]!,
    );
    // Three quarters and one quarter of two octaves.
    expect(early).toBeCloseTo(220 * 2 ** 1.5, 4);
    expect(late).toBeCloseTo(220 * 2 ** 0.5, 4);
  });

  it('goes in stairs: each stands as long as the others, the first and the last are the ends', () => {
    expect(rounded(effect({ stairs: 3 }))).toEqual([220, 220, 220, 440, 440, 440, 880, 880, 880]);
    expect(new Set(rounded(effect({ stairs: 1 })))).toEqual(new Set([220]));
  });

  it('trembles around where it is, and is moved as a whole', () => {
    const still = effectPitches(effect({ toHz: 220, lengthUs: 160_000, tremblesCents: 100 }), 0);
    expect(Math.max(...still)).toBeCloseTo(220 * 2 ** (1 / 12), 6);
    expect(Math.min(...still)).toBeCloseTo(220 / 2 ** (1 / 12), 6);
    expect(rounded(effect(), 1_200)[0]).toBe(440);
  });

  it('is noise that is the same each time, as far to either side as it says, and spread', () => {
    const noisy = effect({ toHz: 220, lengthUs: 5_000_000, noiseCents: 1_200 });
    const pitches = effectPitches(noisy, 0);
    expect(effectPitches(noisy, 0)).toEqual(pitches);
    const octaves = pitches.map((hz) => Math.log2(hz / 220));
    expect(Math.max(...octaves)).toBeLessThanOrEqual(1);
    expect(Math.min(...octaves)).toBeGreaterThanOrEqual(-1);
    const mean = octaves.reduce((sum, one) => sum + one, 0) / octaves.length;
    expect(Math.abs(mean)).toBeLessThan(0.08);
    // Neighbours have nothing to do with one another.
    const alike = octaves.slice(1).reduce((sum, one, n) => sum + (one - mean) * (octaves[n]! - mean), 0);
    const spread = octaves.reduce((sum, one) => sum + (one - mean) ** 2, 0);
    expect(Math.abs(alike / spread)).toBeLessThan(0.15);
    expect(spread / octaves.length).toBeCloseTo(1 / 3, 1);
  });

  it('any of them is as many frames as it is long, between what it is told', () => {
    const any = fc.record({
      fromHz: fc.integer({ min: 20, max: 20_000 }),
      toHz: fc.integer({ min: 20, max: 20_000 }),
      lengthUs: fc.integer({ min: 20_000, max: limits.effectUs }),
      curve: fc.constantFrom(...effectCurves),
      stairs: fc.integer({ min: 0, max: 16 }),
    });
    fc.assert(
      fc.property(any, (patch) => {
        const one = effect(patch);
        expect(effectSchema.safeParse(one).success).toBe(true);
        const pitches = effectPitches(one, 0);
        expect(pitches).toHaveLength(Math.ceil(one.lengthUs / effectFrameUs));
        const [low, high] = [Math.min(one.fromHz, one.toHz), Math.max(one.fromHz, one.toHz)];
        expect(pitches[0]).toBeCloseTo(one.fromHz, 6);
        if (one.stairs !== 1) expect(pitches.at(-1)! / one.toHz).toBeCloseTo(1, 9);
        expect(Math.min(...pitches)).toBeGreaterThan(low * 0.999_999);
        expect(Math.max(...pitches)).toBeLessThan(high * 1.000_001);
      }),
      { seed: 2, numRuns: 200 },
    );
  });
});

it.each(Object.entries(effectKinds))('%s is an effect to begin with', (name, kind) => {
  expect(effectSchema.safeParse({ ...kind, id: 'e1', name }).success).toBe(true);
});
