import { limits } from '../gadget/index.ts';
import type { FileNote } from './fileNotes.ts';
import { drumChannel } from './message.ts';

/** So many notes of a piece are looked at: half an hour of a quick one. */
const mostLooked = 20_000;

/** A note of a voice. */
export type LineNote = Pick<FileNote, 'note' | 'velocity' | 'startUs' | 'lengthUs'>;

/** What became of a piece. */
export interface Reduced {
  /** Melody first, then the bass, then what lies under the melody. */
  voices: { notes: LineNote[]; kept: number }[];
  /** Notes that are heard in none, and why. */
  dropped: { drums: number; between: number; beyond: number };
  /** Notes that are heard for a shorter time than they were written. */
  shortened: number;
}

/**
 * A piece for sounders of one voice each. At every moment the first has the highest note that sounds (the melody), the
 * second the lowest (the bass), a third the next below the melody, and so on; where fewer sound than there are voices,
 * the melody comes first. Beginnings are kept as they are, so the rhythm is that of the piece. Drums are left out.
 * @param voices 1 to 8
 * @param mostNotes of each voice; what comes behind them is beyond it
 */
export function reduceNotes(
  played: readonly FileNote[],
  voices: number,
  mostNotes: number = limits.tuneNotes,
): Reduced {
  const all = played.filter(({ channel }) => channel !== drumChannel);
  const pitched = all.slice(0, mostLooked);
  const heard = pitched.map(() => 0);
  const lines = Array.from({ length: voices }, () => [] as { from: number; to: number; which: number }[]);
  const times = [...new Set(pitched.flatMap(({ startUs, lengthUs }) => [startUs, startUs + lengthUs]))].sort(
    (a, b) => a - b,
  );
  let next = 0;
  let sounding: number[] = [];
  for (const [n, from] of times.entries()) {
    const to = times[n + 1];
    if (to === undefined || lines.every(({ length }) => length > mostNotes)) break;
    while (next < pitched.length && pitched[next]!.startUs <= from) sounding.push(next++);
    sounding = sounding.filter((which) => pitched[which]!.startUs + pitched[which]!.lengthUs > from);
    for (const [voice, which] of taken(sounding, pitched, voices).entries()) {
      if (which === null) continue;
      const line = lines[voice]!;
      const last = line.at(-1);
      // A note that goes on is one; the same one struck again is another.
      if (last?.which === which && last.to === from) last.to = to;
      else line.push({ from, to, which });
    }
  }
  let fullUs = Infinity;
  const made = lines.map((line) => {
    const { notes, kept, endUs } = notesIn(line, pitched, mostNotes);
    for (const { which, from, to } of kept) heard[which]! += to - from;
    fullUs = Math.min(fullUs, endUs ?? Infinity);
    return { notes, kept: new Set(kept.map(({ which }) => which)).size };
  });
  const unheard = pitched.filter((_, which) => heard[which] === 0);
  const beyond = unheard.filter(({ startUs }) => startUs >= fullUs).length;
  return {
    voices: made,
    dropped: {
      drums: played.length - all.length,
      between: unheard.length - beyond,
      beyond: beyond + all.length - pitched.length,
    },
    shortened: heard.filter((us, which) => us > 0 && us < pitched[which]!.lengthUs).length,
  };
}

/** Which note each voice has of those that sound; null: it rests. */
function taken(sounding: readonly number[], notes: readonly FileNote[], voices: number): (number | null)[] {
  const left = new Set(sounding);
  /** The highest of them, or the lowest; of alike ones the later. */
  const take = (way: 1 | -1): number | null => {
    let best: number | null = null;
    for (const one of left)
      if (best === null || way * (notes[one]!.note - notes[best]!.note) >= 0) best = one;
    if (best !== null) left.delete(best);
    return best;
  };
  return Array.from({ length: voices }, (_, voice) => take(voice === 1 ? -1 : 1));
}

/**
 * A line as notes, one behind the other.
 * @returns endUs: where it was full; null: all of it is there
 */
function notesIn<L extends { from: number; to: number; which: number }>(
  line: readonly L[],
  played: readonly FileNote[],
  most: number,
): { notes: LineNote[]; kept: L[]; endUs: number | null } {
  const notes: LineNote[] = [];
  const kept: L[] = [];
  let atUs = 0;
  for (const one of line) {
    const { from, to, which } = one;
    if (notes.length >= most) return { notes, kept, endUs: atUs };
    // A rest that is shorter than can be heard is left to the note behind it.
    const startUs = from - atUs >= shortestUs ? from : atUs;
    if (to - startUs < shortestUs) continue;
    const { note, velocity } = played[which]!;
    notes.push({ note, velocity, startUs, lengthUs: to - startUs });
    kept.push(one);
    atUs = to;
  }
  return { notes, kept, endUs: null };
}
const shortestUs = 1_000;
