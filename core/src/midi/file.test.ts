import fc from 'fast-check';
import { parseMidi, writeMidi, type MidiData } from 'midi-file';
import { readMidiFile, writeMidiFile, type FileEvent, type MidiFile } from './file.ts';
import { bentHz, received, silentReceiver } from './receiver.ts';
import { tuneFile } from './tuneFile.ts';

const bytesIn = ({ status, first, second }: Extract<FileEvent, { kind: 'channel' }>) =>
  second < 0 ? [status, first] : [status, first, second];
const bytesOf = (...parts: (string | number[])[]) =>
  Uint8Array.from(
    parts.flatMap((part) =>
      typeof part === 'string' ? [...part].map((letter) => letter.charCodeAt(0)) : part,
    ),
  );
const end = [0, 0xff, 0x2f, 0];
const withTrack = (track: number[], { format = 0, count = 1, division = [0, 96] } = {}) =>
  bytesOf(
    ...['MThd', [0, 0, 0, 6, 0, format, 0, count, ...division]],
    ...['MTrk', [0, 0, track.length >> 8, track.length & 255], track],
  );
const read = (bytes: Uint8Array): MidiFile => {
  const got = readMidiFile(bytes);
  if (got.outcome !== 'read') throw new Error(got.message);
  return got.file;
};

const delta = fc.oneof(fc.nat(200), fc.integer({ min: 0, max: 0x0fff_ffff }));
const seven = fc.nat(127);
const anyEvent: fc.Arbitrary<FileEvent> = fc.oneof(
  fc
    .tuple(delta, fc.integer({ min: 0x80, max: 0xef }), seven, seven)
    .map(([delta, status, first, second]) => ({
      delta,
      kind: 'channel' as const,
      status,
      first,
      second: status >> 5 === 6 ? -1 : second,
    })),
  fc.record({
    delta,
    kind: fc.constant('meta' as const),
    type: fc.constantFrom(0x01, 0x03, 0x06, 0x7f),
    data: fc.array(fc.nat(255), { maxLength: 200 }),
  }),
  fc.record({
    delta,
    kind: fc.constant('exclusive' as const),
    start: fc.constantFrom(0xf0 as const, 0xf7 as const),
    data: fc.array(fc.nat(255), { maxLength: 20 }),
  }),
);
const ended: FileEvent = { delta: 0, kind: 'meta', type: 0x2f, data: [] };
const anyFile: fc.Arbitrary<MidiFile> = fc
  .tuple(
    fc.constantFrom(0 as const, 1 as const),
    fc.integer({ min: 1, max: 0x7fff }),
    fc.array(fc.array(anyEvent, { maxLength: 30 }), { minLength: 1, maxLength: 4 }),
  )
  .map(([format, division, tracks]) => ({
    format,
    division,
    tracks: (format === 0 ? tracks.slice(0, 1) : tracks).map((events) => [...events, ended]),
  }));

