import fc from 'fast-check';
import { readStream, streamAtRest } from './stream.ts';

/** What is read, as text. */
function read(...pieces: ArrayLike<number>[]): string[] {
  const state = streamAtRest();
  const told: string[] = [];
  const hex = (...bytes: number[]) => bytes.filter((byte) => byte >= 0).map((byte) => byte.toString(16));
  for (const piece of pieces)
    readStream(piece, state, {
      message: (status, first, second) => told.push(hex(status, first, second).join(' ')),
      realTime: (status) => told.push(`! ${status.toString(16)}`),
      exclusive: (bytes, whole) => told.push(`exclusive ${bytes}${whole ? '' : ', cut'}`),
    });
  return told;
}

/**
 * A plain reader, written from the standard's own words and slowly: it takes real-time bytes out first, cuts the rest
 * before each status byte, and looks at each piece by itself.
 */
function plainly(bytes: readonly number[]): string[] {
  const told: { at: number; text: string }[] = [];
  const say = (at: number, ...numbers: number[]) =>
    told.push({ at, text: numbers.map((number) => number.toString(16)).join(' ') });
  const rest: { byte: number; at: number }[] = [];
  bytes.forEach((byte, at) => {
    if (byte < 0xf8) rest.push({ byte, at });
    else if ([0xf8, 0xfa, 0xfb, 0xfc, 0xfe, 0xff].includes(byte))
      told.push({ at, text: `! ${byte.toString(16)}` });
  });
  const pieces: { byte: number; at: number }[][] = [];
  for (const one of rest)
    if (one.byte >= 0x80) pieces.push([one]);
    else pieces.at(-1)?.push(one);
  pieces.forEach(([head, ...data], n) => {
    const status = head!.byte;
    const size = { 0x80: 2, 0x90: 2, 0xa0: 2, 0xb0: 2, 0xc0: 1, 0xd0: 1, 0xe0: 2 }[status & 0xf0];
    if (size !== undefined) {
      for (let at = size; at <= data.length; at += size) {
        const numbers = data.slice(at - size, at);
        say(numbers.at(-1)!.at, status, ...numbers.map(({ byte }) => byte));
      }
    } else if (status === 0xf0) {
      const end = pieces[n + 1]?.[0];
      if (end) told.push({ at: end.at, text: `exclusive ${data.length}${end.byte === 0xf7 ? '' : ', cut'}` });
    } else if (status === 0xf6) say(head!.at, status);
    else if (status === 0xf2 && data.length >= 2) say(data[1]!.at, status, data[0]!.byte, data[1]!.byte);
    else if ((status === 0xf1 || status === 0xf3) && data.length >= 1)
      say(data[0]!.at, status, data[0]!.byte);
  });
  // A status byte that cuts an exclusive off may be a message by itself: the cut is told first.
  return told
    .map((one, n) => ({ ...one, n, cut: one.text.startsWith('exclusive') ? 0 : 1 }))
    .sort((a, b) => a.at - b.at || a.cut - b.cut || a.n - b.n)
    .map(({ text }) => text);
}

/** Bytes as wires have them: mostly messages, now and then anything. */
const wire = fc
  .array(
    fc.oneof(
      { weight: 4, arbitrary: fc.tuple(fc.integer({ min: 0x80, max: 0xef }), fc.nat(127), fc.nat(127)) },
      { weight: 3, arbitrary: fc.array(fc.nat(127), { maxLength: 5 }) },
      { weight: 2, arbitrary: fc.tuple(fc.integer({ min: 0xf0, max: 0xff })) },
      { weight: 1, arbitrary: fc.array(fc.nat(255), { maxLength: 6 }) },
    ),
    { maxLength: 40 },
  )
  .map((pieces) => pieces.flat());

describe('a stream of MIDI', () => {
  it('is read with running status, and with real-time bytes in the middle of a message', () => {
    expect(read([0x90, 60, 100, 64, 100, 0xf8, 67, 0xfe, 100])).toEqual([
      '90 3c 64',
      '90 40 64',
      '! f8',
      '! fe',
      '90 43 64',
    ]);
  });

  it.each(Array.from({ length: 128 }, (_, n) => n + 0x80))('reads behind status byte %i', (status) => {
    const bytes = [status, 1, 2, 3, 4, 0xf7, 5, 6];
    expect(read(bytes)).toEqual(plainly(bytes));
  });

  it('counts what a system exclusive has between its ends, and tells where one was cut off', () => {
    expect(read([0xf0, 1, 2, 0xf8, 3, 0xf7])).toEqual(['! f8', 'exclusive 3']);
    expect(read([0xf0, 1, 0x90, 60, 100])).toEqual(['exclusive 1, cut', '90 3c 64']);
    // It ends what was running: data behind it have no status.
    expect(read([0x90, 60, 100, 0xf0, 0xf7, 62, 100])).toEqual(['90 3c 64', 'exclusive 0']);
  });

  it('passes over data without a status, and a message that another cuts off', () => {
    expect(read([1, 2, 3, 0x90, 60, 0x80, 60, 0])).toEqual(['80 3c 0']);
    expect(read([0xf4, 1, 0xf5, 2, 0xf9, 0xfd])).toEqual([]);
  });

  it('is the same in whatever pieces it comes, and as a plain reader has it', () => {
    fc.assert(
      fc.property(wire, fc.array(fc.nat(100)), (bytes, cuts) => {
        const whole = read(bytes);
        expect(whole).toEqual(plainly(bytes));
        const at = [0, ...cuts.map((cut) => Math.min(cut, bytes.length)).sort((a, b) => a - b), bytes.length];
        expect(read(...at.slice(1).map((to, n) => bytes.slice(at[n], to)))).toEqual(whole);
        expect(read(...bytes.map((byte) => [byte]))).toEqual(whole);
      }),
      { seed: 21, numRuns: 400 },
    );
  });

  it('never throws, whatever comes', () => {
    fc.assert(
      fc.property(fc.uint8Array({ maxLength: 300 }), (bytes) => {
        expect(read(bytes)).toEqual(plainly([...bytes]));
      }),
      { seed: 22, numRuns: 300 },
    );
  });
});
