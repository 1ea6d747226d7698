import * as fc from 'fast-check';
import type { Action, Gadget } from '../gadget/index.ts';
import { replay } from '../machine/index.ts';
import { gadgetArbitrary, stimuliArbitrary } from '../test/arbitraries.ts';
import { numberVariable, pressToLight, rule, state } from '../test/fixtures.ts';
import { runs } from '../test/runs.ts';
import { longestText, valueRanges } from './index.ts';

const set = (value: string, variableId = 'v1'): Action => ({ kind: 'set', variableId, index: null, value });
const wide = numberVariable({ min: -2_000_000_000, max: 2_000_000_000 });
const other = numberVariable({ id: 'v2', name: 'other', min: -2_000_000_000, max: 2_000_000_000 });

function setting(rules: [guard: string | null, ...actions: Action[]][], variables = [wide, other]): Gadget {
  const gadget = pressToLight();
  const made = rules.map(([guard, ...actions], n) => rule(`r${n + 1}`, { guard, actions }));
  const states = [state('s1', { rules: made })];
  return { ...gadget, flow: { ...gadget.flow, variables, states, initialId: 's1' } };
}
const of = (gadget: Gadget, id = 'v1') => valueRanges(gadget).get(id);

describe('what variables can come to', () => {
  it('follows from what is set, as far as conditions let it', () => {
    expect(of(setting([]))).toEqual({ low: 0, high: 0 });
    expect(
      of(
        setting([
          [null, set('7')],
          [null, set('-3')],
        ]),
      ),
    ).toEqual({ low: -3, high: 7 });
    // Counted up below ten, it comes to ten and no further; counted without a condition, to its end.
    expect(of(setting([['v1 < 10', set('v1 + 1')]]))).toEqual({ low: 0, high: 10 });
    expect(of(setting([['v1 < 10 && v1 >= 0', set('v1 + 1')]]))).toEqual({ low: 0, high: 10 });
    expect(of(setting([['10 > v1', set('v1 + 3')]]))).toEqual({ low: 0, high: 12 });
    expect(of(setting([[null, set('v1 + 1')]]))).toEqual({ low: 0, high: 2_000_000_000 });
    // One that a condition rules out is never done.
    expect(of(setting([['v1 > 5', set('99')]]))).toEqual({ low: 0, high: 0 });
    // The second line sees what the first has set.
    expect(of(setting([['v1 < 10', set('5'), set('v1 * 2', 'v2')]]), 'v2')).toEqual({ low: 0, high: 10 });
  });
  it('stays inside what a variable may be, and comes in anywhere where it goes round', () => {
    const small = (overflow: 'hold' | 'wrap') =>
      setting([[null, set('v1 + 7')]], [numberVariable({ min: -5, max: 20, overflow })]);
    expect(of(small('hold'))).toEqual({ low: 0, high: 20 });
    expect(of(small('wrap'))).toEqual({ low: -5, high: 20 });
  });
  it('makes a frequency as wide as it can be, and no wider', () => {
    const dial = setting([
      ['v1 < 10800', set('v1 + 1')],
      [null, set('clamp(v1, 875, 10800)')],
    ]);
    // As it is declared, the sum of both parts would be eighteen wide.
    const text = '{(v1 / 10) % 1000}.{v1 % 10} MHz';
    expect(longestText(text, dial, valueRanges(dial))).toBe('999.9 MHz'.length);
    expect(longestText('{v1}', dial, valueRanges(dial))).toBe(5);
    expect(longestText('{v1}', dial)).toBe(11);
  });
  it('holds everything that any run comes to', () => {
    let seen = 0;
    fc.assert(
      fc.property(gadgetArbitrary, stimuliArbitrary, fc.nat(), (gadget, stimuli, seed) => {
        const ranges = valueRanges(gadget);
        for (const entry of replay(gadget, stimuli, 3_000_000, seed)) {
          if (entry.lane !== 'variable') continue;
          const range = ranges.get(entry.id);
          if (!range) continue;
          seen += 1;
          expect(entry.value).toBeGreaterThanOrEqual(range.low);
          expect(entry.value).toBeLessThanOrEqual(range.high);
        }
      }),
      { seed: 81, numRuns: runs(300) },
    );
    expect(seen).toBeGreaterThan(25);
  });
});
