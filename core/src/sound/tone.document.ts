import * as z from 'zod';
import { limits } from '../gadget/limits.ts';
import { constant, expression, outputDocument } from '../gadget/outputDocument.ts';
import { durationUsSchema, wholeSchema } from '../gadget/primitives.schema.ts';

const noteSchema = z.strictObject({
  hz: wholeSchema(0, limits.toneHz, 'Hz'),
  lengthUs: durationUsSchema(1_000),
});

export const tone = outputDocument(
  'tone',
  {
    /** Lowest and highest pitch the sounder gives; a request outside is held at the nearer end. */
    lowHz: wholeSchema(1, limits.toneHz, 'Hz'),
    highHz: wholeSchema(1, limits.toneHz, 'Hz'),
    /** What the board's timer gives for it, or just what is asked. */
    pitched: z.enum(['timer', 'exact']),
  },
  {
    /** Length 0: until silenced or replaced. */
    tone: { hz: expression, lengthUs: constant(durationUsSchema()) },
    /** Notes one after the other; hz 0 is a rest. */
    tune: {
      notes: constant(z.array(noteSchema).min(1, 'expected at least one note').max(limits.tuneNotes)),
    },
    silence: {},
  },
  {
    reaches: 'ears',
    fresh: () => ({ lowHz: 200, highHz: 4_000, pitched: 'timer' }),
    check: (schema) =>
      schema.refine(({ lowHz, highHz }) => lowHz <= highHz, {
        path: ['highHz'],
        message: 'expected no less than lowHz',
      }),
  },
);

export type Note = z.infer<typeof noteSchema>;
export type Tone = z.infer<typeof tone.schema>;
