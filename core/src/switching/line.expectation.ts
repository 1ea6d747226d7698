import * as z from 'zod';
import { lineLevels } from '../gadget/index.ts';
import { defineExpectation } from '../output/index.ts';
import type { SwitchedEntry } from './line.output.ts';

/** On a carrier or not, on is on. */
export const line = defineExpectation<SwitchedEntry>()({
  kind: 'line',
  fields: { level: z.enum(lineLevels) },
  lanes: ['switched'],
  before: ({ powerUp }) => powerUp,
  value: ({ level }) => level,
  holds: ({ level }, value) => value === level,
  seen: ({ level }) => ({ level }),
});
