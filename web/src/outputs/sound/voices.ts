import { hzOf } from '@hum-lever/core';
import type { VoicesOf } from '../voice.ts';

/** A pin that goes up and down. */
export const tone: VoicesOf<'tone'> = ({ hz, timed }) =>
  hz > 0
    ? { tone: { hz: timed ? hzOf(timed.clockHz, timed.divisor) : hz, wave: 'square', loudness: 1 } }
    : {};
