import * as z from 'zod';
import { defineExpectation } from '../output/index.ts';
import type { LightEntry } from './light.output.ts';

export const light = defineExpectation<LightEntry>()({
  kind: 'light',
  fields: { mode: z.enum(['on', 'off', 'blink', 'fade', 'level', 'pattern']) },
  lanes: ['light'],
  before: () => 'off',
  value: (entry) => (entry.lane === 'light' ? entry.light.mode : undefined),
  holds: ({ mode }, value) => value === mode,
  seen: (entry) => (entry.lane === 'light' ? { mode: entry.light.mode } : null),
});
