import type { ActionKindOf, Note, OutputActionOf } from '../gadget/index.ts';
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
} from '../output/index.ts';
import { effectFrameUs, effectPitch, framesOf, noteHz } from '../notes/index.ts';
import { beneath, goOn, pace, perform, tuneEnds, withMusic } from './music.ts';
import {
  isCovered,
  loud,
  loudnessOf,
  mostMovedCents,
  moved,
  sound,
  type On,
  type Planned,
  type Prepared,
  type SoundingTone,
  type ToneEntry,
} from './sounding.ts';
import { clockedFor } from './tuning.ts';

export type { SoundingTone, ToneEntry } from './sounding.ts';

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

type Sung = ActionKindOf<'tone'>;
/** Notes that keys hold are let go by them, or by silence. */
function heldBy(said: OrderOf<Sung> | OutputActionOf<Sung>): Holding | null {
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
    percent: 100,
    share: 100,
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
      case 'loud':
        return loud(was, order.percent, on);
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
  sounds: (is) => [is.hz, loudnessOf(is)],
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
