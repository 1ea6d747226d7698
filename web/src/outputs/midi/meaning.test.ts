import { meaning } from './meaning.ts';

describe('what a message says', () => {
  it.each([
    [[0x90, 60, 100], 'C4 begins at 100, channel 1'],
    [[0x9f, 61, 0], 'C♯4 ends, channel 16'],
    [[0x81, 69, 64], 'A4 ends, channel 2'],
    [[0xb0, 7, 90], 'controller 7 to 90, channel 1'],
    [[0xc9, 5], 'program 5, channel 10'],
    [[0xe0, 0, 64], 'no bend, channel 1'],
    [[0xe0, 0, 0], 'bent by -8192, channel 1'],
    [[0xd2, 9], 'pressed by 9, channel 3'],
    [[0xa0, 0, 1], 'C-1 pressed by 1, channel 1'],
    [[0xf8], 'the clock ticks'],
    [[0xfc], 'what follows the clock stops'],
    [[0xfe], 'still there'],
    [[], 'nothing has come for too long, and what sounds ends'],
    [[0xf0, 1, 2, 0xf7], 'for one maker’s equipment, 2 bytes'],
    [[0xf6], '1 byte'],
  ])('%j', (bytes, words) => {
    expect(meaning(bytes)).toBe(words);
  });
});
