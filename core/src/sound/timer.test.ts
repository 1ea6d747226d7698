import fc from 'fast-check';
import type { Timer } from '../gadget/index.ts';
import { boards } from '../wiring/index.ts';
import { cents, hzOf, settingFor } from './timer.ts';

const eight: Timer = { id: 'T2', bits: 8, prescalers: [1, 8, 32, 64, 128, 256, 1_024] };
const sixteen: Timer = { id: 'T1', bits: 16, prescalers: [1, 8, 64, 256, 1_024] };
const clockHz = 16_000_000;
const a4 = 440;
const c7 = 440 * 2 ** (27 / 12);

describe('a pitch that a timer makes', () => {
  // reckoning, Sound: toggle on compare at 16 MHz.
  it.each([
    ['A4', eight, a4, 128, 141, 440.14, 0.55],
    ['C7', eight, c7, 32, 118, 2_100.84, 6.47],
    ['C7', sixteen, c7, 1, 3_821, 2_093.14, 0.12],
  ])('%s is the nearest of its settings', (_name, timer, hz, prescaler, compare, gives, off) => {
    const setting = settingFor({ clockHz, timer }, hz);
    expect(setting).toEqual({ prescaler, compare, divisor: prescaler * (compare + 1) });
    const got = hzOf(clockHz, setting.divisor);
    expect(got).toBeCloseTo(gives, 2);
    expect(cents(got, hz)).toBeCloseTo(off, 2);
  });

  it('counts a hundred cents to a semitone, up and down', () => {
    expect(cents(2 ** (1 / 12), 1)).toBeCloseTo(100, 9);
    expect(cents(1, 2)).toBeCloseTo(-1_200, 9);
  });

  it('is nearer than any other count of any prescaler that is no coarser, and stays inside the timer', () => {
    const timer = fc.record({
      id: fc.constant('T0'),
      bits: fc.constantFrom(8, 10, 16),
      prescalers: fc.uniqueArray(fc.constantFrom(1, 2, 8, 32, 64, 128, 255, 1_024), { minLength: 1 }),
    });
    fc.assert(
      fc.property(timer, fc.integer({ min: 20, max: 20_000 }), (one, hz) => {
        const { prescaler, compare, divisor } = settingFor({ clockHz, timer: one }, hz);
        expect(one.prescalers).toContain(prescaler);
        expect(compare).toBeGreaterThanOrEqual(0);
        expect(compare).toBeLessThan(2 ** one.bits);
        expect(divisor).toBe(prescaler * (compare + 1));
        // Tried one by one, over all prescalers, around where the pitch would be.
        const off = Math.abs(Math.log2(hzOf(clockHz, divisor) / hz));
        for (const other of one.prescalers) {
          const wanted = clockHz / (2 * hz * other);
          for (const counts of [Math.floor(wanted), Math.ceil(wanted)]) {
            if (counts < 1 || counts > 2 ** one.bits) continue;
            // A coarser one can be nearer by luck; never one as fine or finer.
            if (other <= prescaler)
              expect(off).toBeLessThanOrEqual(
                Math.abs(Math.log2(hzOf(clockHz, other * counts) / hz)) + 1e-12,
              );
          }
        }
      }),
      { seed: 41, numRuns: 300 },
    );
  });

  it('is known of every board that gives a tone from a timer of its own', () => {
    for (const { id, timers, toneTimers } of boards.filter((board) => board.timers.length > 0))
      expect([id, toneTimers.every((one) => timers.some((timer) => timer.id === one))]).toEqual([id, true]);
    expect(boards.filter(({ timers }) => timers.length === 0).map(({ id }) => id)).toEqual(['computer-26']);
  });
});
