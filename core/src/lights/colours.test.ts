import * as fc from 'fast-check';
import { paints } from '../gadget/index.ts';
import { asMade, atLevel, between, hued, mixed, nameOf, rgb, rgbOf } from './colours.ts';

/* Colours in whole numbers, worked out by hand. */

const hex = (colour: number) => colour.toString(16).padStart(6, '0');

describe('colours of lights', () => {
  it('have a level, each channel rounded to the nearest', () => {
    expect([100, 50, 1, 0, -4, 400].map((percent) => hex(atLevel(rgbOf('amber'), percent)))).toEqual([
      'ff8000',
      '804000',
      '030100',
      '000000',
      '000000',
      'ff8000',
    ]);
  });

  it('go round the wheel: a sixth of a turn from one full colour to the next', () => {
    expect([0, 60, 120, 180, 240, 300, 360].map((hue) => hex(hued(hue)))).toEqual([
      'ff0000',
      'ffff00',
      '00ff00',
      '00ffff',
      '0000ff',
      'ff00ff',
      'ff0000',
    ]);
    // 90° is half way from yellow to green: 255 − ⌊255·30/60⌋.
    expect(hex(hued(90))).toBe('80ff00');
    fc.assert(
      fc.property(fc.integer({ min: -100_000, max: 100_000 }), (hue) => {
        expect(hued(hue)).toBe(hued(hue + 360));
        // One channel is full, one is dark.
        const channels = [hued(hue) >> 16, (hued(hue) >> 8) & 255, hued(hue) & 255];
        expect([Math.max(...channels), Math.min(...channels)]).toEqual([255, 0]);
      }),
      { seed: 21 },
    );
  });

  it('are mixed of channels held inside, and lie between others', () => {
    expect(hex(mixed(-5, 300, 17))).toBe('00ff11');
    expect(hex(between(rgb(0, 100, 255), rgb(200, 0, 255), 1, 4))).toBe('324bff');
    const colour = fc.integer({ min: 0, max: 0xffffff });
    fc.assert(
      fc.property(colour, colour, fc.integer({ min: 1, max: 3_600_000_000 }), (from, to, whole) => {
        expect(between(from, to, 0, whole)).toBe(from);
        expect(between(from, to, whole, whole)).toBe(to);
      }),
      { seed: 22 },
    );
  });

  it('made in one colour are as bright as was asked for, and no other', () => {
    expect(hex(asMade(rgbOf('blue'), 'red'))).toBe('ff0000');
    expect(hex(asMade(atLevel(rgbOf('white'), 20), 'amber'))).toBe('331900');
    expect(asMade(0, 'amber')).toBe(0);
    expect(asMade(0x123456, null)).toBe(0x123456);
  });

  it('are called by the nearest name, however bright they are', () => {
    for (const paint of paints) expect(nameOf(rgbOf(paint))).toBe(paint);
    for (const paint of paints.filter((one) => one !== 'off'))
      for (const percent of [2, 30, 77]) expect(nameOf(atLevel(rgbOf(paint), percent))).toBe(paint);
    expect([0xff2010, 0xffff00, 0xff00ff, 0x10f0ff].map(nameOf)).toEqual(['red', 'amber', 'violet', 'cyan']);
  });
});
