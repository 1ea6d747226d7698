import * as z from 'zod';
import { defineAlgorithm } from '../algorithm.ts';

export const none = defineAlgorithm({
  id: 'none',
  title: 'As it comes (none)',
  doc: 'Every change that a turn reads counts. Only for contacts that are clean already.',
  source: 'reckoning: contact, debounce, gesture',
  school: 'none',
  params: z.strictObject({}),
  defaults: {},
  protection: null,
  settled: (level) => ({ level, sample: level }),
  step: (_state, { level }) => ({ level, sample: level }),
  nextUs: () => null,
  deafUntilUs: () => null,
  neededUs: (_params, periodUs) => periodUs,
  cost: { bytes: 1, operations: 1 },
});
