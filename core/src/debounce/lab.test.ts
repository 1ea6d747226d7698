import * as fc from 'fast-check';
import { contactOf, pressEdges, pressTrain, switchModels, type SwitchModel } from '../contact/index.ts';
import { human } from '../gadget/index.ts';
import { settingArbitrary } from '../test/arbitraries.ts';
import { setting } from '../test/fixtures.ts';
import { runs } from '../test/runs.ts';
import { plainClean } from '../test/plainDebounce.ts';
import {
  algorithms,
  Bench,
  Clock,
  everyAlgorithm,
  fastestRepeatUs,
  frontierOf,
  gridOf,
  measureSetting,
  rateOf,
  rejectedSpikeUs,
  shareOf,
  sweep,
  wrongAtMost,
} from './index.ts';
import { selectNth } from './lab/spread.ts';
import { tallyOf } from './lab/tally.ts';

const heldUs = 110_000;

describe('measuring', () => {
  const presses = Array.from({ length: 300 }, (_, i) => pressEdges(contactOf('leaf'), heldUs, 1, 0, i));
  const measure = (algorithm: string, params: Record<string, number>) =>
    measureSetting(setting(algorithm, params), 1_000, presses, heldUs);

  it('finds the double presses of a setting shorter than the bounce, and none of one longer', () => {
    expect(measure('none', {}).falsePresses).toBeGreaterThan(100);
    expect(measure('lockout', { lockUs: 2_000 }).falsePresses).toBeGreaterThan(30);
    expect(measure('lockout', { lockUs: 11_000 }).falsePresses).toBe(0);
    expect(measure('stable', { settleUs: 9_000 }).falsePresses).toBe(0);
  });

  it('finds what is lost to a setting longer than the press', () => {
    expect(measure('stable', { settleUs: 150_000 })).toMatchObject({ missed: 300, press: null });
  });

  it('shows the trade: waiting costs its time, firing at once costs at most a turn', () => {
    expect(measure('lockout', { lockUs: 11_000 }).press!.medianUs).toBeLessThanOrEqual(1_000);
    expect(measure('stable', { settleUs: 9_000 }).press!.medianUs).toBeGreaterThanOrEqual(9_000);
  });
});

describe('the bench of many presses', () => {
  const trains = (Object.keys(switchModels) as SwitchModel[]).map((model) =>
    pressTrain({ ...contactOf(model), glitchPerHour: 900 }, human, 60, 3),
  );

  it('counts what reading every turn counts, with and without jitter', () => {
    fc.assert(
      fc.property(
        settingArbitrary,
        fc.constantFrom(...trains),
        fc.constantFrom(new Clock(1_000), new Clock(1_000, 900, 5), new Clock(3_000, 400, 6)),
        (given, train, clock) => {
          const endUs = train.upUs.at(-1)! + 300_000;
          const slow = plainClean(given, clock, train.edgeUs, endUs);
          const changes = { count: slow.length, atUs: Float64Array.from(slow, ({ atUs }) => atUs) };
          const late = new Float64Array(train.presses);
          expect(new Bench(train, clock).tally(given)).toEqual(tallyOf(train, changes, late));
        },
      ),
      { seed: 21, numRuns: runs(80) },
    );
  });

  it('counts by hand: a second answer is false, an unanswered press is missed', () => {
    const train = {
      presses: 3,
      downUs: Float64Array.of(1_000, 10_000, 20_000),
      upUs: Float64Array.of(5_000, 15_000, 25_000),
      edgeUs: new Float64Array(0),
    };
    const at = Float64Array.of(500, 800, 2_000, 3_000, 4_000, 6_000, 21_500, 27_000);
    expect(tallyOf(train, { count: 8, atUs: at }, new Float64Array(3))).toEqual({
      presses: 3,
      falsePresses: 2,
      missed: 1,
      press: { medianUs: 1_000, p99Us: 1_500, worstUs: 1_500 },
      release: { medianUs: 1_000, p99Us: 2_000, worstUs: 2_000 },
    });
  });

  it('finds any place in any list', () => {
    fc.assert(
      fc.property(fc.array(fc.integer(), { minLength: 1 }), fc.nat(), (values, place) => {
        const k = place % values.length;
        const sorted = [...values].sort((a, b) => a - b);
        expect(selectNth(Float64Array.from(values), values.length, k)).toBe(sorted[k]);
      }),
      { seed: 22 },
    );
  });
});

