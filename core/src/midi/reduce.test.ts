import * as fc from 'fast-check';
import { runs } from '../test/runs.ts';
import { readMidiFile, writeMidiFile, type FileEvent, type MidiFile } from './file.ts';
import { notesOf, type FileNote } from './fileNotes.ts';
import { reduceNotes, type LineNote } from './reduce.ts';
import { tuneFile } from './tuneFile.ts';

const on = (delta: number, note: number, channel = 1, velocity = 90): FileEvent => ({
  delta, kind: 'channel', status: 0x8f + channel, first: note, second: velocity,
}); // prettier-ignore
const off = (delta: number, note: number, channel = 1): FileEvent => ({
  delta, kind: 'channel', status: 0x7f + channel, first: note, second: 0,
}); // prettier-ignore
const tempo = (delta: number, quarterUs: number): FileEvent => ({
  delta, kind: 'meta', type: 0x51, data: [quarterUs >> 16, (quarterUs >> 8) & 255, quarterUs & 255],
}); // prettier-ignore
const file = (...tracks: FileEvent[][]): MidiFile => ({ format: 1, division: 96, tracks });
const times = (of: MidiFile) => notesOf(of).map(({ startUs, lengthUs, note }) => [startUs, lengthUs, note]);

describe('notes of a file', () => {
  it('have their times by the tempo map, whichever track it stands in', () => {
    const tempos = [tempo(0, 600_000), tempo(96, 300_000), tempo(192, 1_000_000)];
    const notes = [on(0, 60), off(96, 60), on(0, 62), off(96, 62), on(96, 64), off(48, 64)];
    expect(times(file(tempos, notes))).toEqual([
      [0, 600_000, 60],
      [600_000, 300_000, 62],
      [1_200_000, 500_000, 64],
    ]);
  });
  it('begin at 120 a minute, and go by frames where the file does', () => {
    expect(times(file([on(0, 60), off(96, 60)]))).toEqual([[0, 500_000, 60]]);
    const frames = { ...file([on(25, 60), off(40, 60)]), division: (256 - 25) * 256 + 40 };
    expect(times(frames)).toEqual([[25_000, 40_000, 60]]);
  });
  it('end by velocity 0, with the next of their kind, or with the file; of no length they are none', () => {
    const events = [
      on(0, 60),
      on(96, 60, 1, 0),
      on(0, 62),
      on(96, 62),
      off(96, 62),
      on(0, 64),
      off(0, 64),
      on(0, 65),
    ];
    expect(times(file([...events, { delta: 96, kind: 'meta', type: 0x2f, data: [] }]))).toEqual([
      [0, 500_000, 60],
      [500_000, 500_000, 62],
      [1_000_000, 500_000, 62],
      [1_500_000, 500_000, 65],
    ]);
  });
  it('have some length at a tempo of nothing, and tracks of format 2 come one after the other', () => {
    expect(times(file([tempo(0, 0), on(0, 60), off(96, 60)]))).toEqual([[0, 60, 60]]);
    const two = { ...file([on(0, 60), off(96, 60)], [on(0, 62), off(96, 62)]), format: 2 as const };
    expect(times(two)).toEqual([
      [0, 500_000, 60],
      [500_000, 500_000, 62],
    ]);
  });
  it('of a tune that was saved are those of the tune', () => {
    const tune = [440, 0, 494, 523].map((hz, n) => ({ hz, lengthUs: 100_000 + n * 33_000 }));
    const read = readMidiFile(writeMidiFile(tuneFile(tune)));
    if (read.outcome !== 'read') throw new Error(read.message);
    expect(times(read.file)).toEqual([
      [0, 100_000, 69],
      [233_000, 166_000, 71],
      [399_000, 199_000, 72],
    ]);
  });
});

const played = (
  ...notes: [startMs: number, lengthMs: number, note: number, channel?: number][]
): FileNote[] =>
  notes
    .map(([start, length, note, channel = 1]) => ({
      startUs: start * 1_000,
      lengthUs: length * 1_000,
      note,
      velocity: 90,
      channel,
    })) // prettier-ignore
    .sort((a, b) => a.startUs - b.startUs || b.note - a.note);
/** Notes and the rests between them (0), with their lengths. */
const sung = ({ notes }: { notes: readonly LineNote[] }) => {
  let atUs = 0;
  return notes.flatMap(({ note, startUs, lengthUs }) => {
    const rest = startUs - atUs;
    atUs = startUs + lengthUs;
    return [...(rest > 0 ? [[0, rest / 1_000]] : []), [note, lengthUs / 1_000]];
  });
};

