import type { VoicesOf } from '../voice.ts';

/** A pin that goes up and down. */
export const tone: VoicesOf<'tone'> = ({ hz }) =>
  hz > 0 ? { tone: { hz, wave: 'square', loudness: 1 } } : {};
