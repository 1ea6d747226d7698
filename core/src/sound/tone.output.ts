import { limits, type Note, type OutputActionOf, type SoundEffect, type Tune } from '../gadget/index.ts';
import { clamp } from '../kernel/index.ts';
import type { OrderOf } from '../flow/index.ts';
import {
  defineOutput,
  isKeyOrNote,
  noJobs,
  notesInRow,
  withKey,
  withoutKey,
  type HeldKeys,
  type Holding,
  type Stage,
} from '../output/index.ts';
import {
  effectFrameUs,
  effectPitch,
  framesOf,
  noteHz,
  partsOfUs,
  passAt,
  playedTune,
  rateOf,
  usOfParts,
} from '../notes/index.ts';
import type { Clocked } from '../wiring/index.ts';
import { soundedHz } from './pitch.ts';
import { settingFor } from './timer.ts';
import { clockedFor } from './tuning.ts';

/** Pitch now, 0: silent. `order` counts what was begun on this sounder: what was planned before is void. */
export interface SoundingTone {
  kind: 'tone';
  hz: number;
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
  /** Which of those that were begun. */
  count: number;
}

/** A tone's end, or the rest of a tune; or the next of held notes has its turn. For the order that it belongs to. */
type Planned =
  | { order: number; notes: readonly Note[]; turn?: true }
  | { order: number; effectId: string; byCents: number; frame: number }
  | { music: number };
/** hz as it is asked for, 0: silent; where a timer makes it, half a wave in periods of the clock. */
export type PitchEntry = { lane: 'tone'; hz: number; divisor?: number };
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
type On = Stage<'tone', ToneEntry, Planned, Prepared>;

/** Another pitch that is asked for, as the sounder can give it. */
function sound(was: SoundingTone, askedHz: number, on: On): SoundingTone {
  const heldHz = soundedHz(on.output, askedHz);
  const hz = Math.round(heldHz);
  const { clocked } = on.prepared;
  const timed =
    clocked && hz > 0 ? { clockHz: clocked.clockHz, divisor: settingFor(clocked, heldHz).divisor } : null;
  if (hz !== was.hz)
    on.trace({ atUs: on.nowUs, lane: 'tone', id: on.id, hz, ...(timed && { divisor: timed.divisor }) });
  return { ...was, hz, timed, order: was.order + 1, note: null, busy: false };
}

/** Notes that keys hold, lowest first, each once; or in the order of pressing. */
function notesHeld({ held }: SoundingTone, sorted: boolean): number[] {
  const notes = [...new Set(held.flatMap(({ notes: own }) => own))];
  return sorted ? notes.sort((a, b) => a - b) : notes;
}

/** What sounds of that, as the sounder takes them; where there is none, what a tune has; otherwise silence. */
function soundHeld(was: SoundingTone, on: On): SoundingTone {
  const { takes, turnUs } = on.output;
  const notes = notesHeld(was, takes !== 'last' && takes !== 'first');
  if (notes.length === 0) return beneath(was, on);
  const turn = (notes.indexOf(was.note ?? -1) + 1) % notes.length;
  const at = { last: notes.length - 1, first: 0, lowest: 0, highest: notes.length - 1, turns: turn }[takes];
  const note = notes[at]!;
  // A note that sounds already is not begun anew.
  if (note === was.note && takes !== 'turns') return was;
  const now = { ...sound(was, noteHz(note, on.output.perOctave), on), note };
  if (takes === 'turns' && notes.length > 1) on.plan(turnUs, { order: now.order, notes: [], turn: true });
  return now;
}

/** Keys hold other notes than before. In turns, what sounds has its turn out. */
function withHeld(was: SoundingTone, held: HeldKeys, on: On): SoundingTone {
  const now = { ...was, held };
  if (now.busy) return now;
  const sounds = was.note !== null && held.some(({ notes }) => notes.includes(was.note!));
  const inTurns = on.output.takes === 'turns' && sounds && notesHeld(was, true).length > 1;
  return inTurns ? now : soundHeld(now, on);
}

type Sung = OrderOf<'sing' | 'hush' | 'silence' | 'tone' | 'tune' | 'effect' | 'perform' | 'pace' | 'finish'>;
/** Notes that keys hold are let go by them, or by silence. */
function heldBy(said: Sung | OutputActionOf<Sung['kind']>): Holding | null {
  const what = 'keys';
  if (said.kind === 'sing') return { what, which: Number(said.key), how: 'begins' };
  if (said.kind === 'hush') return { what, which: Number(said.key), how: 'ends' };
  return said.kind === 'silence' ? { what, which: null, how: 'ends' } : null;
}

