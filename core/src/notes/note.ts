import { exactExp } from '../kernel/index.ts';

const letters = ['C', 'C♯', 'D', 'D♯', 'E', 'F', 'F♯', 'G', 'G♯', 'A', 'A♯', 'B'] as const;
export const inOctave = 12;

/** Which of the twelve a note is, whatever its octave. @param note any whole number */
export const pitchClass = (note: number): number => ((note % inOctave) + inOctave) % inOctave;
export const letterOf = (note: number): string => letters[pitchClass(note)]!;
/** As it is written, with its octave: 60 is C4. */
export const noteName = (note: number): string => `${letterOf(note)}${Math.floor(note / inOctave) - 1}`;

const ln2 = 0.6931471805599453;

/**
 * Pitch of a note; A4 (69) is 440 Hz. The same on every machine. Source: reckoning, Sound.
 * @param note −100 to 300, whole or bent
 * @param perOctave steps of an octave, 5 to 53; 12 is usual
 * @returns Hz
 */
export const noteHz = (note: number, perOctave: number = inOctave): number =>
  440 * exactExp((ln2 * (note - 69)) / perOctave);

/** As a note may be typed: a letter, signs, an octave; or its number. */
const typedNote = /^([A-Ga-g])([#♯b♭]*)(-?\d{1,2})$/;
const above: Readonly<Record<string, number>> = { C: 0, D: 2, E: 4, F: 5, G: 7, A: 9, B: 11 };

/** @returns the note, 0 to 127; null for what names none */
export function readNote(text: string): number | null {
  const number = /^\d{1,3}$/.test(text) ? Number(text) : null;
  const named = typedNote.exec(text);
  if (!named && number === null) return null;
  const [, letter = '', signs = '', octave = ''] = named ?? [];
  const signed = [...signs].reduce((sum, sign) => sum + (sign === '#' || sign === '♯' ? 1 : -1), 0);
  const note = number ?? above[letter.toUpperCase()]! + signed + inOctave * (Number(octave) + 1);
  return note >= 0 && note <= 127 ? note : null;
}

/**
 * Notes with spaces or commas between them: `C4 E4 G4`, `60, 64, 67`.
 * @returns null where one of them names no note between C-1 and G9
 */
export function readNotes(text: string): number[] | null {
  const notes = text
    .split(/[\s,;]+/)
    .filter(Boolean)
    .map(readNote);
  return notes.every((note) => note !== null) ? notes : null;
}
