import { limits, type Tune, type TuneNote, type TuneVoice } from '../gadget/index.ts';
import { clamp } from '../kernel/index.ts';
import type { MidiFile } from './file.ts';
import { notesOf, temposIn } from './fileNotes.ts';
import { reduceNotes, type LineNote, type Reduced } from './reduce.ts';

/** Steps of a beat that are tried, the finest of them near to anything; and what is near, in millionths of a beat. */
const grids = [1, 2, 3, 4, 6, 8, 12, 16, 24] as const;
const nearEnough = 25_000;
const beat = 1_000_000;

/** A piece on a grid of time, for so many voices. */
export interface PieceTune {
  tune: Omit<Tune, 'id' | 'voices'> & { voices: Omit<TuneVoice, 'id'>[] };
  /** Notes that are heard in none, and why; `crowded`: another has their step. */
  dropped: Reduced['dropped'] & { crowded: number };
  shortened: number;
  /** How far the note that moved most begins from where it did, at the first tempo. */
  movedUs: number;
  /** Tempos of the piece, beats a minute: it is played at the first. */
  tempos: readonly number[];
}

const voiceNames = ['Melody', 'Bass', 'Middle', 'Fourth'] as const;

/** The coarsest grid on which all notes are near a step, each on one of its own in its voice; otherwise the finest. */
function gridOf(voices: readonly (readonly LineNote[])[]): number {
  const isOn = (grid: number) =>
    voices.every((notes) =>
      notes.every(({ startUs }, n) => {
        const at = stepAt(startUs, grid);
        const far = Math.abs(startUs - (at * beat) / grid);
        return far <= nearEnough && (n === 0 || at > stepAt(notes[n - 1]!.startUs, grid));
      }),
    );
  return grids.find(isOn) ?? grids.at(-1)!;
}
const stepAt = (us: number, grid: number): number => Math.round((us * grid) / beat);

/**
 * Notes of a line on steps: each begins on the nearest one, and lasts at least one. Of two on one step the longer
 * stays; a note that would reach into the next ends there.
 * @param loudest velocity that is as loud as can be
 */
function onGrid(
  notes: readonly LineNote[],
  grid: number,
  loudest: number,
): { notes: TuneNote[]; crowded: number; beyond: number; far: number } {
  const placed: TuneNote[] = [];
  let [crowded, beyond, far] = [0, 0, 0];
  for (const { note, velocity, startUs, lengthUs } of notes) {
    const at = stepAt(startUs, grid);
    const before = placed.at(-1);
    if (at >= limits.tuneSteps) {
      beyond += 1;
      continue;
    }
    const end = Math.min(limits.tuneSteps, Math.max(at + 1, stepAt(startUs + lengthUs, grid)));
    const percent = Math.max(1, Math.round((100 * velocity) / loudest));
    const placedNow = { at, steps: end - at, note, percent, ornament: null };
    far = Math.max(far, Math.abs(startUs - (at * beat) / grid));
    if (before?.at === at) {
      crowded += 1;
      if (placedNow.steps > before.steps) placed.splice(-1, 1, placedNow);
    } else {
      if (before) before.steps = Math.min(before.steps, at - before.at);
      placed.push(placedNow);
    }
  }
  return { notes: placed, crowded, beyond, far };
}

/**
 * A tune of a file: brought down to so many voices, and put on the coarsest grid that its notes are near to. It begins
 * with its first note; of all that is kept, the loudest is as loud as can be. @param voices 1 to 4
 */
export function pieceTune(file: MidiFile, voices: number, name: string): PieceTune {
  const all = notesOf(file, 'beat');
  // From the beat that it begins in: what comes before is silence.
  const fromUs = Math.floor((all[0]?.startUs ?? 0) / beat) * beat;
  const reduced = reduceNotes(
    all.map((note) => ({ ...note, startUs: note.startUs - fromUs })),
    voices,
  );
  const grid = gridOf(reduced.voices.map(({ notes }) => notes));
  const loudest = reduced.voices
    .flatMap(({ notes }) => notes)
    .reduce((most, one) => Math.max(most, one.velocity), 1);
  const placed = reduced.voices.map(({ notes }) => onGrid(notes, grid, loudest));
  const steps = Math.max(1, ...placed.flatMap(({ notes }) => notes.map((one) => one.at + one.steps)));
  const tempos = temposIn(file).map(Math.round);
  const beatsPerMinute = clamp(tempos[0] ?? 120, limits.leastTempo, limits.mostTempo);
  const far = Math.max(0, ...placed.map((one) => one.far));
  return {
    tune: {
      name,
      beatsPerMinute,
      stepsPerBeat: grid,
      swingPercent: 50,
      heldPercent: 90,
      sections: [
        { name: 'All', steps: Math.min(limits.tuneSteps, Math.ceil(steps / grid) * grid), times: 1 },
      ],
      againFrom: null,
      voices: placed.map(({ notes }, n) => ({ name: voiceNames[n]!, notes })),
    },
    dropped: {
      ...reduced.dropped,
      beyond: reduced.dropped.beyond + placed.reduce((sum, { beyond }) => sum + beyond, 0),
      crowded: placed.reduce((sum, { crowded }) => sum + crowded, 0),
    },
    shortened: reduced.shortened,
    movedUs: Math.round((far * 60) / beatsPerMinute),
    tempos,
  };
}
