import type { Note, SoundEffect, Tune } from '../gadget/index.ts';
import { clamp } from '../kernel/index.ts';
import type { HeldKeys, Stage } from '../output/index.ts';
import type { Clocked } from '../wiring/index.ts';
import { soundedHz } from './pitch.ts';
import { settingFor } from './timer.ts';

/** Pitch now, 0: silent. `order` counts what was begun on this sounder: what was planned before is void. */
export interface SoundingTone {
  kind: 'tone';
  hz: number;
  /** How loud it is as it was told, in percent. */
  percent: number;
  /** How loud what it plays is, of that: a note of a tune has its own. */
  share: number;
  /** What its timer does for that: half a wave is so many periods of the clock; null: the pitch is exact, or none. */
  timed: { clockHz: number; divisor: number } | null;
  order: number;
  /** Notes that keys hold. */
  held: HeldKeys;
  /** Which of them sounds now; null: none of them, or nothing. */
  note: number | null;
  /** Something that was told with an end sounds: keys wait for it. */
  busy: boolean;
  /** A tune that is played, heard or not: what has an end and what keys hold go before it. */
  music: Music | null;
  /** Counts tunes begun, and set otherwise: what was planned for one before is void. */
  tunes: number;
}

/** A tune on its way. */
export interface Music {
  tuneId: string;
  voiceId: string | null;
  /** Semitones that it is moved by. */
  by: number;
  /** Beats a minute × steps a beat. */
  rate: number;
  /** When it was where, in parts: all that comes is worked out from there. */
  origin: { us: number; parts: number };
  /** What it comes to next, in parts. */
  next: number;
  /** What it sounds now, heard or not, in hundredths of a note; null: a rest. */
  pitch: number | null;
  /** How loud that note is, in percent. */
  percent: number;
  /** Which of those that were begun. */
  count: number;
}

/** A tone's end, or the rest of a tune; or the next of held notes has its turn. For the order that it belongs to. */
export type Planned =
  | { order: number; notes: readonly Note[]; turn?: true }
  | { order: number; effectId: string; byCents: number; frame: number }
  | { music: number };
/** hz as it is asked for, 0: silent; where a timer makes it, half a wave in periods of the clock; how loud, where not all. */
export type PitchEntry = { lane: 'tone'; hz: number; divisor?: number; percent?: number };
export type ToneEntry =
  | PitchEntry
  /** It begins a tune, under this name; null: it goes on with none. */
  | { lane: 'tune'; tuneId: string | null; name: string }
  /** A note of a tune begins that is not heard, since something else has the sounder. */
  | { lane: 'unheard'; note: number };
export interface Prepared {
  /** null: pitches are exact. */
  clocked: Clocked | null;
  tunes: ReadonlyMap<string, Tune>;
  effects: ReadonlyMap<string, SoundEffect>;
}
export type On = Stage<'tone', ToneEntry, Planned, Prepared>;

/** In percent of all it can: what it was told, and of that what its note has. Never silent by rounding. */
export const loudnessOf = ({ percent, share }: SoundingTone): number =>
  percent === 0 ? 0 : Math.max(1, Math.round((percent * share) / 100));

/**
 * Another pitch that is asked for, as the sounder can give it.
 * @param share how loud it is, of what the sounder was told, in percent
 */
export function sound(was: SoundingTone, askedHz: number, on: On, share = 100): SoundingTone {
  const heldHz = soundedHz(on.output, askedHz);
  const hz = Math.round(heldHz);
  const { clocked } = on.prepared;
  const timed =
    clocked && hz > 0 ? { clockHz: clocked.clockHz, divisor: settingFor(clocked, heldHz).divisor } : null;
  const now = { ...was, hz, share, timed, order: was.order + 1, note: null, busy: false };
  if (hz !== was.hz || (hz > 0 && loudnessOf(now) !== loudnessOf(was))) tellPitch(now, on);
  return now;
}

function tellPitch(is: SoundingTone, on: On): void {
  const { hz, timed } = is;
  const percent = loudnessOf(is);
  const quieter = percent < 100 && hz > 0;
  on.trace({
    atUs: on.nowUs,
    lane: 'tone',
    id: on.id,
    hz,
    ...(timed && { divisor: timed.divisor }),
    ...(quieter && { percent }),
  });
}

/** It sounds on, louder or quieter. */
export function loud(was: SoundingTone, percent: number, on: On): SoundingTone {
  const now = { ...was, percent: clamp(percent, 0, 100) };
  if (now.percent === was.percent) return was;
  if (now.hz > 0 && loudnessOf(now) !== loudnessOf(was)) tellPitch(now, on);
  return now;
}

/** Something else has the sounder. */
export const isCovered = ({ busy, held }: SoundingTone): boolean => busy || held.length > 0;

/** Semitones beyond these are out of hearing whatever the note. */
export const mostMoved = 127;
export const mostMovedCents = 100 * mostMoved;
export const moved = (by: number, most: number): number => clamp(by, -most, most);
