import * as z from 'zod';
import { constant, expression, length, outputDocument } from '../gadget/outputDocument.ts';
import { nameSchema } from '../gadget/primitives.schema.ts';

export const lineLevels = ['on', 'off', 'open'] as const;

/** A line that is on or off, or lets go: a relay, a transistor, a shutter, a module with a sound of its own. */
export const line = outputDocument(
  'line',
  {
    /** What it switches, as people call it. */
    switches: z.union([nameSchema, z.literal('')]),
    /** On is a low line. */
    inverted: z.boolean(),
    /** What it is from power-up until it is told. */
    powerUp: z.enum(lineLevels),
  },
  {
    /** `open`: the line lets go, and whatever else is on it decides. */
    switch: { to: constant(z.enum(lineLevels)) },
    /** So for a length, then back to the other; another order ends it. */
    pulse: { to: constant(z.enum(['on', 'off'])), length },
    /** On and off at a carrier's pace, held inside 1 Hz to 1 MHz, for a length; then off. */
    burst: { carrierHz: expression, length },
  },
  {
    reaches: 'motion',
    fresh: ({ inverted = 0 }) => ({ switches: '', inverted: inverted > 0, powerUp: 'off' }),
  },
);

export type LineLevel = (typeof lineLevels)[number];
