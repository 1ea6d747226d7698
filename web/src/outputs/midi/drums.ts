import { drumChannel, heardMessage, type Voice } from '@hum-lever/core';

/** A drum that was struck, and how hard. */
export interface Strike {
  /** Counts strikes: each sounds by itself, also the same drum again. */
  number: number;
  note: number;
  velocity: number;
}
/** Older ones have faded, or are drowned out. */
const mostStruck = 12;

/** Sounds of a skin: a sine that fades; of metal and rattles: noise, the finer the higher its pitch. */
interface Drum {
  wave: 'sine' | 'noise';
  hz: number;
  fadeSeconds: number;
  loudness: number;
}
const skin = (hz: number, fadeSeconds: number, loudness = 1.2): Drum => ({
  wave: 'sine',
  hz,
  fadeSeconds,
  loudness,
});
const rattle = (hz: number, fadeSeconds: number, loudness = 0.8): Drum => ({
  wave: 'noise',
  hz,
  fadeSeconds,
  loudness,
});

/** By note. Source: General MIDI, percussion key map: which kind of drum each key is; how they sound is our own. */
const drums: Readonly<Record<number, readonly Drum[]>> = {
  35: [skin(52, 0.14, 1.6)],
  36: [skin(58, 0.12, 1.6)],
  37: [rattle(9, 0.015)],
  38: [skin(185, 0.06), rattle(6, 0.08)],
  39: [rattle(4, 0.06)],
  40: [skin(205, 0.05), rattle(7, 0.07)],
  42: [rattle(12, 0.025, 0.5)],
  44: [rattle(11, 0.03, 0.5)],
  46: [rattle(12, 0.18, 0.5)],
  49: [rattle(9, 0.45, 0.6)],
  51: [rattle(11, 0.3, 0.4)],
};
/** Toms and whatever else has a pitch: the higher the key, the higher. */
const other = (note: number): readonly Drum[] => [skin(70 + (note - 35) * 6, 0.1)];

/** What a message makes of the drums: only strikes are heard, never an end. */
export function struckBy(was: readonly Strike[], bytes: readonly number[]): readonly Strike[] {
  const heard = heardMessage(bytes);
  if (heard?.message !== 'noteOn' || heard.channel !== drumChannel) return was;
  const number = (was.at(-1)?.number ?? 0) + 1;
  return [...was, { number, note: heard.first, velocity: heard.second }].slice(-mostStruck);
}

export const drumVoices = (struck: readonly Strike[]): Readonly<Record<string, Voice>> =>
  Object.fromEntries(
    struck.flatMap(({ number, note, velocity }) =>
      (drums[note] ?? other(note)).map((drum, n): [string, Voice] => [
        `drum ${number} ${n}`,
        { ...drum, loudness: (drum.loudness * velocity) / 127 },
      ]),
    ),
  );