const isVoid = ({ order, music }: SoundingTone, what: Planned): boolean =>
  'music' in what ? music?.count !== what.music : order !== what.order;

/** The first note sounds, and the rest is planned behind it; another order ends the tune. */
function play(was: SoundingTone, notes: readonly Note[], on: On): SoundingTone {
  const [first, ...rest] = notes;
  // Behind what has an end, keys that are held are heard again.
  if (!first) return soundHeld({ ...was, busy: false }, on);
  const now = { ...sound(was, first.hz, on), busy: true };
  on.plan(first.lengthUs, { order: now.order, notes: rest });
  return now;
}

/** An effect sounds from a frame on; behind its last, what it covered does. One that an edit took away is over. */
function effectAt(
  was: SoundingTone,
  { effectId, byCents, frame }: { effectId: string; byCents: number; frame: number },
  on: On,
): SoundingTone {
  const effect = on.prepared.effects.get(effectId);
  if (!effect) return frame === 0 ? was : play(was, [], on);
  if (frame >= framesOf(effect)) return play(was, [], on);
  const now = { ...sound(was, effectPitch(effect, byCents, frame), on), busy: true };
  const left = Math.min(effectFrameUs, effect.lengthUs - frame * effectFrameUs);
  on.plan(left, { order: now.order, effectId, byCents, frame: frame + 1 });
  return now;
}

/** What a tune sounds now; 0: a rest, or no tune. */
const musicHz = (music: Music | null, { output }: On): number =>
  music === null || music.pitch === null ? 0 : noteHz(music.pitch / 100 + music.by, output.perOctave);

/** Something else has the sounder. */
const isCovered = ({ busy, held }: SoundingTone): boolean => busy || held.length > 0;

/** Semitones beyond these are out of hearing whatever the note. */
const mostMoved = 127;
const mostMovedCents = 100 * mostMoved;
const moved = (by: number, most: number): number => clamp(by, -most, most);
const heldTempo = (bpm: number, written: number): number =>
  bpm === 0 ? written : clamp(bpm, limits.leastTempo, limits.mostTempo);

/** A tune has come to where something of it changes: that is heard, where nothing has the sounder. */
function goOn(was: SoundingTone, music: Music, on: On): SoundingTone {
  const tune = on.prepared.tunes.get(music.tuneId);
  const { takes, turnUs } = on.output;
  const passing =
    tune && passAt(playedTune(tune), music.next, { ...music, turnUs, inTurns: takes === 'turns' });
  // The tune is over, or an edit took it away.
  if (!passing || passing.next === null) return withMusic(was, null, on);
  const unheard = passing.note && passing.begins && isCovered(was) ? [passing.note] : [];
  for (const { note } of [...passing.unheard, ...unheard])
    on.trace({ atUs: on.nowUs, lane: 'unheard', id: on.id, note });
  const now = withMusic(was, { ...music, pitch: passing.pitch, next: passing.next }, on);
  planMusic(now.music!, on);
  return now;
}

const dueUs = ({ origin, next, rate }: Music): number => origin.us + usOfParts(next - origin.parts, rate);
const planMusic = (music: Music, on: On): void =>
  on.plan(Math.max(0, dueUs(music) - on.nowUs), { music: music.count });

/** The tune as one that is begun now: what was planned for it before is void. */
function counted(was: SoundingTone, music: Omit<Music, 'count'>): [SoundingTone, Music] {
  const tunes = was.tunes + 1;
  return [
    { ...was, tunes },
    { ...music, count: tunes },
  ];
}

/** Another tune, or the same further on; it sounds, where nothing else does. */
function withMusic(was: SoundingTone, music: Music | null, on: On): SoundingTone {
  if (!music) tuneEnds(was, on);
  const now = { ...was, music };
  return isCovered(now) ? now : sound(now, musicHz(music, on), on);
}

/** Nothing has the sounder any more: a tune is heard that has gone on meanwhile; otherwise it is silent. */
function beneath(was: SoundingTone, on: On): SoundingTone {
  const { music } = was;
  // What comes in this very moment is not heard as it was before.
  return music && dueUs(music) <= on.nowUs
    ? goOn(...counted(was, music), on)
    : sound(was, musicHz(music, on), on);
}

/** It is told where one goes no further. */
function tuneEnds({ music }: SoundingTone, on: On): void {
  if (music) on.trace({ atUs: on.nowUs, lane: 'tune', id: on.id, tuneId: null, name: '' });
}

