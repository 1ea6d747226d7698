import { limits } from '../gadget/index.ts';
import type { OrderOf } from '../flow/index.ts';
import { clamp } from '../kernel/index.ts';
import { noteHz, partsOfUs, passAt, playedTune, rateOf, usOfParts } from '../notes/index.ts';
import { isCovered, mostMoved, moved, sound, type Music, type On, type SoundingTone } from './sounding.ts';

/* A tune on its way: it goes on, heard or not, and every moment of it is worked out from where it began. */

/** What a tune sounds now; 0: a rest, or no tune. */
const musicHz = (music: Music | null, { output }: On): number =>
  music === null || music.pitch === null ? 0 : noteHz(music.pitch / 100 + music.by, output.perOctave);

const soundMusic = (was: SoundingTone, music: Music | null, on: On): SoundingTone =>
  sound(was, musicHz(music, on), on, music?.percent);

const heldTempo = (bpm: number, written: number): number =>
  bpm === 0 ? written : clamp(bpm, limits.leastTempo, limits.mostTempo);

/** A tune has come to where something of it changes: that is heard, where nothing has the sounder. */
export function goOn(was: SoundingTone, music: Music, on: On): SoundingTone {
  const tune = on.prepared.tunes.get(music.tuneId);
  const { takes, turnUs } = on.output;
  const passing =
    tune && passAt(playedTune(tune), music.next, { ...music, turnUs, inTurns: takes === 'turns' });
  // The tune is over, or an edit took it away.
  if (!passing || passing.next === null) return withMusic(was, null, on);
  const unheard = passing.note && passing.begins && isCovered(was) ? [passing.note] : [];
  for (const { note } of [...passing.unheard, ...unheard])
    on.trace({ atUs: on.nowUs, lane: 'unheard', id: on.id, note });
  const percent = passing.note?.percent ?? 100;
  const now = withMusic(was, { ...music, pitch: passing.pitch, percent, next: passing.next }, on);
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
export function withMusic(was: SoundingTone, music: Music | null, on: On): SoundingTone {
  if (!music) tuneEnds(was, on);
  const now = { ...was, music };
  return isCovered(now) ? now : soundMusic(now, music, on);
}

/** Nothing has the sounder any more: a tune is heard that has gone on meanwhile; otherwise it is silent. */
export function beneath(was: SoundingTone, on: On): SoundingTone {
  const { music } = was;
  // What comes in this very moment is not heard as it was before.
  return music && dueUs(music) <= on.nowUs ? goOn(...counted(was, music), on) : soundMusic(was, music, on);
}

/** It is told where one goes no further. */
export function tuneEnds({ music }: SoundingTone, on: On): void {
  if (music) on.trace({ atUs: on.nowUs, lane: 'tune', id: on.id, tuneId: null, name: '' });
}

export function perform(was: SoundingTone, order: OrderOf<'perform'>, on: On): SoundingTone {
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
    percent: 100,
  };
  return goOn(...counted(was, begun), on);
}

/** From now on at another tempo: what has been played of it stays where it was. */
export function pace(was: SoundingTone, order: OrderOf<'pace'>, on: On): SoundingTone {
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
