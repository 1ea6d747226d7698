import * as fc from 'fast-check';
import { limits } from '../gadget/index.ts';
import { lightLevel, safelyShown, slowestSafeBlinkUs, type LitLight } from '../light/index.ts';
import { turnAtOrAfter, turnsLost } from '../scan/index.ts';
import { blankRows, rowCells } from '../screen/index.ts';
import { soundedHz } from '../sound/index.ts';

const lit = (light: LitLight['light'], fromPercent = 0): LitLight => ({
  kind: 'light',
  light,
  sinceUs: 1_000,
  fromPercent,
});

describe('a light', () => {
  it('is on or off', () => {
    expect([lightLevel(lit({ mode: 'on' }), 9_000), lightLevel(lit({ mode: 'off' }), 9_000)]).toEqual([
      100, 0,
    ]);
  });

  it('blinks lit first, half and half', () => {
    const blink = lit({ mode: 'blink', periodUs: 1_000_000 });
    const levels = [0, 499_999, 500_000, 999_999, 1_000_000, 3_600_500_000].map((us) =>
      lightLevel(blink, 1_000 + us),
    );
    expect(levels).toEqual([100, 100, 0, 0, 100, 0]);
  });

  it('fades from where it was, evenly, and stays there', () => {
    const fade = lit({ mode: 'fade', levelPercent: 20, overUs: 800_000 }, 100);
    expect([0, 400_000, 800_000, 9_000_000].map((us) => lightLevel(fade, 1_000 + us))).toEqual([
      100, 60, 20, 20,
    ]);
  });

  it('fades in whole numbers: always the nearest percent, whatever the length', () => {
    const percent = fc.integer({ min: 0, max: 100 });
    const overUs = fc.oneof(
      fc.integer({ min: 1_000, max: 10_000 }),
      fc.integer({ min: 1_000, max: limits.lengthUs }),
    );
    fc.assert(
      fc.property(percent, percent, overUs, fc.nat(1_000_000), (from, to, length, share) => {
        const goneUs = Math.floor((length * share) / 1_000_000);
        const level = lightLevel(
          lit({ mode: 'fade', levelPercent: to, overUs: length }, from),
          1_000 + goneUs,
        );
        // Twice its distance from the exact level is at most one percent, in numbers without an end.
        const off = 2n * (BigInt(level - from) * BigInt(length) - BigInt(to - from) * BigInt(goneUs));
        expect(off <= BigInt(length) && -off < BigInt(length)).toBe(true);
      }),
      { seed: 6, numRuns: 500 },
    );
  });

  it('is never shown blinking in the band that can harm', () => {
    const fast = safelyShown(lit({ mode: 'blink', periodUs: 50_000 }));
    expect(fast.light).toEqual({ mode: 'blink', periodUs: slowestSafeBlinkUs });
    // 3 to 30 Hz (reckoning): 2.5 Hz is below.
    expect(1_000_000 / slowestSafeBlinkUs).toBeLessThan(3);
    const slow = lit({ mode: 'blink', periodUs: 700_000 });
    expect(safelyShown(slow)).toBe(slow);
  });
});

describe('a character display', () => {
  it('has exactly its cells, one character each, and cuts off the rest', () => {
    expect(rowCells('Heat', 6)).toEqual(['H', 'e', 'a', 't', ' ', ' ']);
    expect(rowCells('Heat 100', 4).join('')).toBe('Heat');
    expect(rowCells('a😀b', 3)).toEqual(['a', '😀', 'b']);
    expect(blankRows({ rows: 2 })).toEqual(['', '']);
  });
});

describe('a sounder', () => {
  it('holds a pitch inside its range; nothing is silence', () => {
    const range = {
      lowHz: 200,
      highHz: 4_000,
      pitched: 'exact',
      takes: 'last',
      turnUs: 20_000,
      perOctave: 12,
      blocking: false,
      nearCm: 40,
    };
    expect([440, 100, 9_000, 0, -5].map((hz) => soundedHz(range, hz))).toEqual([440, 200, 4_000, 0, 0]);
  });
});

describe('turns of the loop', () => {
  it('lie on the multiples of the period, and not in a standstill', () => {
    expect([0, 1, 1_000, 1_001].map((us) => turnAtOrAfter(us, 1_000))).toEqual([0, 1_000, 1_000, 2_000]);
    expect(turnAtOrAfter(1_500, 1_000, 7_200)).toBe(8_000);
    expect(turnAtOrAfter(9_000, 1_000, 7_200)).toBe(9_000);
  });

  it('are counted where a standstill leaves them out', () => {
    expect(turnsLost(6_000, 9_000, 1_000)).toBe(3);
    expect(turnsLost(6_000, 9_100, 1_000)).toBe(4);
    expect(turnsLost(6_000, 6_000, 1_000)).toBe(0);
  });
});
