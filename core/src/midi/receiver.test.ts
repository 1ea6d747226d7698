import fc from 'fast-check';
import { midiMessages } from '../gadget/index.ts';
import { messageBytes } from './message.ts';
import { noteName } from '../notes/index.ts';
import { bentHz, channelOf, received, silentReceiver, type Receiver } from './receiver.ts';

const after = (...messages: number[][]): Receiver => messages.reduce(received, silentReceiver);
const notes = ({ sounding }: Receiver) => sounding.map(({ channel, note }) => [channel, note]);
const on = (note: number, channel = 1, velocity = 100) => messageBytes('noteOn', channel, note, velocity);
const off = (note: number, channel = 1) => messageBytes('noteOff', channel, note, 0);
const control = (number: number, value: number, channel = 1) =>
  messageBytes('control', channel, number, value);

describe('what receives MIDI', () => {
  it('sounds a note until it is ended: by a note-off, a velocity of 0, or all notes off, on its own channel', () => {
    expect(notes(after(on(60), on(64), on(60, 2)))).toEqual([
      [1, 60],
      [1, 64],
      [2, 60],
    ]);
    expect(notes(after(on(60), on(60, 2), off(60)))).toEqual([[2, 60]]);
    expect(notes(after(on(60), on(60, 1, 0)))).toEqual([]);
    for (const ends of [120, 123])
      expect(notes(after(on(60), on(60, 2), control(ends, 0)))).toEqual([[2, 60]]);
    // Begun again it is one note, with the velocity that came last.
    expect(after(on(60, 1, 20), on(60, 1, 90)).sounding).toEqual([
      { channel: 1, note: 60, velocity: 90, kept: false },
    ]);
    expect(after(off(60))).toEqual(silentReceiver);
  });

  it('holds what was let go as long as the pedal is down', () => {
    const held = after(control(64, 127), on(60), off(60), on(62));
    expect(notes(held)).toEqual([
      [1, 60],
      [1, 62],
    ]);
    expect(notes(received(held, control(64, 0)))).toEqual([[1, 62]]);
    expect(notes(received(held, control(121, 0)))).toEqual([[1, 62]]);
    expect(notes(received(held, control(64, 0, 2)))).toHaveLength(2);
  });

  it('remembers program, volume and bend of each channel', () => {
    const told = after(messageBytes('program', 3, 40, 0), control(7, 20, 3), messageBytes('bend', 3, 0, 0));
    expect(channelOf(told, 3)).toEqual({ program: 40, volume: 20, bend: 0, pedal: false });
    expect(channelOf(told, 1)).toEqual({ program: 0, volume: 100, bend: 8_192, pedal: false });
    expect(channelOf(received(told, control(121, 0, 3)), 3)).toMatchObject({ bend: 8_192, volume: 20 });
  });

  it('names notes and knows their pitch', () => {
    expect([0, 60, 61, 69, 127].map(noteName)).toEqual(['C-1', 'C4', 'C♯4', 'A4', 'G9']);
    // reckoning, Sound: note 60 is 261.63 Hz.
    expect(bentHz(60)).toBeCloseTo(261.63, 2);
    expect(bentHz(69)).toBe(440);
    // Bent all the way down: two semitones.
    expect(bentHz(69, 0)).toBeCloseTo(bentHz(67), 9);
  });

  it('never sounds more than was begun, and nothing after all notes off with no pedal', () => {
    const any = fc
      .tuple(
        fc.constantFrom(...midiMessages),
        fc.integer({ min: 1, max: 2 }),
        fc.integer({ min: 58, max: 66 }),
        fc.nat(127),
      )
      .map((message) => messageBytes(...message));
    fc.assert(
      fc.property(fc.array(any, { maxLength: 60 }), (messages) => {
        const now = after(...messages);
        const begun = new Set(
          messages.flatMap(([status, note, velocity]) =>
            status! >> 4 === 9 && velocity! > 0 ? [`${(status! & 15) + 1} ${note}`] : [],
          ),
        );
        for (const { channel, note } of now.sounding) expect(begun).toContain(`${channel} ${note}`);
        expect(new Set(notes(now).map(String)).size).toBe(now.sounding.length);
        expect(notes([1, 2].reduce((is, channel) => received(is, control(123, 0, channel)), now))).toEqual(
          [],
        );
        expect(JSON.parse(JSON.stringify(now))).toEqual(now);
      }),
      { seed: 31, numRuns: 200 },
    );
  });
});
