import * as fc from 'fast-check';
import {
  channelsAt,
  changingChannel,
  contactOf,
  countTimesUs,
  failsAfterUs,
  nextDisturbance,
  pressEdges,
  restPerMille,
  touchAnswer,
  trackShare,
  wayOfShare,
  wiperCount,
} from './index.ts';

describe('spikes and chatter', () => {
  const contact = { ...contactOf('worn'), glitchPerHour: 3_600, glitchMaxUs: 150 };
  it('come as often as the figures say, each no longer than it may be, always the same', () => {
    const n = 3_000;
    for (const [what, perHour, maxUs] of [
      ['spike', 3_600, 150],
      ['chatter', contact.chatterPerMinute * 60, contact.chatterMaxUs],
    ] as const) {
      let sumUs = 0;
      for (let i = 0; i < n; i += 1) {
        const next = nextDisturbance(contact, what, 4, 1, i)!;
        expect(next.lengthUs).toBeGreaterThanOrEqual(1);
        expect(next.lengthUs).toBeLessThanOrEqual(maxUs);
        expect(next).toEqual(nextDisturbance(contact, what, 4, 1, i));
        sumUs += next.afterUs;
      }
      expect(sumUs / n / (3_600_000_000 / perHour)).toBeCloseTo(1, 1);
    }
  });
  it('are none on a sound contact', () => {
    expect(nextDisturbance(contactOf('dome'), 'spike', 4, 1, 0)).toBeNull();
    expect(nextDisturbance(contactOf('dome'), 'chatter', 4, 1, 0)).toBeNull();
  });
});

describe('a pad', () => {
  const touch = contactOf('touch').touch!;
  it('answers after its rise, at half the signal after ln 2 of it', () => {
    const answer = touchAnswer(touch, 0);
    expect(answer.kind === 'answers' && answer.closeUs / touch.riseUs).toBeCloseTo(0.693, 2);
    const edges = pressEdges(contactOf('touch'), 100_000, 1, 0, 0);
    expect(edges.map(({ level }) => level)).toEqual([1, 0]);
    expect(pressEdges(contactOf('touch'), 5_000, 1, 0, 0)).toEqual([]);
  });
  it('drifts until it sticks or goes deaf, unless it calibrates itself before', () => {
    const drifting = { ...touch, driftPerMillePerMinute: 50, recalibrateUs: null };
    expect(failsAfterUs(drifting)).toEqual({ afterUs: 600_000_000, how: 'stuck' });
    expect(touchAnswer(drifting, 601_000_000).kind).toBe('stuck');
    expect(failsAfterUs({ ...drifting, driftPerMillePerMinute: -50 })).toMatchObject({ how: 'deaf' });
    expect(touchAnswer({ ...drifting, driftPerMillePerMinute: -50 }, 601_000_000).kind).toBe('deaf');
    expect(failsAfterUs({ ...drifting, recalibrateUs: 60_000_000 })).toBeNull();
    expect(restPerMille({ ...drifting, recalibrateUs: 60_000_000 }, 90_000_000)).toBe(25);
  });
});

describe('two channels', () => {
  it('change one at a time, clockwise A before B, back the same way', () => {
    expect([0, 1, 2, 3, 4].map((count) => channelsAt(count))).toEqual([
      { a: 0, b: 0 },
      { a: 1, b: 0 },
      { a: 1, b: 1 },
      { a: 0, b: 1 },
      { a: 0, b: 0 },
    ]);
    for (let count = -9; count < 9; count += 1) {
      const [from, to] = [channelsAt(count), channelsAt(count + 1)];
      expect(Number(from.a !== to.a) + Number(from.b !== to.b)).toBe(1);
      expect(from[changingChannel(count, count + 1)]).not.toBe(to[changingChannel(count, count + 1)]);
    }
    expect(countTimesUs(4, 100_000)).toEqual([25_000, 50_000, 75_000, 100_000]);
  });
});

describe('a wiper', () => {
  const wiper = { bits: 10, noisePpm: 0, cracklePerMille: 0, cracklePpm: 0, sagPpm: 0 };
  const at = (way: number, patch = {}, moment = {}) =>
    wiperCount({ ...wiper, ...patch }, 'linear', { way, moving: false, loaded: false, ...moment }, 1, 0, 7);
  it('reads its share of full scale, quantised, never beyond either end', () => {
    expect([0, 0.25, 0.5, 1].map((way) => at(way))).toEqual([0, 256, 512, 1_023]);
  });
  it('wanders by its noise, jumps by its crackle only while it moves, and sags with the supply', () => {
    const counts = Array.from({ length: 2_000 }, (_, n) =>
      wiperCount(
        { ...wiper, noisePpm: 2_000 },
        'linear',
        { way: 0.5, moving: false, loaded: false },
        1,
        0,
        n,
      ),
    );
    const mean = counts.reduce((sum, one) => sum + one, 0) / counts.length;
    const spread = Math.sqrt(counts.reduce((sum, one) => sum + (one - mean) ** 2, 0) / counts.length);
    expect(mean).toBeCloseTo(511.5, 0);
    // A spread of 2.05 counts, and a third of a count of quantising.
    expect(spread).toBeCloseTo(2.07, 1);
    const crackle = { cracklePerMille: 1_000, cracklePpm: 100_000 };
    expect(at(0.5, crackle)).toBe(512);
    expect(at(0.5, crackle, { moving: true })).not.toBe(512);
    expect(at(0.5, { sagPpm: 10_000 }, { loaded: true })).toBe(506);
  });
  it('on any track rises from end to end, and its taper can be undone', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('linear' as const, 'log' as const, 'reverseLog' as const),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (taper, way) => {
          expect(wayOfShare(taper, trackShare(taper, way))).toBeCloseTo(way, 6);
          expect(trackShare(taper, way)).toBeGreaterThanOrEqual(-1e-12);
          expect(trackShare(taper, way)).toBeLessThanOrEqual(1 + 1e-12);
        },
      ),
      { seed: 81 },
    );
    expect(trackShare('log', 0.5)).toBeCloseTo(0.1, 6);
    expect(trackShare('reverseLog', 0.5)).toBeCloseTo(0.9, 6);
  });
});
