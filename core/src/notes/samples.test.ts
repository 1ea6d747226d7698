import fc from 'fast-check';
import { sampleBits } from '../gadget/index.ts';
import { sampleClock, sampleCount, soundBytes } from './index.ts';

describe('samples on a carrier of pulses', () => {
  it('come as whole pulses allow: 16 MHz', () => {
    expect(sampleClock(16_000_000, { rateHz: 8_000, bits: 8 })).toEqual({
      carrierHz: 62_500,
      pulses: 8,
      rateHz: 7_812.5,
    });
    expect(sampleClock(16_000_000, { rateHz: 22_050, bits: 10 })).toEqual({
      carrierHz: 15_625,
      pulses: 1,
      rateHz: 15_625,
    });
    expect(sampleClock(16_000_000, { rateHz: 16_000, bits: 4 })).toEqual({
      carrierHz: 1_000_000,
      pulses: 63,
      rateHz: 1_000_000 / 63,
    });
  });

  it('no other whole number of pulses gives as near a time for each', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 500_000, max: 240_000_000 }),
        fc.integer({ min: 4_000, max: 48_000 }),
        fc.constantFrom(...sampleBits),
        (clockHz, rateHz, bits) => {
          const { carrierHz, pulses } = sampleClock(clockHz, { rateHz, bits });
          const off = (n: number) => Math.abs(n / carrierHz - 1 / rateHz);
          const others = [pulses - 1, pulses + 1].filter((n) => n >= 1);
          expect(others.every((n) => off(n) >= off(pulses) * (1 - 1e-9))).toBe(true);
        },
      ),
    );
  });

  it('take bytes, halves of them, or two each', () => {
    expect(sampleCount(500_000, 7_812.5)).toBe(3_907);
    expect(sampleBits.map((bits) => soundBytes(500_000, 7_812.5, bits))).toEqual([1_954, 3_907, 7_814]);
  });
});
