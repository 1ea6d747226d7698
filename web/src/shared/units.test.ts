import { keyName } from './keyNames.ts';
import { tickStep } from './TimeAxis.tsx';
import {
  count,
  msToUs,
  showBytes,
  showCurrent,
  showDuration,
  showOnScale,
  showHz,
  showMoment,
  showOhms,
  showVolts,
} from './units.ts';

const plain = (text: string) => text.replaceAll('\u202f', ' ');

describe('units', () => {
  it.each([
    [0, '0'],
    [180, '180 µs'],
    [1_250, '1.25 ms'],
    [12_040, '12 ms'],
    [375_400, '375 ms'],
    [1_500_000, '1.5 s'],
    [59_940_000, '59.9 s'],
    [66_000_000, '1 min 6 s'],
    [3_600_000_000, '60 min'],
  ])('%i µs is %s', (us, words) => expect(plain(showDuration(us))).toBe(words));

  it('moments line up, counts agree, pitches are said', () => {
    expect(plain(showMoment(1_234_567))).toBe('1.235 s');
    expect([count(1, 'press', 'presses'), count(2, 'press', 'presses'), count(0, 'edge')]).toEqual([
      '1 press',
      '2 presses',
      '0 edges',
    ]);
    expect([plain(showHz(440)), showHz(0)]).toEqual(['440 Hz', 'silent']);
  });

  it('milliseconds become whole microseconds', () => {
    expect([msToUs(0.3), msToUs(12.0004), msToUs(1.1)]).toEqual([300, 12_000, 1_100]);
  });

  it('keys are called as people call them', () => {
    expect(['Space', 'KeyA', 'Digit4', 'ArrowUp', 'Enter'].map(keyName)).toEqual([
      'Space',
      'A',
      '4',
      '↑',
      'Enter',
    ]);
  });

  it('ticks are round', () => {
    expect([tickStep(2_000_000, 8), tickStep(100_000, 8), tickStep(61_000_000, 8)]).toEqual([
      500_000, 20_000, 10_000_000,
    ]);
  });
});

describe('electric figures', () => {
  it.each([
    [showCurrent(80), '80 µA'],
    [showCurrent(7_700), '7.7 mA'],
    [showCurrent(400_000), '400 mA'],
    [showCurrent(1_440_000), '1.44 A'],
    [showVolts(600), '600 mV'],
    [showVolts(3_300), '3.3 V'],
    [showOhms(390), '390 Ω'],
    [showOhms(4_700), '4.7 kΩ'],
    [showOhms(1_000_000), '1 MΩ'],
    [showBytes(80), '80 bytes'],
    [showBytes(2_048), '2 KiB'],
    [showBytes(2_621_440), '2.5 MiB'],
  ])('are written as people say them: %s', (shown, expected) => {
    expect(shown).toBe(expected);
  });
});

describe('a scale', () => {
  it.each([
    [4_425_000, 5_000, '4.425 s'],
    [4_420_000, 10_000, '4.42 s'],
    [64_100_000, 100_000, '64.1 s'],
    [64_000_000, 1_000_000, '1 min 4 s'],
    [450_500, 500, '450.5 ms'],
    [450_000, 10_000, '450 ms'],
    [2_500, 500, '2.5 ms'],
    [0, 500, '0'],
  ])('reads %i µs, %i µs apart, as %s', (us, stepUs, words) =>
    expect(plain(showOnScale(us, stepUs))).toBe(words),
  );

  it('never says the same of two places', () => {
    for (const stepUs of [500, 1_000, 2_000, 5_000, 10_000, 50_000, 200_000, 1_000_000, 5_000_000])
      for (const from of [0, 9_000, 99_000, 999_000, 9_990_000, 59_000_000, 600_000_000]) {
        const at = Array.from({ length: 9 }, (_, n) => (Math.ceil(from / stepUs) + n) * stepUs);
        expect(new Set(at.map((us) => showOnScale(us, stepUs))).size).toBe(9);
      }
  });
});