describe('a piece for fewer voices', () => {
  const piece = played(
    [0, 400, 72],
    [0, 800, 64],
    [0, 800, 48],
    [400, 400, 74],
    [1_000, 200, 76],
    [0, 100, 36, 10],
  );
  it('keeps the melody in one, and says what is not heard', () => {
    const { voices, dropped, shortened } = reduceNotes(piece, 1);
    expect(voices.map(sung)).toEqual([[[72, 400], [74, 400], [0, 200], [76, 200]]]); // prettier-ignore
    expect(dropped).toEqual({ drums: 1, between: 2, beyond: 0 });
    expect(shortened).toBe(0);
  });
  it('keeps melody and bass in two, and the middle in three', () => {
    const two = reduceNotes(piece, 2);
    expect(two.voices.map(({ kept }) => kept)).toEqual([3, 1]);
    expect(sung(two.voices[1]!)).toEqual([[48, 800]]);
    expect(two.dropped).toEqual({ drums: 1, between: 1, beyond: 0 });
    const three = reduceNotes(piece, 3);
    expect(sung(three.voices[2]!)).toEqual([[64, 800]]);
    expect(three.dropped).toEqual({ drums: 1, between: 0, beyond: 0 });
  });
  it('cuts a note where a higher one takes its voice, and counts it', () => {
    const { voices, shortened } = reduceNotes(played([0, 600, 60], [200, 200, 72]), 1);
    expect(voices.map(sung)).toEqual([[[60, 200], [72, 200], [60, 200]]]); // prettier-ignore
    expect(shortened).toBe(1);
  });
  it('strikes a note again where the piece does, and stops where a tune is full', () => {
    const twice = reduceNotes(played([0, 200, 60], [200, 200, 60]), 1);
    expect(sung(twice.voices[0]!)).toEqual([[60, 200], [60, 200]]); // prettier-ignore
    const { voices, dropped } = reduceNotes(
      played(...Array.from({ length: 10 }, (_, n): [number, number, number] => [n * 200, 100, 60 + n])),
      1,
      7,
    );
    expect(voices[0]!.notes.length).toBeLessThanOrEqual(7);
    expect([voices[0]!.kept, dropped.beyond]).toEqual([7, 3]);
  });
  it('has at every moment the highest in the first and the lowest in the second, of any piece', () => {
    const note = fc.tuple(
      fc.integer({ min: 0, max: 40 }).map((n) => n * 50),
      fc.integer({ min: 1, max: 12 }).map((n) => n * 50),
      fc.integer({ min: 40, max: 90 }),
    );
    fc.assert(
      fc.property(fc.array(note, { maxLength: 25 }), (notes) => {
        const all = played(...notes.map(([a, b, c]): [number, number, number] => [a, b, c]));
        const { voices } = reduceNotes(all, 2, 1_000);
        const at = (voice: number, us: number) => {
          const own = voices[voice]!.notes;
          return own.find((one) => one.startUs <= us && us < one.startUs + one.lengthUs)?.note ?? 0;
        };
        for (let us = 25_000; us < 2_600_000; us += 50_000) {
          const now = all.filter(({ startUs, lengthUs }) => startUs <= us && us < startUs + lengthUs);
          const pitches = now.map((one) => one.note);
          expect(at(0, us)).toBe(now.length > 0 ? Math.max(...pitches) : 0);
          expect(at(1, us)).toBe(now.length > 1 ? Math.min(...pitches) : 0);
        }
      }),
      { seed: 5, numRuns: runs(60) },
    );
  });
  it('ends with ten thousand notes at once, and with more than can be looked at', () => {
    const once = played(
      ...Array.from({ length: 10_000 }, (_, n): [number, number, number] => [0, 500, n % 128]),
    );
    expect(reduceNotes(once, 4).voices.map(({ kept }) => kept)).toEqual([1, 1, 1, 1]);
    const many = played(
      ...Array.from({ length: 30_000 }, (_, n): [number, number, number] => [n * 10, 500, n % 128]),
    );
    const { voices, dropped } = reduceNotes(many, 2);
    expect(voices[0]!.notes.length).toBeLessThanOrEqual(512);
    expect(dropped.beyond).toBeGreaterThan(29_000);
    expect(reduceNotes([], 2)).toMatchObject({ voices: [{ notes: [] }, { notes: [] }], shortened: 0 });
  });
});
