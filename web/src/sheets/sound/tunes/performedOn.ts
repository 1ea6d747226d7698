import type { OutputActionOf } from '@hum-lever/core';

/**
 * What plays a tune: each of its voices on a sounder of its own; where there are fewer sounders than voices, the first
 * has all of it.
 */
export function performedOn(
  tuneId: string,
  voices: readonly { id: string }[],
  sounders: readonly { id: string }[],
): OutputActionOf<'perform'>[] {
  const told = (outputId: string, voiceId: string | null) =>
    ({ kind: 'perform', outputId, tuneId, voiceId, by: '0', bpm: '0' }) as const;
  if (sounders.length < voices.length || voices.length < 2)
    return sounders.slice(0, 1).map(({ id }) => told(id, null));
  return voices.map(({ id }, n) => told(sounders[n]!.id, id));
}