describe('a Standard MIDI File', () => {
  it('is read with running status, numbers of several bytes, and chunks that nobody knows', () => {
    const track = [0, 0x90, 60, 100, 0x81, 0x48, 62, 90, 0x60, 0x80, 60, 0, ...end];
    const file = bytesOf(
      ...['MThd', [0, 0, 0, 6, 0, 1, 0, 1, 0x01, 0xe0]],
      ...['XXXX', [0, 0, 0, 2, 1, 2], 'MTrk', [0, 0, 0, track.length], track],
    );
    expect(read(file)).toEqual({
      format: 1,
      division: 480,
      tracks: [
        [
          { delta: 0, kind: 'channel', status: 0x90, first: 60, second: 100 },
          { delta: 200, kind: 'channel', status: 0x90, first: 62, second: 90 },
          { delta: 96, kind: 'channel', status: 0x80, first: 60, second: 0 },
          ended,
        ],
      ],
    });
  });

  it('comes back the same, written with running status and without', () => {
    fc.assert(
      fc.property(anyFile, fc.boolean(), (file, runningStatus) => {
        expect(read(writeMidiFile(file, { runningStatus }))).toEqual(file);
      }),
      { seed: 51, numRuns: 150 },
    );
  });

  it('that we write is read by another reader as the same, and what that one writes by us', () => {
    const theirs = ({ header, tracks }: MidiData) => ({
      division: header.ticksPerBeat,
      tracks: tracks.map((events) =>
        events.flatMap((event) => {
          const channel = (status: number, ...data: number[]) => [
            [event.deltaTime, status + (event as { channel: number }).channel, ...data],
          ];
          switch (event.type) {
            case 'noteOn':
              return channel(0x90, event.noteNumber, event.velocity);
            case 'noteOff':
              return event.byte9
                ? channel(0x90, event.noteNumber, 0)
                : channel(0x80, event.noteNumber, event.velocity);
            case 'controller':
              return channel(0xb0, event.controllerType, event.value);
            case 'programChange':
              return channel(0xc0, event.programNumber);
            case 'channelAftertouch':
              return channel(0xd0, event.amount);
            case 'noteAftertouch':
              return channel(0xa0, event.noteNumber, event.amount);
            case 'pitchBend':
              return channel(0xe0, (event.value + 8_192) & 127, (event.value + 8_192) >> 7);
            default:
              return [];
          }
        }),
      ),
    });
    const ours = ({ division, tracks }: MidiFile) => ({
      division,
      tracks: tracks.map((events) =>
        events.flatMap((event) => (event.kind === 'channel' ? [[event.delta, ...bytesIn(event)]] : [])),
      ),
    });
    fc.assert(
      fc.property(anyFile, fc.boolean(), (file, runningStatus) => {
        const bytes = writeMidiFile(file, { runningStatus });
        const other = parseMidi(bytes);
        expect(theirs(other)).toEqual(ours(file));
        expect(ours(read(Uint8Array.from(writeMidi(other, { running: true }))))).toEqual(ours(file));
      }),
      { seed: 52, numRuns: 100 },
    );
  });

  it.each([
    ['nothing', new Uint8Array(0), 'Expected a Standard MIDI File'],
    ['another file', bytesOf('RIFF', [0, 0, 0, 4]), 'begins with MThd'],
    ['a head that is cut off', bytesOf('MThd', [0, 0, 0, 6, 0]), 'where the data end'],
    ['another format', withTrack(end, { format: 7 }), 'Expected format 0, 1 or 2, got 7'],
    ['no ticks', withTrack(end, { division: [0, 0] }), 'at least one tick'],
    ['fewer tracks than it says', withTrack(end, { count: 3 }), 'Expected 3 tracks, got 1'],
    ['data without a status', withTrack([0, 60, 100]), 'Expected a status byte at byte 23, got 0x3c'],
    ['a message that is cut off', withTrack([0, 0x90, 60]), 'a number of a message at byte 25'],
    ['a status byte in a message', withTrack([0, 0x90, 60, 0x90]), 'below 128 at byte 25, got 144'],
    ['a clock in a file', withTrack([0, 0xf8]), 'got 0xf8, which no file has'],
    ['a time that never ends', withTrack([0x80, 0x80, 0x80, 0x80, 0]), 'of at most four bytes'],
    ['a text longer than the track', withTrack([0, 0xff, 1, 100, 65]), 'Expected 100 bytes of a meta event'],
    [
      'a track longer than the file',
      bytesOf('MThd', [0, 0, 0, 6, 0, 0, 0, 1, 0, 96], 'MTrk', [0xff, 0xff, 0xff, 0xff]),
      'Expected 4294967295 bytes',
    ],
  ])('with %s is refused, and says where', (_what, bytes, words) => {
    expect(readMidiFile(bytes)).toMatchObject({ outcome: 'faulty', message: expect.stringContaining(words) });
  });

  it('never throws, whatever it is', () => {
    const spoilt = fc
      .tuple(anyFile, fc.array(fc.tuple(fc.nat(400), fc.nat(255)), { maxLength: 8 }), fc.nat(400))
      .map(([file, changes, cut]) => {
        const bytes = writeMidiFile(file);
        for (const [at, byte] of changes) bytes[at % bytes.length] = byte;
        return cut % 3 === 0 ? bytes.slice(0, cut) : bytes;
      });
    fc.assert(
      fc.property(fc.oneof(spoilt, fc.uint8Array({ maxLength: 300 })), (bytes) => {
        const got = readMidiFile(bytes);
        if (got.outcome === 'faulty') expect(got.message).toMatch(/^Expected .*\.$/);
      }),
      { seed: 53, numRuns: 400 },
    );
  });

  it('is not written with a time that no file can hold', () => {
    const late: FileEvent = { delta: 0x1000_0000, kind: 'meta', type: 1, data: [] };
    expect(() => writeMidiFile({ format: 0, division: 96, tracks: [[late]] })).toThrow(RangeError);
  });
});

describe('a tune as a file', () => {
  /** What a receiver hears of it: from when to when, µs, at which pitch. */
  function heard({ division, tracks: [track] }: MidiFile) {
    const tempo = track!.find((event) => event.kind === 'meta' && event.type === 0x51) as {
      data: readonly number[];
    };
    const [a = 0, b = 0, c = 0] = tempo.data;
    const tickUs = (a * 65_536 + b * 256 + c) / division;
    let [receiver, atUs] = [silentReceiver, 0];
    const notes: [number, number, number][] = [];
    for (const event of track!) {
      atUs += event.delta * tickUs;
      if (event.kind !== 'channel') continue;
      receiver = received(receiver, bytesIn(event));
      const [sounding] = receiver.sounding;
      if (event.status === 0x90) notes.push([atUs, 0, bentHz(sounding!.note, receiver.channels['1']?.bend)]);
      if (event.status === 0x80) notes.at(-1)![1] = atUs;
    }
    return { notes, endUs: atUs };
  }

  it('is heard at its pitches and times: bent where no note is, silent in rests', () => {
    const tune = [
      { hz: 440, lengthUs: 250_000 },
      { hz: 0, lengthUs: 100_000 },
      { hz: 452, lengthUs: 33_300 },
      { hz: 262, lengthUs: 33_300 },
      { hz: 0, lengthUs: 400_000 },
    ];
    const { notes, endUs } = heard(read(writeMidiFile(tuneFile(tune))));
    expect(notes.map(([from, to]) => [from, to])).toEqual([
      [0, 250_000],
      [350_000, 383_000],
      [383_000, 417_000],
    ]);
    notes.forEach(([, , hz], n) => expect(hz / [440, 452, 262][n]!).toBeCloseTo(1, 4));
    expect(endUs).toBe(817_000);
  });

  it('never sums its roundings', () => {
    const odd = Array.from({ length: 400 }, () => ({ hz: 440, lengthUs: 33_333 }));
    expect(heard(tuneFile(odd)).endUs).toBe(13_333_000);
  });
});
