import * as fc from 'fast-check';
import { cNames } from './cNames.ts';

const all = (...names: string[]): string[] => {
  const name = cNames();
  return names.map(name);
};

describe('a name in C', () => {
  it('is what people said, in letters that C has', () => {
    expect(all('Kettle steam', 'Käthe’s ÉTUDE', '3 sparks', 'a__b--c', '')).toEqual([
      'kettle_steam',
      'kathe_s_etude',
      'n3_sparks',
      'a_b_c',
      'n',
    ]);
    expect(all('湯', 'чай')).toEqual(['u6e6f', 'u447u430u438']);
  });

  it('is no word of the language, and each another', () => {
    expect(all('Double', 'loop', 'Spark', 'spark', 'SPARK!')).toEqual([
      'double_',
      'loop_',
      'spark',
      'spark_2',
      'spark_3',
    ]);
    const long = 'a very long name that goes on and on';
    expect(all(long, long)).toEqual(['a_very_long_name_that_goes_on_a', 'a_very_long_name_that_goes_on_2']);
  });

  it('can be had by C whatever people type, and never twice', () => {
    fc.assert(
      fc.property(fc.array(fc.string({ unit: 'grapheme' }), { maxLength: 12 }), (names) => {
        const given = all(...names);
        for (const one of given) expect(one).toMatch(/^[a-z][a-z0-9_]{0,30}$/);
        expect(new Set(given).size).toBe(given.length);
      }),
    );
  });
});
