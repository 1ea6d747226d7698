import * as z from 'zod';
import { constant, expression, outputDocument } from '../gadget/outputDocument.ts';
import { wholeSchema } from '../gadget/primitives.schema.ts';

export const midiMessages = ['noteOn', 'noteOff', 'control', 'program'] as const;

/** Notes, controllers and programs go out. */
export const midi = outputDocument(
  'midi',
  {},
  {
    /** note and velocity, controller and value, or program alone; each held inside 0 to 127. */
    midi: {
      message: constant(z.enum(midiMessages)),
      channel: constant(wholeSchema(1, 16)),
      first: expression,
      second: expression,
    },
  },
  { reaches: 'machines', fresh: () => ({}) },
);

export type MidiMessage = (typeof midiMessages)[number];
