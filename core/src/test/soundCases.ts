import type { Board, Gadget, OutputOf, Samples, Snag, Tune } from '../gadget/index.ts';
import { boards } from '../wiring/index.ts';
import { outputOf, toldGadget } from './toldGadget.ts';
import { notesInTurn, tuneOf } from './tunes.ts';
import { gadgetOf, to, wired } from './wiringFixtures.ts';

export type Tone = OutputOf<'tone'>;

/** A piezo on a board that is told something. */
export function sounding(
  told: string,
  boardId: string | null,
  patch: Partial<Tone> = {},
  tunes: Tune[] = [],
): Gadget {
  const piezo = { ...(outputOf('tone', 'Piezo') as Tone), ...patch };
  const gadget = toldGadget(piezo, [[10, told]], [], tunes);
  return { ...gadget, wiring: { ...gadget.wiring, boardId } };
}

/** The usual first board: its tones come from a timer of eight bits. */
export const small = 'board-8bit-20';

/** 512 notes that never come again, on a board of a thousand bytes. */
function tooLong(): Gadget {
  const notes = notesInTurn(Array.from({ length: 512 }, (_, n) => [1 + ((n * n * 5) >> 4) % 13, (n * n * 3 + (n >> 3)) % 97])); // prettier-ignore
  const cut = notes.filter(({ at, steps }) => at + steps <= 1_024);
  const gadget = sounding('Piezo perform Storm', 'tiny', {}, [tuneOf([cut])]);
  const board = { ...boards.find(({ id }) => id === small)!, id: 'tiny', name: 'Tiny', flashBytes: 200 };
  return { ...gadget, wiring: { ...gadget.wiring, boards: [board] } };
}

/** A speaker whose pin plays samples, led to that pin. */
export function sampling(
  pin: string,
  samples: Partial<Samples> = {},
  patch: Partial<OutputOf<'player'>> = {},
  board: Partial<Board> = {},
): Gadget {
  const gadget = wired(gadgetOf(small, ['pulse-speaker']));
  const own = { ...boards.find(({ id }) => id === small)!, id: 'own', name: 'Own', ...board };
  return {
    ...to(gadget, 'p1', 'in', pin),
    wiring: { ...to(gadget, 'p1', 'in', pin).wiring, boards: [own], boardId: 'own' },
    outputs: gadget.outputs.map((output) =>
      output.kind === 'player' && output.samples
        ? { ...output, name: 'Rain', ...patch, samples: { ...output.samples, ...samples } }
        : output,
    ),
  };
}

/** Rule, a gadget that has the snag, part of what it says, and whether its mend must clear it. */
export const soundSnagCases: [string, string, Gadget, Partial<Snag>, boolean][] = [
  [
    'N01',
    'a pitch that eight bits come 11 cents below',
    // N 32 counts 73.5 to 74: 3,378.38 Hz.
    sounding('Piezo tune 3000 100 ms, 3400 100 ms', small),
    {
      level: 'likely',
      place: { kind: 'part', id: 'p1' },
      values: {
        name: 'Piezo',
        timer: 'T2',
        bits: 8,
        hz: 3_400,
        givesCentiHz: 337_838,
        tenthCents: -110,
        pitches: 1,
        of: 2,
      },
    },
    false,
  ],
  [
    'N02',
    'pitches that a sounder cannot give',
    sounding('Piezo tune 100 50 ms, 440 50 ms, 9000 50 ms', null),
    {
      level: 'likely',
      place: { kind: 'part', id: 'p1' },
      values: { name: 'Piezo', hz: 100, heldHz: 200, pitches: 2, lowHz: 200, highHz: 4_000 },
    },
    false,
  ],
  [
    'N05',
    'a piezo at the ear',
    sounding('Piezo tone 440', null, { nearCm: 2 }),
    {
      level: 'note',
      place: { kind: 'part', id: 'p1' },
      // 14 dB more than at five times the distance.
      values: { name: 'Piezo', db: 99, nearCm: 2, loudDb: 85, harmsDb: 85, farCm: 10 },
    },
    false,
  ],
  [
    'N03',
    'a tune of two voices on a sounder that has one',
    // The bass begins under the melody and ends with it; its second note is heard alone.
    sounding('Piezo perform Storm', null, {}, [
      tuneOf([notesInTurn([[4, 72], [4, null], [4, 76]]), notesInTurn([[4, 60], [4, 55], [2, 57]])]), // prettier-ignore
    ]),
    {
      level: 'likely',
      place: { kind: 'tune', id: 'a1' },
      values: { name: 'Storm', sounder: 'Piezo', voices: 2, notes: 5, unheard: 2 },
    },
    true,
  ],
  [
    'N06',
    'tunes that are more than the board has for programs',
    tooLong(),
    {
      level: 'stop',
      place: { kind: 'tune', id: 'a1' },
      values: {
        name: 'Storm',
        bytes: 306,
        tunes: 1,
        tunesBytes: 306,
        sounds: 0,
        soundsBytes: 0,
        used: 306,
        of: 200,
        board: 'Tiny',
      },
    },
    false,
  ],
  [
    'N06',
    'sounds that are more than the board has for programs',
    // 7,812.5 samples a second for five seconds, rounded up, a byte each; the other a tenth of that.
    sampling(
      'P11',
      {},
      {
        files: [
          { number: 1, name: 'Drops', lengthUs: 500_000 },
          { number: 2, name: 'Gutter', lengthUs: 5_000_000 },
        ],
      },
    ),
    {
      level: 'stop',
      place: { kind: 'output', id: 'o1' },
      values: {
        name: 'Gutter',
        bytes: 39_063,
        tunes: 0,
        tunesBytes: 0,
        sounds: 2,
        soundsBytes: 42_970,
        used: 42_970,
        of: 32_768,
        board: 'Own',
      },
    },
    false,
  ],
  [
    'N09',
    'pulses of ten bits, which a clock of 16 MHz gives fifteen thousand times a second',
    sampling('P11', { bits: 10 }),
    {
      level: 'likely',
      place: { kind: 'part', id: 'p1' },
      values: {
        name: 'Rain',
        reason: 'heard',
        bits: 10,
        rateHz: 8_000,
        carrierHz: 15_625,
        heardHz: 20_000,
        timer: 'T1',
        timerBits: 16,
      },
    },
    true,
  ],
  [
    'N09',
    'pulses of ten bits from a pin whose timer counts eight',
    sampling('P3', { bits: 10 }),
    { level: 'stop', values: expect.objectContaining({ reason: 'timer', timer: 'T0', timerBits: 8 }) },
    true,
  ],
  [
    'N09',
    'a clock too slow for the samples',
    sampling('P3', {}, {}, { clockHz: 1_000_000 }),
    { level: 'stop', values: expect.objectContaining({ reason: 'slow', carrierHz: 3_906 }) },
    // Of four bits, 62,500 pulses a second.
    true,
  ],
  [
    'N05',
    'a speaker of samples beside the ear',
    sampling('P3', {}, { nearCm: 5 }),
    {
      level: 'likely',
      place: { kind: 'part', id: 'p1' },
      values: { name: 'Rain', db: 101, nearCm: 5, loudDb: 95, harmsDb: 85, farCm: 32 },
    },
    false,
  ],
  [
    'N08',
    'a file that is not on the card of its player',
    toldGadget(outputOf('player', 'Storm'), [[10, 'Storm play 4']]),
    {
      level: 'likely',
      place: { kind: 'rule', id: 'r1' },
      values: { name: 'Storm', state: 'All', number: 4, files: 1 },
    },
    false,
  ],
];
