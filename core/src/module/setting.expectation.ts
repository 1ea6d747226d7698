import * as z from 'zod';
import { int32Schema } from '../gadget/index.ts';
import { comparisons, compares, defineExpectation } from '../output/index.ts';
import type { SettingEntry } from './setting.output.ts';

/** What the module has taken. */
export const setting = defineExpectation<SettingEntry>()({
  kind: 'setting',
  fields: { comparison: z.enum(comparisons), to: int32Schema },
  lanes: ['setting'],
  before: ({ start }) => start,
  value: (entry) => (entry.what === 'is' ? entry.value : undefined),
  holds: ({ comparison, to }, value) => compares(value, comparison, to),
  seen: ({ what, value }) => (what === 'is' ? { comparison: '=', to: value } : null),
});
