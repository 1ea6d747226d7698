import * as z from 'zod';
import { constant, expression, outputDocument, rows } from '../gadget/outputDocument.ts';
import { limits } from '../gadget/limits.ts';
import { channelsSchema, wholeSchema } from '../gadget/primitives.schema.ts';

/** All messages of a channel. */
export const midiMessages = [
  'noteOn',
  'noteOff',
  'control',
  'program',
  'bend',
  'pressure',
  'keyPressure',
] as const;

/** Messages of no channel that keep machines in step: a clock of 24 a quarter note, and what begins and ends it. */
export const syncMessages = ['clock', 'start', 'continue', 'stop'] as const;
/** Whatever can be waited for. */
export const heardMessages = [...midiMessages, ...syncMessages] as const;
export const isSync = (message: HeardMessage): message is SyncMessage =>
  (syncMessages as readonly string[]).includes(message);

/**
 * What of that which comes in goes out as well, behind what is on its way: nothing; messages of channels; or everything,
 * clocks and system exclusives too.
 */
export const passings = ['nothing', 'channels', 'everything'] as const;

/** Messages that say one number alone. */
export const singleMessages: ReadonlySet<MidiMessage> = new Set(['program', 'bend', 'pressure']);

/** How messages get there: by a serial wire at 31,250 baud, in packets over USB, or without taking any time. */
export const midiTransports = ['wire', 'usb', 'free'] as const;

/**
 * What happens to a message for which the queue has no room: the loop waits until it has; that message is lost; or those
 * that waited longest are. With *merge* a value takes the place of an older one that waits and would have moved the same
 * thing, room or not, and the loop waits for what is left.
 */
export const midiOverloads = ['wait', 'newest', 'oldest', 'merge'] as const;

/** When a note that several keys hold ends: with the first of them that is let go, or with the last. */
export const sharedEnds = ['first', 'last'] as const;

/** What a press of a key does whose notes sound on: they are struck anew, or let go, and a third strikes them again. */
export const pressedAgain = ['strike', 'letGo'] as const;

/** Notes, controllers and programs go out. */
export const midi = outputDocument(
  'midi',
  {
    transport: z.enum(midiTransports),
    /** On a wire, a status byte that is the same as the one before is left out. */
    runningStatus: z.boolean(),
    /** Bytes that wait behind what is on its way. */
    queueBytes: wholeSchema(3, 4_096, 'bytes'),
    overload: z.enum(midiOverloads),
    shared: z.enum(sharedEnds),
    passes: z.enum(passings),
    /** Of messages of channels only those; none: all sixteen. */
    passedChannels: channelsSchema,
  },
  {
    /**
     * note and velocity, controller and value, note and pressure; or one number alone: program, pressure, or how far a
     * bend is, 0 to 16383 with 8192 for none. Each is held inside what it can be.
     */
    midi: {
      message: constant(z.enum(midiMessages)),
      channel: constant(wholeSchema(1, 16)),
      first: expression,
      second: expression,
    },
    /**
     * The notes of a row of a list or table begin, held by a key: it ends just those, whatever has changed since. A cell
     * outside 0 to 127 is no note; `by` moves the others, in semitones. The velocity is held inside 1 to 127.
     */
    play: {
      channel: constant(wholeSchema(1, 16)),
      key: expression,
      variableId: rows,
      row: expression,
      by: expression,
      velocity: expression,
      again: constant(z.enum(pressedAgain)),
    },
    letGo: { key: expression },
    /** Whatever keys hold ends. */
    letAllGo: {},
    /** From now on that goes on of what comes in. What ends something that went on always does. */
    pass: { what: constant(z.enum(passings)) },
    sync: { what: constant(z.enum(syncMessages)) },
    /** A controller from 0 to 31 in steps of 1/16384: its upper seven bits, and its lower ones as controller + 32. */
    fine: { channel: constant(wholeSchema(1, 16)), controller: expression, value: expression },
    /** System exclusive: what stands between its ends. */
    exclusive: {
      bytes: constant(
        z
          .array(wholeSchema(0, 127))
          .min(1, 'expected at least one byte')
          .max(limits.exclusiveBytes, `expected at most ${limits.exclusiveBytes} bytes`),
      ),
    },
  },
  {
    reaches: 'machines',
    fresh: ({ frameUs }) => ({
      transport: frameUs === undefined ? 'wire' : 'usb',
      runningStatus: false,
      queueBytes: 64,
      overload: 'wait',
      shared: 'last',
      passes: 'nothing',
      passedChannels: [] as number[],
    }),
    follows: () => ['transport'],
  },
);

export type MidiMessage = (typeof midiMessages)[number];
export type SyncMessage = (typeof syncMessages)[number];
export type HeardMessage = (typeof heardMessages)[number];
export type Passing = (typeof passings)[number];
export type MidiTransport = (typeof midiTransports)[number];
export type MidiOverload = (typeof midiOverloads)[number];
export type Midi = z.infer<typeof midi.schema>;
