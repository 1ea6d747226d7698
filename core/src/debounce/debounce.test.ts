import * as fc from 'fast-check';
import { readdirSync } from 'node:fs';
import { join } from 'node:path';
import type { Edge } from '../gadget/index.ts';
import { edgesArbitrary, settingArbitrary } from '../test/arbitraries.ts';
import { frozen, setting } from '../test/fixtures.ts';
import { plainClean } from '../test/plainDebounce.ts';
import { algorithmOf, algorithms, cleanEdges, Clock, defaultSetting, settingFaults } from './index.ts';

const pulse = (...times: number[]): Edge[] =>
  times.map((atUs, i) => ({ atUs, level: i % 2 === 0 ? 1 : 0 }) as Edge);
const told = (edges: readonly Edge[]) => edges.map(({ atUs, level }) => `${level}@${atUs}`);
const answers = (algorithm: string, params: Record<string, number>, edges: Edge[]) =>
  told(cleanEdges(setting(algorithm, params), 1_000, edges));

describe('by hand, read every 1 ms', () => {
  const bouncing = pulse(500, 900, 1_200, 2_100, 2_300, 30_500);
  it('none follows what it reads', () => {
    expect(answers('none', {}, bouncing)).toEqual(['1@2000', '0@31000']);
    expect(answers('none', {}, pulse(500, 2_100, 3_200, 9_000))).toEqual([
      '1@1000',
      '0@3000',
      '1@4000',
      '0@9000',
    ]);
  });
  it('stable for 5 ms waits 5 ms from the first unbroken reading', () => {
    expect(answers('stable', { settleUs: 5_000 }, bouncing)).toEqual(['1@7000', '0@36000']);
    expect(answers('stable', { settleUs: 5_000 }, pulse(500, 4_500))).toEqual([]);
  });
  it('stable can let go sooner than it presses', () => {
    expect(answers('stable', { settleUs: 5_000, releaseUs: 2_000 }, bouncing)).toEqual(['1@7000', '0@33000']);
  });
  it('lockout of 5 ms fires at once, and lets go at once after the lock', () => {
    expect(answers('lockout', { lockUs: 5_000 }, bouncing)).toEqual(['1@2000', '0@31000']);
    expect(answers('lockout', { lockUs: 5_000 }, pulse(500, 1_500))).toEqual(['1@1000', '0@6000']);
  });
  it('lockout can be deaf for longer after letting go', () => {
    const twice = pulse(500, 40_500, 43_500, 60_500);
    expect(answers('lockout', { lockUs: 5_000, releaseUs: 30_000 }, twice)).toHaveLength(2);
    expect(answers('lockout', { lockUs: 5_000, releaseUs: 2_000 }, twice)).toHaveLength(4);
  });
  it('an integrator of 3 needs three readings more one way than the other', () => {
    expect(answers('integrator', { steps: 3 }, pulse(500, 3_500, 4_500, 20_500))).toEqual([
      '1@3000',
      '0@23000',
    ]);
    expect(answers('integrator', { steps: 3 }, pulse(500, 2_500, 3_500, 4_500))).toEqual([]);
  });
  it('an integrator with two thresholds changes at each of them', () => {
    const params = { steps: 6, pressAt: 4, releaseAt: 2 };
    expect(answers('integrator', params, pulse(500, 20_500))).toEqual(['1@4000', '0@24000']);
  });
  it('a blocking delay of 5 ms looks twice, and sees nothing between', () => {
    expect(answers('blocking', { waitUs: 5_000 }, bouncing)).toEqual(['1@7000', '0@36000']);
    expect(answers('blocking', { waitUs: 5_000 }, pulse(500, 4_500, 5_500, 30_500))).toEqual([
      '1@6000',
      '0@36000',
    ]);
  });
  it('pressing at once and letting go after 4 ms of open', () => {
    expect(answers('asymmetric', { releaseUs: 4_000 }, pulse(500, 9_500, 11_500, 30_500))).toEqual([
      '1@1000',
      '0@35000',
    ]);
  });
  it('a history of 3 wants three alike', () => {
    expect(
      answers('history', { pressSamples: 3, releaseSamples: 2 }, pulse(500, 2_500, 3_500, 30_500)),
    ).toEqual(['1@6000', '0@32000']);
  });
  it('a vertical counter of 2 bits wants four in a row', () => {
    expect(answers('vertical', { bits: 2 }, pulse(500, 3_500, 4_500, 30_500))).toEqual(['1@8000', '0@34000']);
  });
  it('10 kΩ and 470 nF to 0.7 of the supply take 5.66 ms', () => {
    const rc = algorithmOf('rc');
    const params = { rOhms: 10_000, cNf: 470, highPerMille: 700, lowPerMille: 300 };
    const crossUs = rc.filter!.crossUs({ v: 0, sinceUs: 0, raw: 1, out: 0 }, params);
    expect(crossUs! / 1_000).toBeCloseTo(5.66, 2);
    // 500 + 5,659 µs is read at 7 ms; down to 0.3 takes as long as up to 0.7.
    expect(answers('rc', params, pulse(500, 30_500))).toEqual(['1@7000', '0@37000']);
    expect(answers('rc', params, pulse(500, 3_000))).toEqual([]);
  });
});

