import * as fc from 'fast-check';
import { channelsAt } from '../contact/index.ts';
import type { EncoderReading, KnobReading } from '../gadget/index.ts';
import { freshKnob } from '../drawer/index.ts';
import {
  codeSilence,
  decodeRest,
  feedChannels,
  hearCode,
  heldStep,
  nextSilenceUs,
  nothingHeard,
  quickening,
  readKnob,
  stepEdges,
  stepOf,
  stepsPerTurn,
  unreadKnob,
  valueOf,
} from './index.ts';

const table: EncoderReading = { method: 'table', countsPerStep: 4, reversed: false, faster: null };
const plain = (share: number) => share;

/** Feeds the channels at these counts, one after another. */
function fed(reading: EncoderReading, counts: readonly number[], everyUs = 1_000) {
  let state = decodeRest(0, 0);
  let steps = 0;
  let skipped = 0;
  counts.forEach((count, n) => {
    const { a, b } = channelsAt(count);
    const read = feedChannels(state, a, b, n * everyUs, reading);
    state = read.state;
    steps += read.steps;
    if (read.skipped) skipped += 1;
  });
  return { steps, skipped, rest: state.rest };
}
const upTo = (counts: number) => Array.from({ length: counts }, (_, n) => n + 1);

describe('an encoder read by the table', () => {
  it('counts each neighbour one way or the other, and nothing across', () => {
    expect(fed(table, upTo(8)).steps).toBe(2);
    expect(fed(table, [-1, -2, -3, -4]).steps).toBe(-1);
    expect(fed(table, [2, 4])).toEqual({ steps: 0, skipped: 2, rest: 0 });
  });
  it('takes bounce back: there and back again counts nothing', () => {
    expect(fed(table, [1, 0, 1, 0, 1, 2, 1, 2, 3, 4]).steps).toBe(1);
  });
  it('turned back ends where it began, whatever the way', () => {
    const ways = fc.array(fc.constantFrom(-1, 1), { maxLength: 60 });
    fc.assert(
      fc.property(
        ways,
        fc.constantFrom(1 as const, 2 as const, 4 as const),
        fc.boolean(),
        (way, countsPerStep, reversed) => {
          const reading = { ...table, countsPerStep, reversed };
          let at = 0;
          const there = way.map((by) => (at += by));
          const back = [...there].reverse().slice(1).concat(0);
          expect(fed(reading, [...there, ...(there.length > 0 ? back : [])])).toEqual({
            steps: 0,
            skipped: 0,
            rest: 0,
          });
          // And mirrored, it does the opposite.
          const mirrored = fed(
            reading,
            there.map((count) => -count),
          );
          expect(mirrored.steps).toBe(-fed(reading, there).steps + 0);
        },
      ),
      { seed: 71 },
    );
  });
});

describe('the shortcut', () => {
  const edge = { ...table, method: 'edge' as const };
  it('tells the way of a clean turn', () => {
    expect(fed(edge, upTo(8)).steps).toBe(2);
    expect(
      fed(
        edge,
        upTo(8).map((n) => -n),
      ).steps,
    ).toBe(-2);
    expect(fed({ ...edge, countsPerStep: 2 }, upTo(8)).steps).toBe(4);
  });
  it('counts every bounce of its channel again, which is its fault', () => {
    expect(fed(edge, [1, 0, 1, 0, 1, 2, 3, 4]).steps).toBe(3);
  });
});

describe('acceleration', () => {
  const faster = { fromUs: 40_000, most: 5 };
  it('counts a step more often the closer it follows, up to the most', () => {
    expect([null, 50_000, 40_000, 20_000, 10_000, 1_000].map((gap) => quickening({ faster }, gap))).toEqual([
      1, 1, 1, 2, 4, 5,
    ]);
    expect(quickening({ faster: null }, 1)).toBe(1);
  });
  it('gives the steps per turn that its curve says', () => {
    expect(stepsPerTurn({ ...table, faster }, 20, 4, 400_000)).toBe(40);
    expect(stepsPerTurn(table, 20, 4, 400_000)).toBe(20);
    expect(stepsPerTurn({ ...table, countsPerStep: 1 }, 20, 4, 400_000)).toBe(80);
  });
});