function perform(was: SoundingTone, order: OrderOf<'perform'>, on: On): SoundingTone {
  const { tuneId, voiceId } = order;
  const tune = on.prepared.tunes.get(tuneId);
  if (!tune) return was;
  on.trace({ atUs: on.nowUs, lane: 'tune', id: on.id, tuneId, name: tune.name });
  const rate = rateOf(tune, heldTempo(order.bpm, tune.beatsPerMinute));
  const begun = {
    tuneId,
    voiceId,
    by: moved(order.by, mostMoved),
    rate,
    origin: { us: on.nowUs, parts: 0 },
    next: 0,
    pitch: null,
  };
  return goOn(...counted(was, begun), on);
}

/** From now on at another tempo: what has been played of it stays where it was. */
function pace(was: SoundingTone, order: OrderOf<'pace'>, on: On): SoundingTone {
  const { music } = was;
  const tune = music && on.prepared.tunes.get(music.tuneId);
  if (!tune) return was;
  const { us, parts } = music.origin;
  const here = Math.min(music.next, parts + partsOfUs(on.nowUs - us, music.rate));
  const [now, next] = counted(was, {
    ...music,
    by: moved(order.by, mostMoved),
    rate: rateOf(tune, heldTempo(order.bpm, tune.beatsPerMinute)),
    origin: { us: on.nowUs, parts: here },
  });
  planMusic(next, on);
  return withMusic(now, next, on);
}

export const tone = defineOutput<'tone', SoundingTone, ToneEntry, Planned, Prepared>({
  kind: 'tone',
  prepare: (output, gadget) => ({
    clocked: clockedFor(gadget, output),
    tunes: new Map(gadget.tunes.map((tune) => [tune.id, tune])),
    effects: new Map(gadget.effects.map((effect) => [effect.id, effect])),
  }),
  dark: () => ({
    kind: 'tone',
    hz: 0,
    timed: null,
    order: 0,
    held: [],
    note: null,
    busy: false,
    music: null,
    tunes: 0,
  }),
  apply(was, order, on) {
    switch (order.kind) {
      case 'silence':
        tuneEnds(was, on);
        return sound({ ...was, held: [], music: null }, 0, on);
      case 'tune':
        return play(was, order.notes, on);
      case 'tone': {
        // What has no end takes the sounder for good.
        const endless = order.lengthUs === 0;
        if (endless) tuneEnds(was, on);
        const now = sound(endless ? { ...was, music: null } : was, order.hz, on);
        if (endless) return now;
        on.plan(order.lengthUs, { order: now.order, notes: [] });
        return { ...now, busy: true };
      }
      case 'sing': {
        const notes = notesInRow(order.rows, order.row, order.by);
        const { key } = order;
        const held = withoutKey(was.held, key);
        const holds = notes.length > 0 && isKeyOrNote(key);
        return withHeld(was, holds ? withKey(held, { key, notes, channel: 0 }) : held, on);
      }
      case 'hush':
        return withHeld(was, withoutKey(was.held, order.key), on);
      case 'effect': {
        const byCents = moved(order.byCents, mostMovedCents);
        return effectAt(was, { effectId: order.effectId, byCents, frame: 0 }, on);
      }
      case 'perform':
        return perform(was, order, on);
      case 'pace':
        return pace(was, order, on);
      case 'finish':
        return was.music ? withMusic(was, null, on) : was;
    }
  },
  upkeep: null,
  stirred: null,
  jobs: () => noJobs,
  due(was, what, on) {
    if (isVoid(was, what)) return was;
    if ('music' in what) return goOn(was, was.music!, on);
    if ('frame' in what) return effectAt(was, what, on);
    return what.turn ? soundHeld(was, on) : play(was, what.notes, on);
  },
  isVoid,
  powerOff(was, on) {
    tuneEnds(was, on);
    if (was.hz > 0) on.trace({ atUs: on.nowUs, lane: 'tone', id: on.id, hz: 0 });
  },
  adopt: (was) => was,
  later: (was, byUs) =>
    was.music
      ? { ...was, music: { ...was.music, origin: { ...was.music.origin, us: was.music.origin.us + byUs } } }
      : was,
  loads: ({ hz }) => hz > 0,
  lit: null,
  held: {
    by: heldBy,
    now: ({ held }) => held.length > 0,
    names: { sing: ['key'] },
  },
  // A tune is one sight, wherever it is just now.
  look: (was) =>
    was.music && !isCovered(was) ? { tune: was.music.tuneId, voice: was.music.voiceId } : was.hz,
});
