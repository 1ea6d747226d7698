import { clockHzFor, hzOf, sounderVoice } from '@hum-lever/core';
import { ear } from '../voice.ts';

interface Heard {
  hz: number;
  /** Of its timer; null: pitches are exact. */
  clockHz: number | null;
  divisor: number | null;
}

/** A pin that goes up and down. */
export const tone = ear<'tone', 'tone', Heard>({
  lane: 'tone',
  begin: (output, gadget) => ({ hz: 0, clockHz: clockHzFor(gadget, output), divisor: null }),
  at: (was, { hz, timed }) => ({ ...was, hz, divisor: timed?.divisor ?? null }),
  hear: (was, { hz, divisor = null }) => ({ ...was, hz, divisor }),
  voices: ({ hz, clockHz, divisor }) =>
    hz > 0 ? { tone: sounderVoice(clockHz !== null && divisor !== null ? hzOf(clockHz, divisor) : hz) } : {},
});
