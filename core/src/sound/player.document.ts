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
    fresh: ({ baud = 9_600, startUs = 150_000 }) => ({
      files: [{ number: 1, name: 'First sound', lengthUs: 2_000_000 }] as {
        number: number;
        name: string;
        lengthUs: number;
      }[],
      tellUs: Math.round((orderBytes * 10 * 1_000_000) / Math.max(1, baud)),
      startUs,
    }),
    follows: () => ['tellUs', 'startUs'],
  },
);

export type Player = z.infer<typeof player.schema>;
export type SoundFile = Player['files'][number];
