import { inOctave } from './note.ts';

/** Semitones above the root, in one octave, from 0. */
export interface Scale {
  id: string;
  title: string;
  steps: readonly number[];
}

const scale = (id: string, title: string, ...steps: number[]): Scale => ({ id, title, steps });

/** Scales of common teaching, each once. Source: any primer of harmony. */
export const scales: readonly Scale[] = [
  scale('chromatic', 'all twelve', 0, 1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11),
  scale('major', 'major', 0, 2, 4, 5, 7, 9, 11),
  scale('minor', 'minor (natural)', 0, 2, 3, 5, 7, 8, 10),
  scale('harmonicMinor', 'minor, harmonic', 0, 2, 3, 5, 7, 8, 11),
  scale('melodicMinor', 'minor, melodic', 0, 2, 3, 5, 7, 9, 11),
  scale('dorian', 'Dorian', 0, 2, 3, 5, 7, 9, 10),
  scale('phrygian', 'Phrygian', 0, 1, 3, 5, 7, 8, 10),
  scale('lydian', 'Lydian', 0, 2, 4, 6, 7, 9, 11),
  scale('mixolydian', 'Mixolydian', 0, 2, 4, 5, 7, 9, 10),
  scale('locrian', 'Locrian', 0, 1, 3, 5, 6, 8, 10),
  scale('majorPentatonic', 'five notes, major', 0, 2, 4, 7, 9),
  scale('minorPentatonic', 'five notes, minor', 0, 3, 5, 7, 10),
  scale('suspendedPentatonic', 'five notes, suspended', 0, 2, 5, 7, 10),
  scale('blues', 'blues', 0, 3, 5, 6, 7, 10),
  scale('majorBlues', 'blues, major', 0, 2, 3, 4, 7, 9),
  scale('wholeTone', 'whole tones', 0, 2, 4, 6, 8, 10),
  scale('halfWhole', 'half and whole tones (octatonic)', 0, 1, 3, 4, 6, 7, 9, 10),
  scale('wholeHalf', 'whole and half tones (octatonic)', 0, 2, 3, 5, 6, 8, 9, 11),
  scale('augmented', 'augmented (six notes)', 0, 3, 4, 7, 8, 11),
  scale('harmonicMajor', 'major, harmonic', 0, 2, 4, 5, 7, 8, 11),
  scale('doubleHarmonic', 'double harmonic', 0, 1, 4, 5, 7, 8, 11),
  scale('phrygianDominant', 'Phrygian, dominant', 0, 1, 4, 5, 7, 8, 10),
  scale('lydianDominant', 'Lydian, dominant (acoustic)', 0, 2, 4, 6, 7, 9, 10),
  scale('altered', 'altered', 0, 1, 3, 4, 6, 8, 10),
  scale('neapolitanMinor', 'Neapolitan minor', 0, 1, 3, 5, 7, 8, 11),
  scale('neapolitanMajor', 'Neapolitan major', 0, 1, 3, 5, 7, 9, 11),
  scale('fifths', 'octaves and fifths', 0, 7),
];

/** A cell in which no note is. It fits a byte, as notes do. */
export const noNote = 255;

/**
 * Notes of keys, one row for each, from a scale.
 * @param root of the first key, 0 to 127
 * @param steps of the scale, or of one's own, ascending inside an octave, from 0
 * @param degrees what each key plays: 0 its own note, 2 the next but one of the scale above it, and so on
 * @param columns of a row, at least as many as degrees; the rest is empty
 * @param octave steps to the next octave
 * @returns keys × columns numbers; a note beyond 127 is left empty
 */
export function rowsOfScale(
  keys: number,
  root: number,
  steps: readonly number[],
  degrees: readonly number[],
  columns: number,
  octave: number = inOctave,
): number[] {
  const at = (degree: number) =>
    root + steps[degree % steps.length]! + octave * Math.floor(degree / steps.length);
  return Array.from({ length: keys }, (_, key) =>
    Array.from({ length: columns }, (_unused, column) => {
      const degree = degrees[column];
      const note = degree === undefined ? noNote : at(key + degree);
      return note > 127 ? noNote : note;
    }),
  ).flat();
}