describe('every algorithm', () => {
  it('is registered, one file each', () => {
    const files = readdirSync(join(__dirname, 'algorithms')).map((file) => file.replace('.algorithm.ts', ''));
    expect(algorithms.map(({ id }) => id).sort()).toEqual(files.sort());
    expect(algorithms).toHaveLength(9);
  });

  it.each(algorithms.map(({ id }) => [id]))('%s minds its manners', (id) => {
    const algorithm = algorithmOf(id);
    const params = frozen({ ...algorithm.defaults });
    expect(settingFaults(defaultSetting(id))).toEqual([]);
    for (const field of Object.values(algorithm.params.shape))
      expect((field as { meta(): unknown }).meta()).toMatchObject({
        label: expect.any(String),
        unit: expect.any(String),
      });
    for (const level of [0, 1] as const) {
      const rest = frozen(algorithm.settled(level, params));
      // No output without a change of input, and nothing left to do.
      expect(algorithm.step(rest, { level, atUs: 5_000, turn: 6 }, params).level).toBe(level);
      expect(algorithm.nextUs(rest, params, 1_000, 5_000)).toBeNull();
      expect(JSON.parse(JSON.stringify(rest))).toEqual(rest);
      const away = { level: level === 1 ? 0 : 1, atUs: 6_000, turn: 7 } as const;
      expect(algorithm.step(rest, away, params)).toEqual(algorithm.step(rest, away, params));
    }
    const protecting = algorithm.protecting(7_000, 3_000, 1_000);
    if (protecting) expect(algorithm.params.safeParse(protecting).success).toBe(true);
    expect(algorithm.title.length * algorithm.doc.length * algorithm.source.length).toBeGreaterThan(0);
  });

  it('gives the same over a whole record as at every turn, with or without jitter', () => {
    fc.assert(
      fc.property(
        settingArbitrary,
        fc.constantFrom(250, 1_000, 4_000),
        edgesArbitrary,
        (given, periodUs, edges) => {
          const endUs = (edges.at(-1)?.atUs ?? 0) + 200_000;
          const times = edges.map(({ atUs }) => atUs);
          expect(cleanEdges(given, periodUs, edges)).toEqual(
            plainClean(given, new Clock(periodUs), times, endUs),
          );
        },
      ),
      { seed: 6, numRuns: 600 },
    );
  });

  it('says nothing of its own accord: alternates, and never before the contact moved', () => {
    fc.assert(
      fc.property(settingArbitrary, edgesArbitrary, (given, edges) => {
        const clean = cleanEdges(given, 1_000, edges);
        clean.forEach(({ level, atUs }, i) => {
          expect(level).toBe(i % 2 === 0 ? 1 : 0);
          expect(atUs).toBeGreaterThanOrEqual(edges[i]!.atUs);
        });
      }),
      { seed: 7 },
    );
  });

  it('is never quicker than the floor that it states', () => {
    fc.assert(
      fc.property(settingArbitrary, fc.integer({ min: 1, max: 5_000 }), (given, startUs) => {
        const floor = algorithmOf(given.algorithm).floorUs(given.params, 1_000);
        const [down, up] = cleanEdges(given, 1_000, pulse(startUs, startUs + 900_000));
        if (down) expect(down.atUs - startUs).toBeGreaterThanOrEqual(floor.press);
        if (up) expect(up.atUs - startUs - 900_000).toBeGreaterThanOrEqual(floor.release);
      }),
      { seed: 9, numRuns: 400 },
    );
  });

  it('answers a press of the length that it says it needs', () => {
    for (const algorithm of algorithms)
      for (let phaseUs = 0; phaseUs < 1_000; phaseUs += 50) {
        const neededUs = algorithm.neededUs(algorithm.defaults, 1_000);
        const press = pulse(50_000 + phaseUs, 50_000 + phaseUs + neededUs);
        expect(cleanEdges(defaultSetting(algorithm.id), 1_000, press)).not.toEqual([]);
      }
  });
});

describe('an integrator', () => {
  it('counts between nothing and its bound, whatever it reads', () => {
    const { settled, step } = algorithmOf('integrator');
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 9 }),
        fc.array(fc.tuple(fc.constantFrom<0 | 1>(0, 1), fc.integer({ min: 1, max: 4 })), { maxLength: 60 }),
        (steps, readings) => {
          const params = { steps, pressAt: steps, releaseAt: 0 };
          let state = settled(0, params) as ReturnType<typeof settled> & { count: number };
          let turn = 0;
          for (const [level, turns] of readings) {
            turn += turns;
            state = step(state, { level, atUs: turn * 1_000, turn }, params) as typeof state;
            expect(state.count).toBeGreaterThanOrEqual(0);
            expect(state.count).toBeLessThanOrEqual(steps);
          }
        },
      ),
      { seed: 10 },
    );
  });
});

describe('settings', () => {
  const fault = (algorithm: string, params: Record<string, number>, wholePort = false) =>
    settingFaults({ algorithm, params, wholePort });
  it('are refused by field', () => {
    expect(fault('magic', {})[0]).toMatchObject({ path: 'algorithm' });
    expect(fault('magic', {})[0]!.message).toContain('stable');
    expect(fault('stable', {})[0]).toMatchObject({ path: 'params.settleUs' });
    expect(fault('stable', { settleUs: 5, releaseUs: 5, other: 1 })).toHaveLength(1);
    expect(fault('integrator', { steps: 3, pressAt: 4, releaseAt: 0 })[0]).toMatchObject({
      path: 'params.pressAt',
    });
    expect(fault('integrator', { steps: 3, pressAt: 2, releaseAt: 2 })[0]).toMatchObject({
      path: 'params.releaseAt',
    });
  });
  it('share a timer only where the algorithm has one', () => {
    expect(fault('history', { pressSamples: 4, releaseSamples: 4 }, true)[0]).toMatchObject({
      path: 'wholePort',
    });
    expect(fault('stable', { settleUs: 5, releaseUs: 5 }, true)).toEqual([]);
  });
});
