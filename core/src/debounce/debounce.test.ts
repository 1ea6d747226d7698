import * as fc from 'fast-check';
import { readdirSync } from 'node:fs';
import { join } from 'node:path';
import { contactOf, pressEdges } from '../contact/index.ts';
import type { DebounceSetting, Edge } from '../gadget/index.ts';
import { edgesArbitrary, settingArbitrary } from '../test/arbitraries.ts';
import { frozen } from '../test/fixtures.ts';
import {
  algorithmOf,
  algorithms,
  cleanEdges,
  defaultSetting,
  measureSetting,
  settingFaults,
} from './index.ts';

/** Reads every turn, as a plain loop would: what the skipping one is held against. */
function plain(setting: DebounceSetting, periodUs: number, edges: readonly Edge[], endUs: number): Edge[] {
  const algorithm = algorithmOf(setting.algorithm);
  let state = algorithm.settled(0, setting.params);
  const clean: Edge[] = [];
  for (let atUs = 0, turn = 1; atUs <= endUs; atUs += periodUs, turn += 1) {
    const level = edges.findLast((edge) => edge.atUs <= atUs)?.level ?? 0;
    const before = state.level;
    state = algorithm.step(state, { level, atUs, turn }, setting.params);
    if (state.level !== before) clean.push({ atUs, level: state.level });
  }
  return clean;
}

const pulse = (...times: number[]): Edge[] =>
  times.map((atUs, i) => ({ atUs, level: i % 2 === 0 ? 1 : 0 }) as Edge);
const answers = (algorithm: string, params: Record<string, number>, edges: Edge[]) =>
  cleanEdges({ algorithm, params }, 1_000, edges).map(({ atUs, level }) => `${level}@${atUs}`);

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
  it('lockout of 5 ms fires at once, and lets go at once after the lock', () => {
    expect(answers('lockout', { lockUs: 5_000 }, bouncing)).toEqual(['1@2000', '0@31000']);
    expect(answers('lockout', { lockUs: 5_000 }, pulse(500, 1_500))).toEqual(['1@1000', '0@6000']);
  });
  it('an integrator of 3 needs three readings more one way than the other', () => {
    expect(answers('integrator', { steps: 3 }, pulse(500, 3_500, 4_500, 20_500))).toEqual([
      '1@3000',
      '0@23000',
    ]);
    expect(answers('integrator', { steps: 3 }, pulse(500, 2_500, 3_500, 4_500))).toEqual([]);
  });
});

describe('every algorithm', () => {
  it('is registered, one file each', () => {
    const files = readdirSync(join(__dirname, 'algorithms')).map((file) => file.replace('.algorithm.ts', ''));
    expect(algorithms.map(({ id }) => id)).toEqual(files.sort());
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
    expect(algorithm.title.length * algorithm.doc.length * algorithm.source.length).toBeGreaterThan(0);
  });

  it('gives the same whether every turn is read or only those that matter', () => {
    fc.assert(
      fc.property(
        settingArbitrary,
        fc.constantFrom(250, 1_000, 4_000),
        edgesArbitrary,
        (setting, periodUs, edges) => {
          const endUs = (edges.at(-1)?.atUs ?? 0) + 200_000;
          expect(cleanEdges(setting, periodUs, edges)).toEqual(plain(setting, periodUs, edges, endUs));
        },
      ),
      { seed: 6, numRuns: 400 },
    );
  });

  it('says nothing of its own accord: alternates, and never before the contact moved', () => {
    fc.assert(
      fc.property(settingArbitrary, edgesArbitrary, (setting, edges) => {
        const clean = cleanEdges(setting, 1_000, edges);
        clean.forEach(({ level, atUs }, i) => {
          expect(level).toBe(i % 2 === 0 ? 1 : 0);
          expect(atUs).toBeGreaterThanOrEqual(edges[i]!.atUs);
        });
      }),
      { seed: 7 },
    );
  });

  it('answers a press of the length that it says it needs', () => {
    for (const algorithm of algorithms)
      for (let phaseUs = 0; phaseUs < 1_000; phaseUs += 50) {
        const neededUs = algorithm.neededUs(algorithm.defaults, 1_000);
        const press = pulse(50_000 + phaseUs, 50_000 + phaseUs + neededUs);
        expect(cleanEdges({ algorithm: algorithm.id, params: algorithm.defaults }, 1_000, press)).not.toEqual(
          [],
        );
      }
  });
});

describe('settings', () => {
  it('are refused by field', () => {
    expect(settingFaults({ algorithm: 'magic', params: {} })[0]).toMatchObject({ path: 'algorithm' });
    expect(settingFaults({ algorithm: 'magic', params: {} })[0]!.message).toContain('stable');
    expect(settingFaults({ algorithm: 'stable', params: {} })[0]).toMatchObject({ path: 'params.settleUs' });
    expect(settingFaults({ algorithm: 'stable', params: { settleUs: 5, other: 1 } })).toHaveLength(1);
  });
});

describe('measuring', () => {
  const presses = Array.from({ length: 300 }, (_, i) => pressEdges(contactOf('leaf'), 110_000, 1, 0, i));
  const measure = (algorithm: string, params: Record<string, number>) =>
    measureSetting({ algorithm, params }, 1_000, presses);

  it('finds the double presses of a setting shorter than the bounce, and none of one longer', () => {
    expect(measure('none', {}).extra).toBeGreaterThan(100);
    expect(measure('lockout', { lockUs: 2_000 }).extra).toBeGreaterThan(30);
    expect(measure('lockout', { lockUs: 11_000 }).extra).toBe(0);
    expect(measure('stable', { settleUs: 9_000 }).extra).toBe(0);
  });

  it('finds what is lost to a setting longer than the press', () => {
    expect(measure('stable', { settleUs: 150_000 })).toMatchObject({ missed: 300, medianUs: null });
  });

  it('shows the trade: waiting costs its time, firing at once costs at most a turn', () => {
    expect(measure('lockout', { lockUs: 11_000 }).medianUs).toBeLessThanOrEqual(1_000);
    expect(measure('stable', { settleUs: 9_000 }).medianUs).toBeGreaterThanOrEqual(9_000);
  });
});
