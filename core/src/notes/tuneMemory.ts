import type { Ornament, Tune, TuneNote } from '../gadget/index.ts';

/*
 * How a tune can lie in the memory of a program, byte by byte. Each way is written and read again, so that what it is
 * said to take is what it takes.
 */

/** What goes through a voice: notes and rests, one after the other. */
type Event = Pick<TuneNote, 'steps' | 'percent' | 'ornament'> & { note: number | null };

/** Bytes that are no notes. */
const marks = {
  rest: 0x80,
  slide: 0x81,
  vibrato: 0x82,
  arpeggio: 0x83,
  again: 0x84,
  loud: 0x85,
  end: 0xff,
} as const;

/** Notes with the rests between them. */
function eventsOf(notes: readonly TuneNote[]): Event[] {
  let at = 0;
  return notes.flatMap(({ at: begins, steps, note, percent, ornament }) => {
    const rest = begins - at;
    at = begins + steps;
    return [
      ...(rest > 0 ? [{ note: null, steps: rest, percent: 100, ornament: null }] : []),
      { note, steps, percent, ornament },
    ];
  });
}

function notesOf(events: readonly Event[]): TuneNote[] {
  let at = 0;
  return events.flatMap(({ note, steps, percent, ornament }) => {
    const begins = at;
    at += steps;
    return note === null ? [] : [{ at: begins, steps, note, percent, ornament }];
  });
}

/** Seven bits a byte, the last one below 128. */
const number = (value: number): number[] =>
  value < 0x80 ? [value] : [0x80 | (value & 0x7f), ...number(value >> 7)];

/** Reads bytes one after the other. */
class Bytes {
  private at = 0;
  private readonly bytes: readonly number[];
  constructor(bytes: readonly number[]) {
    this.bytes = bytes;
  }
  byte(): number {
    const byte = this.bytes[this.at];
    if (byte === undefined) throw new RangeError(`expected a byte at ${this.at}, got the end`);
    this.at += 1;
    return byte;
  }
  number(): number {
    const byte = this.byte();
    return byte < 0x80 ? byte : (byte & 0x7f) | (this.number() << 7);
  }
  list(length: number): number[] {
    return Array.from({ length }, () => this.byte());
  }
}

const signed = (byte: number): number => (byte > 127 ? byte - 256 : byte);

function ornamentBytes(ornament: Ornament | null): number[] {
  switch (ornament?.kind) {
    case undefined:
      return [];
    case 'slide':
      return [marks.slide, ...number(ornament.steps)];
    case 'vibrato':
      return [marks.vibrato, ornament.cents];
    case 'arpeggio':
      return [marks.arpeggio, ornament.above.length, ...ornament.above.map((up) => up & 0xff)];
  }
}

const eventBytes = ({ note, steps, percent, ornament }: Event): number[] => [
  ...(percent < 100 ? [marks.loud, percent] : []),
  ...ornamentBytes(ornament),
  note ?? marks.rest,
  ...number(steps),
];

function readEvent(bytes: Bytes, first: number): Event {
  let [byte, percent, ornament] = [first, 100, null as Ornament | null];
  if (byte === marks.loud) [percent, byte] = [bytes.byte(), bytes.byte()];
  if (byte === marks.slide) ornament = { kind: 'slide', steps: bytes.number() };
  else if (byte === marks.vibrato) ornament = { kind: 'vibrato', cents: bytes.byte() };
  else if (byte === marks.arpeggio)
    ornament = { kind: 'arpeggio', above: bytes.list(bytes.byte()).map(signed) };
  if (ornament) byte = bytes.byte();
  return { note: byte === marks.rest ? null : byte, steps: bytes.number(), percent, ornament };
}

interface Encoding {
  /** null: a voice that does not go into it. */
  write(notes: readonly TuneNote[]): number[] | null;
  read(bytes: readonly number[]): TuneNote[];
}

/** A byte for the note, one for its length, and more where it does more. */
const pairs: Encoding = {
  write: (notes) => [...eventsOf(notes).flatMap(eventBytes), marks.end],
  read(written) {
    const bytes = new Bytes(written);
    const events: Event[] = [];
    for (let first = bytes.byte(); first !== marks.end; first = bytes.byte())
      events.push(readEvent(bytes, first));
    return notesOf(events);
  },
};

/** What goes into five bits and into three. */
const [mostNotes, mostLengths] = [31, 8];

