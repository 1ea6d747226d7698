import type { Note, Tone } from '../gadget/index.ts';
import type { Clocked } from '../wiring/index.ts';
import type { Moment } from './synth.ts';
import { tuned } from './tuning.ts';

/** A sounder's pin goes up and down: a square. */
export const sounderVoice = (hz: number) => ({ hz, wave: 'square', loudness: 1 }) as const;

/** What of a tune sounds when, as the sounder gives it; and how long it is. */
export function tuneMoments(
  output: Tone,
  clocked: Clocked | null,
  notes: readonly Note[],
): { moments: Moment[]; lengthUs: number } {
  let lengthUs = 0;
  const moments = notes.map(({ hz, lengthUs: own }): Moment => {
    const atUs = lengthUs;
    lengthUs += own;
    return { atUs, sounding: hz > 0 ? { tone: sounderVoice(tuned(output, clocked, hz).givesHz) } : {} };
  });
  return { moments: [...moments, { atUs: lengthUs, sounding: {} }], lengthUs };
}
