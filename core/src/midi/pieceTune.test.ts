import { tuneSchema, type Tune } from '../gadget/index.ts';
import { notesInTurn, tuneOf } from '../test/tunes.ts';
import { readMidiFile, writeMidiFile, type FileEvent, type MidiFile } from './file.ts';
import { notesOf } from './fileNotes.ts';
import { pieceTune, type PieceTune } from './pieceTune.ts';
import { performedFile } from './tuneFile.ts';

const note = (delta: number, pitch: number, length: number): FileEvent[] => [
  { delta, kind: 'channel', status: 0x90, first: pitch, second: 90 },
  { delta: length, kind: 'channel', status: 0x80, first: pitch, second: 0 },
];
const tempo = (delta: number, us: number): FileEvent => ({
  delta, kind: 'meta', type: 0x51, data: [us >> 16, (us >> 8) & 255, us & 255],
}); // prettier-ignore
const file = (...events: FileEvent[][]): MidiFile => ({
  format: 0,
  division: 96,
  tracks: [events.flat()],
});
const placed = ({ tune }: PieceTune) => tune.voices[0]!.notes.map((one) => [one.at, one.steps, one.note]);
const asTune = ({ tune }: PieceTune): Tune => ({
  ...tune,
  id: 'a1',
  voices: tune.voices.map((voice, n) => ({ ...voice, id: `h${n + 1}` })),
});

describe('a piece on a grid', () => {
  it('takes the coarsest grid that all its notes are near to, whatever its tempo', () => {
    const quarters = file(note(0, 60, 96), note(0, 62, 96));
    expect(pieceTune(quarters, 1, 'Storm').tune).toMatchObject({ stepsPerBeat: 1, beatsPerMinute: 120 });
    const triplets = pieceTune(file([tempo(0, 600_000)], note(0, 60, 32), note(0, 62, 32), note(0, 64, 32)), 1, 'Storm'); // prettier-ignore
    expect(triplets.tune).toMatchObject({ stepsPerBeat: 3, beatsPerMinute: 100 });
    expect(placed(triplets)).toEqual([[0, 1, 60], [1, 1, 62], [2, 1, 64]]); // prettier-ignore
    // Two that are near to one step need a finer grid.
    expect(pieceTune(file(note(0, 60, 2), note(0, 62, 94)), 1, 'Storm').tune.stepsPerBeat).toBe(24);
    // A hair beside a sixteenth is on it, and how far is said: 1 of 96 ticks of half a second.
    const human = pieceTune(file(note(1, 60, 20), note(4, 62, 20), note(3, 64, 90)), 1, 'Storm');
    expect(human.tune.stepsPerBeat).toBe(4);
    expect(human.movedUs).toBe(5_209);
  });

  it('says what had to move, what is left out, and which tempos there were', () => {
    // 6 of 96 ticks are 62.5 thousandths of a beat, a twelfth 83.3: 20.8 of half a second.
    const crooked = pieceTune(file(note(0, 60, 6), note(0, 62, 92), note(0, 64, 96), [tempo(0, 300_000)], note(0, 65, 96)), 1, 'Storm'); // prettier-ignore
    expect(crooked.tune.stepsPerBeat).toBe(12);
    expect(crooked.movedUs).toBe(10_417);
    expect(crooked.tempos).toEqual([120, 200]);
    const fast = pieceTune(file(note(0, 60, 1), note(0, 62, 1), note(0, 64, 96)), 1, 'Storm');
    expect(fast.dropped).toEqual({ drums: 0, between: 0, beyond: 0, crowded: 2 });
    // The longest of those on a step is what is left.
    expect(placed(fast)).toEqual([[0, 24, 64]]);
  });

  it('begins with the beat of its first note, and is a tune whatever comes', () => {
    const late = pieceTune(file(note(400, 60, 48), note(0, 62, 48)), 2, 'Storm');
    expect(placed(late)[0]![0]).toBeLessThan(late.tune.stepsPerBeat);
    const odd = [
      file(),
      file(note(0, 60, 9_000_000)),
      file([tempo(0, 1)], note(0, 60, 96)),
      file([tempo(0, 16_000_000)], note(0, 60, 96)),
      { ...file(note(0, 60, 30)), division: (256 - 25) * 256 + 40 },
    ];
    for (const one of odd) {
      const read = tuneSchema.safeParse(asTune(pieceTune(one, 2, 'Storm')));
      expect(read.error?.issues).toBeUndefined();
    }
  });
});

describe('a tune as a file', () => {
  const two = tuneOf(
    [
      notesInTurn([[2, 72], [2, 74], [4, 76, { kind: 'slide', steps: 2 }]]), // prettier-ignore
      notesInTurn([[8, 48, { kind: 'arpeggio', above: [7] }]]),
    ],
    { beatsPerMinute: 96 },
  );

  it('has a track for each voice, with its tempo and every note where it is', () => {
    const read = readMidiFile(writeMidiFile(performedFile({ ...two, name: 'Stürm' })));
    if (read.outcome !== 'read') throw new Error(read.message);
    expect(read.file).toMatchObject({ format: 1, division: 960 });
    expect(read.file.tracks).toHaveLength(3);
    // A step is 60 s / (96 × 4).
    expect(notesOf(read.file).map((one) => [one.startUs, one.lengthUs, one.note, one.channel])).toEqual([
      [0, 312_500, 72, 1],
      [0, 1_250_000, 55, 2],
      [0, 1_250_000, 48, 2],
      [312_500, 312_500, 74, 1],
      [625_000, 625_000, 76, 1],
    ]);
    const named = read.file.tracks[0]!.find((event) => event.kind === 'meta' && event.type === 3);
    expect(named).toMatchObject({ data: [83, 116, 0xc3, 0xbc, 114, 109] });
  });

  it('comes back as it was', () => {
    const melody = notesInTurn([[2, 72], [1, null], [1, 74, null, 35], [3, 74], [1, 76, null, 1]]); // prettier-ignore
    const back = pieceTune(performedFile(tuneOf([melody], { beatsPerMinute: 150 })), 1, 'Storm');
    expect(back.tune).toMatchObject({ beatsPerMinute: 150, stepsPerBeat: 4 });
    expect(back.tune.voices[0]!.notes).toEqual(melody);
    expect(back).toMatchObject({ movedUs: 0, shortened: 0, dropped: { between: 0, beyond: 0 } });
  });
});
