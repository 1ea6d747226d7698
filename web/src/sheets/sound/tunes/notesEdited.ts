import type { TuneNote } from '@hum-lever/core';

/* What hands do to the notes of a voice: each is another list of notes in order, or null where there is no room. */

const mostNote = 127;

/** Steps that are free around a note: from the one before it to the one behind it. */
function roomOf(notes: readonly TuneNote[], index: number, steps: number): { from: number; to: number } {
  const [before, behind] = [notes[index - 1], notes[index + 1]];
  return { from: before ? before.at + before.steps : 0, to: behind?.at ?? steps };
}

const withNote = (notes: readonly TuneNote[], index: number, note: TuneNote): TuneNote[] =>
  notes.map((one, n) => (n === index ? note : one));

/** By so many steps and semitones; over no other note. */
export function moved(
  notes: readonly TuneNote[],
  index: number,
  by: { steps: number; semitones: number },
  steps: number,
): TuneNote[] | null {
  const note = notes[index]!;
  const { from, to } = roomOf(notes, index, steps);
  const at = Math.min(to - note.steps, Math.max(from, note.at + by.steps));
  const pitch = Math.min(mostNote, Math.max(0, note.note + by.semitones));
  if (at === note.at && pitch === note.note) return null;
  return withNote(notes, index, { ...note, at, note: pitch });
}

/** So many steps longer, as far as there is room; at least one is left. */
export function lengthened(
  notes: readonly TuneNote[],
  index: number,
  by: number,
  steps: number,
): TuneNote[] | null {
  const note = notes[index]!;
  const { to } = roomOf(notes, index, steps);
  const longer = Math.min(to - note.at, Math.max(1, note.steps + by));
  return longer === note.steps ? null : withNote(notes, index, { ...note, steps: longer });
}

/** A new note at a step that is free, as long as it is wanted or there is room; and which of all it is. */
export function added(
  notes: readonly TuneNote[],
  at: number,
  note: number,
  wanted: number,
  steps: number,
): { notes: TuneNote[]; index: number } | null {
  if (at < 0 || at >= steps || notes.some((one) => one.at <= at && at < one.at + one.steps)) return null;
  const index = notes.filter((one) => one.at < at).length;
  const to = notes[index]?.at ?? steps;
  const fresh = { at, steps: Math.min(wanted, to - at), note, percent: 100, ornament: null };
  return { notes: [...notes.slice(0, index), fresh, ...notes.slice(index)], index };
}

/** One more behind a note, like it; at the first step that is free. */
export function repeated(
  notes: readonly TuneNote[],
  index: number,
  steps: number,
): { notes: TuneNote[]; index: number } | null {
  const like = notes[index]!;
  return added(notes, like.at + like.steps, like.note, like.steps, steps);
}
