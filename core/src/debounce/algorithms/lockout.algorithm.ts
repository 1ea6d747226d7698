import * as z from 'zod';
import { wholeSchema } from '../../gadget/index.ts';
import { defineAlgorithm, type DebounceState } from '../algorithm.ts';

interface State extends DebounceState {
  deafUntilUs: number;
}

export const lockout = defineAlgorithm<{ lockUs: number }, State>({
  id: 'lockout',
  title: 'Fire, then ignore (lockout for T)',
  doc: 'The first change counts at once, then nothing is read for the whole time. As quick as can be; a glitch counts too.',
  source: 'reckoning: contact, debounce, gesture',
  school: 'fire-then-ignore',
  params: z.strictObject({
    lockUs: wholeSchema(0, 1_000_000, 'µs').meta({ label: 'Ignore for', unit: 'µs' }),
  }),
  defaults: { lockUs: 12_000 },
  protection: 'lockUs',
  settled: (level) => ({ level, sample: level, deafUntilUs: 0 }),
  step(state, { level, atUs }, { lockUs }) {
    if (level === state.level || atUs < state.deafUntilUs) return { ...state, sample: level };
    return { level, sample: level, deafUntilUs: atUs + lockUs };
  },
  nextUs: ({ level, sample, deafUntilUs }) => (level === sample ? null : deafUntilUs),
  deafUntilUs: ({ deafUntilUs }, nowUs) => (deafUntilUs > nowUs ? deafUntilUs : null),
  neededUs: (_params, periodUs) => periodUs,
  cost: { bytes: 5, operations: 5 },
});
