import * as z from 'zod';
import { wholeSchema } from '../gadget/index.ts';
import { comparisons, compares, defineExpectation } from '../output/index.ts';
import type { MotionEntry } from './moved.ts';

/** Where it was told to be, in degrees or percent. */
export const expectMoved = <K extends 'servo' | 'motor'>(kind: K) =>
  defineExpectation<MotionEntry>()({
    kind,
    fields: { comparison: z.enum(comparisons), to: wholeSchema(0, 360) },
    lanes: ['motion'],
    before: () => 0,
    value: ({ value }) => value,
    holds: ({ comparison, to }, value) => compares(value, comparison, to),
    seen: ({ value }) => ({ comparison: '=', to: value }),
  });
