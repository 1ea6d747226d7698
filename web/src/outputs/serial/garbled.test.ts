import { readAt, withoutByte } from './garbled.ts';

describe('a receiver at another speed', () => {
  it('reads what was sent at its own speed', () => {
    expect(readAt('volume 42', 9_600, 9_600)).toBe('volume 42');
  });
  it('reads other characters, more of them where it is faster and fewer where it is slower', () => {
    const text = 'volume 42';
    const [faster, slower] = [readAt(text, 9_600, 19_200), readAt(text, 9_600, 4_800)];
    expect(faster).not.toContain('volume');
    expect(slower).not.toContain('volume');
    expect(slower.length).toBeLessThan(text.length);
    expect(faster.length).toBeGreaterThanOrEqual(text.length);
  });
  it('at twice the speed sees every bit twice: U becomes two frames of the start and first bits', () => {
    // 'U' is 01010101: start 0, then 1 0 1 0 1 0 1 0, stop 1. Twice as fast, each bit is read twice: the first frame
    // begins at the start bit and reads 0, 1 1, 0 0, 1 1, 0 = 0x66 with the lowest first.
    expect(readAt('U', 9_600, 19_200)[0]).toBe('f');
  });
});

it('a text that lost a byte is one shorter, and nothing stays nothing', () => {
  expect(['volume 42', 'ab', 'x', ''].map(withoutByte)).toEqual(['volue 42', 'a', '', '']);
});
