import * as z from 'zod';
import { contactSchema } from './contact.schema.ts';
import { limits } from './limits.ts';
import {
  durationUsSchema,
  idSchema,
  int32Schema,
  keySchema,
  nameSchema,
  wholeSchema,
} from './primitives.schema.ts';

/** How resistance runs along a track: evenly, or as a part for loudness has it, or the other way round. */
export const tapers = ['linear', 'log', 'reverseLog'] as const;
export type Taper = (typeof tapers)[number];

/** How the firmware reads an encoder. */
export const encoderReadingSchema = z.strictObject({
  /** Table-driven quadrature, or the common shortcut: on an edge of one channel, look at the other. */
  method: z.enum(['table', 'edge']),
  /** Counts that make one step; 4 is a whole cycle of both channels. */
  countsPerStep: z.literal([1, 2, 4], 'expected 1, 2 or 4 counts'),
  /** The channels are exchanged in software. */
  reversed: z.boolean(),
  /** Steps closer together than `fromUs` count more than once, the quicker the more, up to `most`. */
  faster: z.strictObject({ fromUs: durationUsSchema(1_000), most: wholeSchema(2, 100) }).nullable(),
});

export const encoderSchema = z.strictObject({
  id: idSchema,
  kind: z.literal('encoder'),
  name: nameSchema,
  /** Keyboard key that turns it clockwise by one detent, and the one that turns it back. */
  key: keySchema,
  backKey: keySchema,
  /** Of each channel. */
  contact: contactSchema,
  reading: encoderReadingSchema,
});

/** What a voltage that a knob, a stick or a sensor gives is like, as the converter sees it. In millionths of full scale. */
const wiperSchema = z.strictObject({
  /** The converter's resolution. */
  bits: wholeSchema(6, 16),
  /** Of reference and converter, r.m.s. */
  noisePpm: wholeSchema(0, 100_000, 'ppm'),
  /** Jumps of a dirty track while it is turned: chance of each reading, and how far at most. */
  cracklePerMille: wholeSchema(0, 1_000, '‰'),
  cracklePpm: wholeSchema(0, 500_000, 'ppm'),
  /** The supply gives way by so much while a light or sounder is on. */
  sagPpm: wholeSchema(0, 200_000, 'ppm'),
});

/** How the firmware makes a value of it. Counts are those of the converter. */
export const knobReadingSchema = z
  .strictObject({
    everyUs: durationUsSchema(100),
    filter: z.enum(['none', 'mean', 'exponential', 'median']),
    /** Readings that the filter looks at; for the exponential one, the weight is 1 in so many. */
    readings: wholeSchema(1, 64),
    /** A step is left only when the count goes so far beyond its edge. */
    hysteresisCounts: wholeSchema(0, 10_000),
    /** Counts at both ends that belong to the end. */
    endBandCounts: wholeSchema(0, 20_000),
    /** Counts on each side of the middle that belong to the middle. */
    centreBandCounts: wholeSchema(0, 20_000),
    /** Counts that the ends really give (calibration). */
    lowCount: wholeSchema(0, 65_535),
    highCount: wholeSchema(1, 65_535),
    reversed: z.boolean(),
    /** The part's taper is undone before anything else. */
    straighten: z.boolean(),
    /** Even; fine steps at the low end (level by ear, rates); fine at the high end. */
    curve: z.enum(['even', 'fineLow', 'fineHigh']),
    /** What the ends stand for, and how many different values there are. */
    low: int32Schema,
    high: int32Schema,
    steps: wholeSchema(2, 65_536),
  })
  .refine(({ lowCount, highCount }) => lowCount < highCount, {
    path: ['highCount'],
    message: 'expected more than at the low end',
  })
  .refine(({ low, high }) => low < high, { path: ['high'], message: 'expected more than the low value' });

export const knobSchema = z.strictObject({
  id: idSchema,
  kind: z.literal('knob'),
  name: nameSchema,
  key: keySchema,
  backKey: keySchema,
  /** What turns: a knob stays where it is; an axis returns to the middle by itself. */
  returns: z.boolean(),
  /** What it sets: decides which taper suits (F08). */
  sets: z.enum(['position', 'level', 'rate', 'number']),
  wiper: wiperSchema,
  reading: knobReadingSchema,
});

/** A remote or word receiver: a code for each key or word. */
export const codesSchema = z.strictObject({
  id: idSchema,
  kind: z.literal('codes'),
  name: nameSchema,
  /** Plays the first code. */
  key: keySchema,
  codes: z
    .array(
      z.strictObject({
        id: idSchema,
        name: nameSchema,
        /** As the receiver writes it. */
        code: wholeSchema(0, 4_294_967_295),
        /** Of a thousand, so many are taken for another of the list. */
        wrongPerMille: wholeSchema(0, 1_000, '‰'),
        /** From key or word to code. */
        latencyUs: durationUsSchema(),
      }),
    )
    .max(limits.codes),
  /** A held key sends its code again so often. */
  repeatsEveryUs: durationUsSchema(1_000),
  /** The same code again within this time is the same press still held. */
  heldGapUs: durationUsSchema(1_000),
});

export type Encoder = z.infer<typeof encoderSchema>;
export type EncoderReading = z.infer<typeof encoderReadingSchema>;
export type Knob = z.infer<typeof knobSchema>;
export type Wiper = z.infer<typeof wiperSchema>;
export type KnobReading = z.infer<typeof knobReadingSchema>;
export type Codes = z.infer<typeof codesSchema>;