describe('a knob', () => {
  const { reading } = freshKnob({ kind: 'potentiometer', figures: {} }, 'Level', null, null);
  const even: KnobReading = { ...reading, endBandCounts: 0, hysteresisCounts: 0, steps: 4, low: 0, high: 30 };

  it('by hand: four steps of a range, each a quarter of it', () => {
    expect([0, 255, 256, 511, 512, 1_023].map((count) => stepOf(count, even, plain))).toEqual([
      0, 0, 1, 1, 2, 3,
    ]);
    expect([0, 1, 2, 3].map((step) => valueOf(step, even))).toEqual([0, 10, 20, 30]);
    expect(stepEdges(even, plain)).toEqual([256, 512, 768]);
  });
  it('gives its bands to the ends and to the middle', () => {
    const banded = { ...even, steps: 101, high: 100, endBandCounts: 20, centreBandCounts: 50 };
    expect([0, 20, 1_003, 1_023].map((count) => stepOf(count, banded, plain))).toEqual([0, 0, 100, 100]);
    for (let count = 462; count <= 561; count += 9) expect(stepOf(count, banded, plain)).toBe(50);
    expect(stepOf(445, banded, plain)).toBeLessThan(50);
  });
  it('clamps what calibration left out', () => {
    const worn = { ...even, lowCount: 30, highCount: 990 };
    expect([0, 29, 991, 1_023].map((count) => stepOf(count, worn, plain))).toEqual([0, 0, 3, 3]);
  });
  it('leaves a step only beyond its hysteresis, either way', () => {
    const held = { ...even, hysteresisCounts: 10 };
    expect([250, 265, 266].map((count) => heldStep(0, count, held, plain))).toEqual([0, 0, 1]);
    expect([260, 246, 245].map((count) => heldStep(1, count, held, plain))).toEqual([1, 1, 0]);
  });
  it('is the same turned round', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 1_023 }), fc.integer({ min: 2, max: 300 }), (count, steps) => {
        const one = { ...even, steps };
        expect(stepOf(count, { ...one, reversed: true }, plain)).toBeGreaterThanOrEqual(
          steps - 1 - stepOf(count, one, plain) - 1,
        );
        expect(stepOf(count, one, plain)).toBeLessThan(steps);
      }),
      { seed: 72 },
    );
  });
  it('averages, takes the middle, or follows by a share, as its filter says', () => {
    const through = (filter: KnobReading['filter'], counts: number[]) => {
      let state = unreadKnob;
      for (const count of counts)
        state = readKnob(state, count, { ...even, filter, readings: 4 }, plain).state;
      return state.filtered! / 256;
    };
    const counts = [100, 100, 100, 900];
    expect(through('none', counts)).toBe(900);
    expect(through('mean', counts)).toBe(300);
    expect(through('median', counts)).toBe(100);
    expect(through('exponential', counts)).toBe(300);
    // Whole numbers all the way: cut down as firmware does.
    expect(through('mean', [100, 101, 101, 101])).toBe(100);
    expect(through('exponential', [100, 101])).toBe(100.25);
    expect(Number.isInteger(through('exponential', [7, 1_023, 12]) * 256)).toBe(true);
  });
});

describe('codes', () => {
  const setting = { heldGapUs: 250_000 };
  it('heard again within the gap are one press, held; after it, let go', () => {
    const first = hearCode(nothingHeard, 'd1', 0, setting);
    expect(first.said).toEqual([{ codeId: 'd1', gesture: 'press' }]);
    const again = hearCode(first.state, 'd1', 110_000, setting);
    expect(again.said).toEqual([{ codeId: 'd1', gesture: 'repeat' }]);
    expect(nextSilenceUs(again.state, setting)).toBe(360_001);
    expect(codeSilence(again.state, 360_000, setting).said).toEqual([]);
    expect(codeSilence(again.state, 360_001, setting)).toEqual({
      state: nothingHeard,
      said: [{ codeId: 'd1', gesture: 'release' }],
    });
  });
  it('of another key end what was held', () => {
    const { state } = hearCode(nothingHeard, 'd1', 0, setting);
    expect(hearCode(state, 'd2', 100_000, setting).said).toEqual([
      { codeId: 'd1', gesture: 'release' },
      { codeId: 'd2', gesture: 'press' },
    ]);
  });
});
