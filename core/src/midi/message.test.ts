import { midiMessages } from '../gadget/index.ts';
import { carriedBy, dataBytes, isMessage, kindOfStatus, messageBytes, mostOf, numbersOf } from './message.ts';
import { bytesOnWire, wireUs } from './wire.ts';

describe('a message of a channel', () => {
  // MIDI 1.0, table of channel voice messages.
  it.each([
    ['noteOff', 1, 60, 64, [0x80, 60, 64]],
    ['noteOn', 16, 127, 1, [0x9f, 127, 1]],
    ['keyPressure', 2, 60, 99, [0xa1, 60, 99]],
    ['control', 3, 7, 100, [0xb2, 7, 100]],
    ['program', 10, 5, 77, [0xc9, 5]],
    ['pressure', 4, 90, 77, [0xd3, 90]],
    ['bend', 1, 8_192, 77, [0xe0, 0, 64]],
    ['bend', 1, 16_383, 0, [0xe0, 127, 127]],
    ['bend', 5, 300, 0, [0xe4, 300 & 127, 300 >> 7]],
  ] as const)(
    '%s on channel %i is written as the standard has it',
    (message, channel, first, second, bytes) => {
      expect(messageBytes(message, channel, first, second)).toEqual(bytes);
      expect(kindOfStatus(bytes[0])).toBe(message);
      expect(dataBytes(bytes[0])).toBe(bytes.length - 1);
      expect(carriedBy(bytes)).toEqual([first, numbersOf(message) === 2 ? second : 0, channel]);
    },
  );

  it('holds its numbers inside what they can be', () => {
    expect(messageBytes('control', 1, -3, 900)).toEqual([0xb0, 0, 127]);
    expect(messageBytes('bend', 1, 20_000, 0)).toEqual([0xe0, 127, 127]);
    expect(messageBytes('bend', 1, -1, 0)).toEqual([0xe0, 0, 0]);
  });

  it('is heard by who waits for it, on that channel and with that number', () => {
    for (const message of midiMessages) {
      const number = Math.min(100, mostOf(message));
      const bytes = messageBytes(message, 3, number, 50);
      const heard = midiMessages.filter((kind) =>
        isMessage(bytes, { message: kind, channel: 3, number: null }),
      );
      expect(heard).toEqual([message]);
      expect(isMessage(bytes, { message, channel: null, number })).toBe(true);
      expect(isMessage(bytes, { message, channel: 4, number })).toBe(false);
      expect(isMessage(bytes, { message, channel: 3, number: number + 1 })).toBe(false);
    }
    expect(isMessage([0xe0, 0, 64], { message: 'bend', channel: 1, number: 8_192 })).toBe(true);
    // A note-on at velocity 0 is a note-off.
    expect(isMessage([0x90, 60, 0], { message: 'noteOff', channel: 1, number: 60 })).toBe(true);
    expect(isMessage([0x90, 60, 0], { message: 'noteOn', channel: 1, number: 60 })).toBe(false);
  });
});

describe('the wire', () => {
  const chord = [60, 64, 67, 71, 74, 77].map((note) => messageBytes('noteOn', 1, note, 100));

  it('takes 5.76 ms for a chord of six, and 4.16 ms with running status', () => {
    // reckoning, MIDI.
    expect(wireUs(chord, false)).toBe(5_760);
    expect(wireUs(chord, true)).toBe(4_160);
    expect(wireUs([], true)).toBe(0);
  });

  it('carries the status byte again where it is another', () => {
    expect(bytesOnWire([0x90, 60, 100], 0x90, true)).toBe(2);
    expect(bytesOnWire([0x91, 60, 100], 0x90, true)).toBe(3);
    expect(bytesOnWire([0x90, 60, 100], 0x90, false)).toBe(3);
    expect(bytesOnWire([0xc0, 5], 0xc0, true)).toBe(1);
  });
});
