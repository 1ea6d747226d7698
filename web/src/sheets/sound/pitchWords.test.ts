import { centsWords, pitchName } from './pitchWords.ts';

describe('a pitch', () => {
  it.each([
    [440, 'A4'],
    [262, 'C4 +2'],
    [1_800, 'A6 +39'],
    [261, 'C4 −4'],
    [20_000, '–'],
  ])('%i Hz is %s', (hz, name) => expect(pitchName(hz)).toBe(name));

  it.each([
    [0.549, '+0.5'],
    [-0.04, '0'],
    [-11.04, '−11'],
    [9.96, '+10'],
    [-1_403.9, '−1404'],
  ])('%d cents are written %s', (off, words) => expect(centsWords(off)).toBe(words));
});