describe('a train of presses', () => {
  it('alternates from open, and its presses have the lengths of these hands', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...(Object.keys(switchModels) as SwitchModel[])),
        fc.integer(),
        (model, seed) => {
          const { downUs, upUs, edgeUs } = pressTrain(
            { ...contactOf(model), glitchPerHour: 3_000 },
            human,
            40,
            seed,
          );
          for (let n = 1; n < edgeUs.length; n += 1) expect(edgeUs[n]!).toBeGreaterThan(edgeUs[n - 1]!);
          expect(edgeUs.length % 2).toBe(0);
          downUs.forEach((down, n) => {
            expect(upUs[n]! - down).toBeGreaterThanOrEqual(human.shortestPressUs);
            expect(upUs[n]! - down).toBeLessThanOrEqual(human.longTapUs);
            if (n > 0)
              expect(down - upUs[n - 1]!).toBeGreaterThanOrEqual(
                human.fastestRepeatUs - human.shortestPressUs,
              );
          });
        },
      ),
      { seed: 23, numRuns: 60 },
    );
  });
});

describe('odds', () => {
  it('never say none: 0 of 20,000 is below 0.02 % with 95 % confidence', () => {
    const none = shareOf(0, 20_000);
    expect(none.perMille).toBe(0);
    expect(none.highPerMille).toBeCloseTo(0.15, 2);
    expect(none.highPerMille / 10).toBeLessThan(0.02);
    expect(rateOf(0, 20_000)).toEqual(none);
  });
  it('are those of the published intervals', () => {
    // Wilson's interval for 10 of 100; the exact Poisson interval for 10 events.
    expect(shareOf(10, 100).lowPerMille).toBeCloseTo(55.2, 1);
    expect(shareOf(10, 100).highPerMille).toBeCloseTo(174.4, 1);
    expect(rateOf(10, 1_000).lowPerMille).toBeCloseTo(4.8, 1);
    expect(rateOf(10, 1_000).highPerMille).toBeCloseTo(18.4, 1);
  });
});

describe('what a setting survives', () => {
  it('the fastest repeat: a press is seen late, but seen, while the lockout of the release before it ends within it', () => {
    const us = fastestRepeatUs(setting('lockout', { lockUs: 60_000 }), 1_000, human)!;
    expect(us).toBeGreaterThanOrEqual(100_000);
    expect(us).toBeLessThanOrEqual(120_000);
    expect(fastestRepeatUs(setting('stable', { settleUs: 5_000 }), 1_000, human)).toBeLessThan(20_000);
  });
  it('the longest spike: stable for 8 ms rejects nearly 8 ms, a lockout none', () => {
    expect(rejectedSpikeUs(setting('lockout', { lockUs: 8_000 }), 1_000)).toBe(0);
    const stable = rejectedSpikeUs(setting('stable', { settleUs: 8_000 }), 1_000);
    expect(stable).toBeGreaterThan(7_000);
    expect(stable).toBeLessThanOrEqual(8_000);
  });
});

describe('a sweep', () => {
  const plan = {
    settings: gridOf(everyAlgorithm, 1_000, { steps: 12 }),
    trains: [{ name: 'leaf', train: pressTrain(contactOf('leaf'), human, 200, 1) }],
    periodUs: 1_000,
    jitterUs: 0,
    hands: human,
    seed: 1,
  };
  const rows = [...sweep(plan)];

  it('gives a row for each setting, every algorithm among them', () => {
    expect(rows).toHaveLength(plan.settings.length);
    expect(new Set(plan.settings.map(({ algorithm }) => algorithm)).size).toBe(algorithms.length);
    expect(new Set(plan.settings.map((one) => JSON.stringify(one))).size).toBe(plan.settings.length);
  });

  it('has a frontier that nothing beats, quicker being wronger', () => {
    const frontier = frontierOf(rows);
    expect(frontier.length).toBeGreaterThan(1);
    const wrong = (row: (typeof rows)[number]) => row.falseOdds.perMille + row.missedOdds.perMille;
    frontier.slice(1).forEach((row, n) => {
      expect(row.press!.medianUs).toBeGreaterThanOrEqual(frontier[n]!.press!.medianUs);
      expect(wrong(row)).toBeLessThan(wrong(frontier[n]!));
    });
    for (const row of rows)
      expect(
        frontier.some(
          (best) => wrong(best) <= wrong(row) && best.press!.medianUs <= (row.press?.medianUs ?? Infinity),
        ),
      ).toBe(true);
  });

  it('never claims more than the presses show', () => {
    for (const row of rows) expect(wrongAtMost(row)).toBeGreaterThan(0);
  });
});
