import type { Tone } from '../gadget/index.ts';

/** What a sounder gives when asked for a pitch: held inside its range; 0 or less is silence (0). */
export function soundedHz({ lowHz, highHz }: Pick<Tone, 'lowHz' | 'highHz'>, askedHz: number): number {
  return askedHz <= 0 ? 0 : Math.min(highHz, Math.max(lowHz, askedHz));
}