/** One byte: which of at most 31 notes, or none, and which of at most eight lengths. */
const single: Encoding = {
  write(notes) {
    const events = eventsOf(notes);
    const used = [...new Set(notes.map(({ note }) => note))].sort((a, b) => a - b);
    const lengths = [...new Set(events.map(({ steps }) => steps))].sort((a, b) => a - b);
    const plain = notes.every(({ percent, ornament }) => percent === 100 && ornament === null);
    if (!plain || used.length > mostNotes || lengths.length > mostLengths) return null;
    return [
      used.length,
      ...used,
      lengths.length,
      ...lengths.flatMap(number),
      ...number(events.length),
      ...events.map(
        ({ note, steps }) => ((note === null ? 0 : used.indexOf(note) + 1) << 3) | lengths.indexOf(steps),
      ),
    ];
  },
  read(written) {
    const bytes = new Bytes(written);
    const used = bytes.list(bytes.byte());
    const lengths = Array.from({ length: bytes.byte() }, () => bytes.number());
    return notesOf(
      bytes.list(bytes.number()).map((byte) => ({
        note: byte >> 3 === 0 ? null : used[(byte >> 3) - 1]!,
        steps: lengths[byte & 7]!,
        percent: 100,
        ornament: null,
      })),
    );
  },
};

/** A phrase shorter than this is not worth its mark; one longer, or further back, is not looked for: it would take long to. */
const [leastAgain, mostAgain, farthestBack] = [2, 64, 128];

/** As pairs; what was there before is named by where and how much of it. */
const phrases: Encoding = {
  write(notes) {
    const events = eventsOf(notes).map(eventBytes);
    const kinds = new Map<string, number>();
    const keys = events.map((one) => {
      const key = one.join();
      const kind = kinds.get(key) ?? kinds.size;
      kinds.set(key, kind);
      return kind;
    });
    const written: number[] = [];
    for (let at = 0; at < events.length;) {
      let [longest, back] = [0, 0];
      for (let from = Math.max(0, at - farthestBack); from < at; from += 1) {
        let same = 0;
        const most = Math.min(mostAgain, events.length - at, at - from);
        while (same < most && keys[from + same] === keys[at + same]) same += 1;
        if (same > longest) [longest, back] = [same, at - from];
      }
      const mark = [marks.again, ...number(back), ...number(longest)];
      const instead = events.slice(at, at + longest).flat().length;
      if (longest >= leastAgain && mark.length < instead) {
        written.push(...mark);
        at += longest;
      } else {
        written.push(...events[at]!);
        at += 1;
      }
    }
    return [...written, marks.end];
  },
  read(written) {
    const bytes = new Bytes(written);
    const events: Event[] = [];
    for (let first = bytes.byte(); first !== marks.end; first = bytes.byte()) {
      if (first !== marks.again) events.push(readEvent(bytes, first));
      else {
        const from = events.length - bytes.number();
        events.push(...events.slice(from, from + bytes.number()));
      }
    }
    return notesOf(events);
  },
};

export const tuneEncodings = { pairs, single, phrases } as const;
export type TuneEncoding = keyof typeof tuneEncodings;
const encodings = Object.entries(tuneEncodings) as [TuneEncoding, Encoding][];

/** Tempo, steps a beat, swing and how long notes are held; each section's length and times; where it goes on. */
const headBytes = ({ sections, voices }: Tune): number =>
  2 + 1 + 1 + 1 + (1 + 3 * sections.length) + 1 + (1 + 2 * voices.length);

export interface TuneMemory {
  /** By way of writing it; null: a voice does not go into it. */
  by: Readonly<Record<TuneEncoding, number | null>>;
  best: TuneEncoding;
  /** Of the best. */
  bytes: number;
}

const known = new WeakMap<Tune, TuneMemory>();

/** Bytes of the program that a tune takes, with what is said of it once and where its voices begin. */
export function tuneMemory(tune: Tune): TuneMemory {
  const measured = known.get(tune) ?? measure(tune);
  known.set(tune, measured);
  return measured;
}

function measure(tune: Tune): TuneMemory {
  const sizes = encodings.map(([id, { write }]) => {
    const voices = tune.voices.map(({ notes }) => write(notes)?.length ?? NaN);
    const bytes = headBytes(tune) + voices.reduce((sum, one) => sum + one, 0);
    return [id, Number.isNaN(bytes) ? null : bytes] as const;
  });
  const [best, bytes] = sizes.reduce((least, one) =>
    one[1] !== null && (least[1] === null || one[1] < least[1]) ? one : least,
  );
  return { by: Object.fromEntries(sizes) as Record<TuneEncoding, number | null>, best, bytes: bytes! };
}
