import * as z from 'zod';
import { limits } from '../gadget/limits.ts';
import { constant, expression, outputDocument } from '../gadget/outputDocument.ts';
import { durationUsSchema, nameSchema, wholeSchema } from '../gadget/primitives.schema.ts';

const fileSchema = z.strictObject({
  /** What it is told by, and what its name on the card begins with. */
  number: wholeSchema(1, 255),
  name: nameSchema,
  lengthUs: durationUsSchema(1_000),
});

/** Bytes of an order to a player of files. Source: the usual frame of such modules, begin and check sum included. */
const orderBytes = 10;

/** Bits of a sample that a pin’s pulses have; each is stored as so many: what fits no byte takes two. */
export const sampleBits = [4, 8, 10] as const;

const samplesSchema = z.strictObject({
  /** Samples a second that are asked for: what comes of it is a whole part of the carrier. */
  rateHz: wholeSchema(4_000, 48_000, 'Hz'),
  bits: z.literal(sampleBits),
});

/** Plays files of a card by their numbers, some while after it was told. */
export const player = outputDocument(
  'player',
  {
    files: z
      .array(fileSchema)
      .max(limits.files, `expected at most ${limits.files} files`)
      .refine(
        (files) => new Set(files.map(({ number }) => number)).size === files.length,
        'expected each number once',
      ),
    /** How long an order is on its way. */
    tellUs: durationUsSchema(),
    /** From an order to the sound. */
    startUs: durationUsSchema(),
    /** They lie in the program, and a pin plays them by the width of its pulses; null: a module plays them from its card. */
    samples: samplesSchema.nullable(),
    /** How near the nearest ear comes to it. */
    nearCm: wholeSchema(1, 1_000, 'cm'),
  },
  {
    /** From its beginning, once or over and over; what played before is over. One that there is not changes nothing. */
    playFile: { number: expression, again: constant(z.boolean()) },
    stopFile: {},
    /** How loud, held inside 0 to 100 %. */
    loudFile: { percent: expression },
  },
  {
    reaches: 'ears',
    // What is smoothed by a filter comes from a pin, and nothing has to be told over a line.
    fresh: ({ baud = 9_600, startUs = 150_000, filterHz }) => ({
      files: [{ number: 1, name: 'First sound', lengthUs: filterHz === undefined ? 2_000_000 : 500_000 }] as {
        number: number;
        name: string;
        lengthUs: number;
      }[],
      tellUs: filterHz === undefined ? Math.round((orderBytes * 10 * 1_000_000) / Math.max(1, baud)) : 0,
      startUs: filterHz === undefined ? startUs : 0,
      samples: (filterHz === undefined ? null : { rateHz: 8_000, bits: 8 }) as Samples | null,
      nearCm: 40,
    }),
    follows: () => ['tellUs', 'startUs'],
  },
);

export type Samples = z.infer<typeof samplesSchema>;
export type Player = z.infer<typeof player.schema>;
export type SoundFile = Player['files'][number];
