import * as fc from 'fast-check';
import { outside, readTime, showTime } from './times.ts';

describe('times in sentences', () => {
  it.each([
    [250_000, '250 ms'],
    [1_000_000, '1 s'],
    [1_500_000, '1.5 s'],
    [60_000_000, '60 s'],
    [120_000_000, '2 min'],
    [90_000_000, '90 s'],
    [7_200_000_000, '2 h'],
    [1_500, '1.5 ms'],
    [0, '0 ms'],
  ])('%i µs read as %s', (us, words) => expect(showTime(us)).toBe(words));

  it('are read back as they are shown, whatever stood there', () => {
    fc.assert(
      fc.property(fc.nat(2 ** 31), fc.nat(2 ** 31), (us, stood) => {
        expect(readTime(showTime(us), stood)).toBe(us);
      }),
    );
  });

  it.each([
    ['3', 1_000_000, 3_000_000],
    ['3', 250_000, 3_000],
    ['3', { ms: 'v1' }, 3_000],
    ['1,5 s', 0, 1_500_000],
    ['90s', 0, 90_000_000],
    ['40 µs', 0, 40],
    ['40 us', 0, 40],
    ['2 weeks', 0, null],
    ['', 0, null],
    ['-3 s', 0, null],
    ['1000 + random(1500)', 0, null],
    ['constructor', 0, null],
    ['3 constructor', 0, null],
  ])('“%s”, where %j stood, is %p µs', (typed, stood, us) => expect(readTime(typed, stood)).toBe(us));

  it('out of range say what was expected', () => {
    expect(outside(0, 1_000, 5_000)).toBe('Expected at least 1 ms, got 0 ms.');
    expect(outside(2_000_000, 0, 1_000_000)).toBe('Expected at most 1 s, got 2 s.');
    expect(outside(1_000, 1_000, 1_000)).toBeNull();
  });
});
