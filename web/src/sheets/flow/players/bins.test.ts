import * as fc from 'fast-check';
import { binsOf, quartilesOf } from './bins.ts';

describe('bins', () => {
  it('hold every value once, in order, in not too many', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: -500, max: 90_000 }), { minLength: 1 }), (values) => {
        const { bins, median } = binsOf(values);
        expect(bins.reduce((sum, { count }) => sum + count, 0)).toBe(values.length);
        expect(bins.length).toBeLessThanOrEqual(18);
        expect(values.filter((value) => value <= median).length * 2).toBeGreaterThanOrEqual(values.length);
      }),
      { seed: 71 },
    );
  });
  it('begin at round numbers', () => {
    expect(
      binsOf([3, 47, 160])
        .bins.map(({ label }) => label)
        .slice(0, 3),
    ).toEqual(['0', '10', '20']);
    expect(binsOf([7, 7])).toEqual({ bins: [{ label: '7', count: 2 }], median: 7 });
    expect(binsOf([])).toEqual({ bins: [], median: 0 });
  });
});

describe('quartiles', () => {
  it('are values below which a quarter, half and three quarters lie', () => {
    expect(quartilesOf([5, 1, 4, 2, 3])).toEqual([2, 3, 4]);
    expect(quartilesOf([7])).toEqual([7, 7, 7]);
    expect(quartilesOf([])).toEqual([0, 0, 0]);
  });
});
