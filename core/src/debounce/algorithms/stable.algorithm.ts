import * as z from 'zod';
import { wholeSchema } from '../../gadget/index.ts';
import { defineAlgorithm, type DebounceState } from '../algorithm.ts';

interface State extends DebounceState {
  /** When the sample last began to differ from the clean level; -1: it does not. */
  sinceUs: number;
}

export const stable = defineAlgorithm<{ settleUs: number }, State>({
  id: 'stable',
  title: 'Wait until steady (stable for T)',
  doc: 'A change counts once it has been read without a break for the whole time. Immune to glitches, late by that time.',
  source: 'reckoning: contact, debounce, gesture',
  school: 'wait-then-fire',
  params: z.strictObject({
    settleUs: wholeSchema(0, 1_000_000, 'µs').meta({ label: 'Steady for', unit: 'µs' }),
  }),
  defaults: { settleUs: 8_000 },
  protection: 'settleUs',
  settled: (level) => ({ level, sample: level, sinceUs: -1 }),
  step(state, { level, atUs }, { settleUs }) {
    if (level === state.level) return { level, sample: level, sinceUs: -1 };
    const sinceUs = state.sinceUs < 0 ? atUs : state.sinceUs;
    if (atUs - sinceUs < settleUs) return { level: state.level, sample: level, sinceUs };
    return { level, sample: level, sinceUs: -1 };
  },
  nextUs: ({ sinceUs }, { settleUs }) => (sinceUs < 0 ? null : sinceUs + settleUs),
  deafUntilUs: () => null,
  neededUs: ({ settleUs }, periodUs) => settleUs + 2 * periodUs,
  cost: { bytes: 5, operations: 6 },
});
