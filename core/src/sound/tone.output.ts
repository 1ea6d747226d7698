import type { Note, OutputActionOf } from '../gadget/index.ts';
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
import { noteHz } from '../notes/index.ts';
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
}

/** A tone's end, or the rest of a tune; or the next of held notes has its turn. For the order that it belongs to. */
type Planned = { order: number; notes: readonly Note[]; turn?: true };
export type ToneEntry =
  /** hz as it is asked for, 0: silent; where a timer makes it, half a wave in periods of the clock. */
  { lane: 'tone'; hz: number; divisor?: number };
/** null: pitches are exact. */
export type ToneTimer = Clocked | null;
type On = Stage<'tone', ToneEntry, Planned, ToneTimer>;

/** Another pitch that is asked for, as the sounder can give it. */
function sound(was: SoundingTone, askedHz: number, on: On): SoundingTone {
  const heldHz = soundedHz(on.output, askedHz);
  const hz = Math.round(heldHz);
  const { prepared } = on;
  const timed =
    prepared && hz > 0 ? { clockHz: prepared.clockHz, divisor: settingFor(prepared, heldHz).divisor } : null;
  if (hz !== was.hz)
    on.trace({ atUs: on.nowUs, lane: 'tone', id: on.id, hz, ...(timed && { divisor: timed.divisor }) });
  return { ...was, hz, timed, order: was.order + 1, note: null, busy: false };
}

/** Notes that keys hold, lowest first, each once; or in the order of pressing. */
function notesHeld({ held }: SoundingTone, sorted: boolean): number[] {
  const notes = [...new Set(held.flatMap(({ notes: own }) => own))];
  return sorted ? notes.sort((a, b) => a - b) : notes;
}

/** What sounds of that, as the sounder takes them; silence, where there is none. */
function soundHeld(was: SoundingTone, on: On): SoundingTone {
  const { takes, turnUs } = on.output;
  const notes = notesHeld(was, takes !== 'last' && takes !== 'first');
  if (notes.length === 0) return sound(was, 0, on);
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

type Sung = OrderOf<'sing' | 'hush' | 'silence' | 'tone' | 'tune'>;
/** Notes that keys hold are let go by them, or by silence. */
function heldBy(said: Sung | OutputActionOf<Sung['kind']>): Holding | null {
  const what = 'keys';
  if (said.kind === 'sing') return { what, which: Number(said.key), how: 'begins' };
  if (said.kind === 'hush') return { what, which: Number(said.key), how: 'ends' };
  return said.kind === 'silence' ? { what, which: null, how: 'ends' } : null;
}

/** The first note sounds, and the rest is planned behind it; another order ends the tune. */
function play(was: SoundingTone, notes: readonly Note[], on: On): SoundingTone {
  const [first, ...rest] = notes;
  // Behind what has an end, keys that are held are heard again.
  if (!first) return soundHeld({ ...was, busy: false }, on);
  const now = { ...sound(was, first.hz, on), busy: true };
  on.plan(first.lengthUs, { order: now.order, notes: rest });
  return now;
}

export const tone = defineOutput<'tone', SoundingTone, ToneEntry, Planned, ToneTimer>({
  kind: 'tone',
  prepare: (output, gadget) => clockedFor(gadget, output),
  dark: () => ({ kind: 'tone', hz: 0, timed: null, order: 0, held: [], note: null, busy: false }),
  apply(was, order, on) {
    switch (order.kind) {
      case 'silence':
        return sound({ ...was, held: [] }, 0, on);
      case 'tune':
        return play(was, order.notes, on);
      case 'tone': {
        const now = sound(was, order.hz, on);
        if (order.lengthUs === 0) return now;
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
    }
  },
  upkeep: null,
  stirred: null,
  jobs: () => noJobs,
  due(was, { order, notes, turn }, on) {
    if (was.order !== order) return was;
    return turn ? soundHeld(was, on) : play(was, notes, on);
  },
  isVoid: (was, { order }) => was.order !== order,
  powerOff({ hz }, on) {
    if (hz > 0) on.trace({ atUs: on.nowUs, lane: 'tone', id: on.id, hz: 0 });
  },
  adopt: (was) => was,
  later: (was) => was,
  loads: ({ hz }) => hz > 0,
  lit: null,
  held: {
    by: heldBy,
    now: ({ held }) => held.length > 0,
    names: { sing: ['key'] },
  },
  look: ({ hz }) => hz,
});
