import { lightColours } from '../gadget/index.ts';
import { rgbOf } from './colours.ts';
import { alikeFor, seenBy, visions } from './vision.ts';

describe('colours seen without one kind of cone', () => {
  it('are alike where it is well known that they are', () => {
    expect(alikeFor('red', 'green')).toEqual(['protanopia', 'deuteranopia']);
    expect(alikeFor('amber', 'green')).toEqual(['protanopia', 'deuteranopia']);
    expect(alikeFor('green', 'cyan')).toEqual(['tritanopia']);
    expect(alikeFor('green', 'blue')).toEqual(['tritanopia']);
    expect(alikeFor('blue', 'violet')).toEqual(['protanopia', 'deuteranopia']);
  });

  it('are told apart by all, where they are: red and blue, amber and blue, white and red', () => {
    for (const [one, other] of [
      ['red', 'blue'],
      ['amber', 'blue'],
      ['white', 'red'],
    ] as const)
      // prettier-ignore
      expect(alikeFor(one, other)).toEqual([]);
  });

  it('keep what has no colour, and each is like itself, either way round', () => {
    for (const vision of visions) {
      expect(seenBy(rgbOf('white'), vision)).toBe(0xffffff);
      expect(seenBy(rgbOf('off'), vision)).toBe(0);
    }
    for (const one of lightColours)
      for (const other of lightColours) {
        expect(alikeFor(one, other)).toEqual(alikeFor(other, one));
        if (one === other) expect(alikeFor(one, other)).toEqual([...visions]);
      }
  });

  it('come out as worked out by hand', () => {
    // 0.112 38 of 255, twice; 0.004 01 of 255 rounds to 1.
    expect(seenBy(rgbOf('red'), 'protanopia')).toBe(0x1d1d01);
    // 0.292 75 of 255, twice; less than nothing is none.
    expect(seenBy(rgbOf('red'), 'deuteranopia')).toBe(0x4b4b00);
  });
});
