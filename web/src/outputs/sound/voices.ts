import {
  clockHzFor,
  hzOf,
  loudnessOf,
  sounderResponse,
  sounderVoice,
  type SounderResponse,
} from '@hum-lever/core';
import { ear } from '../voice.ts';

interface Heard {
  hz: number;
  percent: number;
  /** Of its timer; null: pitches are exact. */
  clockHz: number | null;
  divisor: number | null;
  response: SounderResponse | null;
}

/** A pin that goes up and down. */
export const tone = ear<'tone', 'tone', Heard>({
  lane: 'tone',
  begin: (output, gadget) => ({
    hz: 0,
    percent: 100,
    clockHz: clockHzFor(gadget, output),
    divisor: null,
    response: sounderResponse(gadget, output.id),
  }),
  at: (was, is) => ({
    ...was,
    hz: is.hz,
    percent: loudnessOf(is),
    divisor: is.timed?.divisor ?? null,
  }),
  hear: (was, { hz, divisor = null, percent = 100 }) => ({ ...was, hz, divisor, percent }),
  voices({ hz, percent, clockHz, divisor, response }) {
    if (hz <= 0 || percent === 0) return {};
    const givesHz = clockHz !== null && divisor !== null ? hzOf(clockHz, divisor) : hz;
    return { tone: sounderVoice(givesHz, response, percent) };
  },
});
