import * as z from 'zod';
import { wholeSchema } from '../gadget/index.ts';
import { comparisons, compares, defineExpectation } from '../output/index.ts';
import type { PitchEntry } from './sounding.ts';

/** 0: silent. */
export const tone = defineExpectation<PitchEntry>()({
  kind: 'tone',
  fields: { comparison: z.enum(comparisons), hz: wholeSchema(0, 20_000, 'Hz') },
  lanes: ['tone'],
  before: () => 0,
  value: ({ hz }) => hz,
  holds: ({ comparison, hz }, value) => compares(value, comparison, hz),
  seen: ({ hz }) => ({ comparison: '=', hz }),
});
