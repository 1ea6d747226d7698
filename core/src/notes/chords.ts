import { inOctave, letterOf, pitchClass } from './note.ts';

interface ChordKind {
  /** What is written behind the root. */
  suffix: string;
  title: string;
  /** Semitones above the root. */
  steps: readonly number[];
}

const kind = (suffix: string, title: string, ...steps: number[]): ChordKind => ({ suffix, title, steps });

/** What is told of notes that sound together; where two fit alike, the earlier one. Source: any primer of harmony. */
export const chordKinds: readonly ChordKind[] = [
  kind('', 'major', 0, 4, 7),
  kind('m', 'minor', 0, 3, 7),
  kind('°', 'diminished', 0, 3, 6),
  kind('+', 'augmented', 0, 4, 8),
  kind('sus4', 'suspended fourth', 0, 5, 7),
  kind('sus2', 'suspended second', 0, 2, 7),
  kind('5', 'fifth', 0, 7),
  kind('7', 'seventh', 0, 4, 7, 10),
  kind('maj7', 'major seventh', 0, 4, 7, 11),
  kind('m7', 'minor seventh', 0, 3, 7, 10),
  kind('m(maj7)', 'minor, major seventh', 0, 3, 7, 11),
  kind('m7♭5', 'half diminished', 0, 3, 6, 10),
  kind('°7', 'diminished seventh', 0, 3, 6, 9),
  kind('7♯5', 'augmented seventh', 0, 4, 8, 10),
  kind('7sus4', 'seventh, suspended fourth', 0, 5, 7, 10),
  kind('6', 'sixth', 0, 4, 7, 9),
  kind('m6', 'minor sixth', 0, 3, 7, 9),
  kind('add9', 'added ninth', 0, 2, 4, 7),
  kind('m(add9)', 'minor, added ninth', 0, 2, 3, 7),
  kind('9', 'ninth', 0, 2, 4, 7, 10),
  kind('maj9', 'major ninth', 0, 2, 4, 7, 11),
  kind('m9', 'minor ninth', 0, 2, 3, 7, 10),
  kind('7♭9', 'seventh, flat ninth', 0, 1, 4, 7, 10),
  kind('6/9', 'sixth and ninth', 0, 2, 4, 7, 9),
  // Without their fifth, as hands of few fingers play them.
  kind('7', 'seventh', 0, 4, 10),
  kind('maj7', 'major seventh', 0, 4, 11),
  kind('m7', 'minor seventh', 0, 3, 10),
];

export interface NamedChord {
  /** Which of the twelve. */
  root: number;
  title: string;
  /** As it is written: `C`, `Am7/G`. */
  name: string;
  /** Which of its notes is the lowest; 0: its root. */
  inversion: number;
}

const known = new Map(chordKinds.map((one, n) => [one.steps.join(), { ...one, n }]));

/**
 * The chord that notes are, whatever their octaves.
 * @param notes 0 to 127, in any order
 * @returns null for fewer than two different notes, and for what has no name here
 */
export function chordOf(notes: readonly number[]): NamedChord | null {
  const classes = [...new Set(notes.map(pitchClass))].sort((a, b) => a - b);
  if (classes.length < 2) return null;
  const bass = pitchClass(Math.min(...notes));
  const found = classes.flatMap((root) => {
    const steps = classes.map((one) => pitchClass(one - root)).sort((a, b) => a - b);
    const chord = known.get(steps.join());
    return chord ? [{ root, chord, steps }] : [];
  });
  // What stands on its root is called by it; of the others, the plainest.
  const [best] = found.sort(
    (a, b) => Number(b.root === bass) - Number(a.root === bass) || a.chord.n - b.chord.n,
  );
  if (!best) return null;
  const { root, chord, steps } = best;
  const on = root === bass ? '' : `/${letterOf(bass)}`;
  return {
    root,
    title: chord.title,
    name: `${letterOf(root)}${chord.suffix}${on}`,
    inversion: steps.indexOf((bass - root + inOctave) % inOctave),
  };
}
