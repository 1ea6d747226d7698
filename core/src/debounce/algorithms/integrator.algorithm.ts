import * as z from 'zod';
import { wholeSchema } from '../../gadget/index.ts';
import { defineAlgorithm, type DebounceState } from '../algorithm.ts';

interface State extends DebounceState {
  count: number;
  turn: number;
}

export const integrator = defineAlgorithm<{ steps: number }, State>({
  id: 'integrator',
  title: 'Count up and down (integrator)',
  doc: 'Each turn counts one up while closed, one down while open; the level changes at the top and at the bottom. Rides over bounce and short glitches alike.',
  source: 'reckoning: contact, debounce, gesture (two thresholds)',
  school: 'wait-then-fire',
  params: z.strictObject({
    steps: wholeSchema(1, 1_000, 'samples').meta({ label: 'Count to', unit: 'samples' }),
  }),
  defaults: { steps: 6 },
  protection: 'steps',
  settled: (level, { steps }) => ({ level, sample: level, count: level === 1 ? steps : 0, turn: 0 }),
  step(state, { level: sample, turn }, { steps }) {
    // Turns left out read what the last one read; count them before this one.
    const skipped = Math.max(0, turn - state.turn - 1);
    let { count, level } = state;
    const run = (toward: 0 | 1, by: number) => {
      count = Math.max(0, Math.min(steps, count + (toward === 1 ? by : -by)));
      if (count === steps) level = 1;
      else if (count === 0) level = 0;
    };
    if (skipped > 0) run(state.sample, skipped);
    if (turn > state.turn) run(sample, 1);
    return { level, sample, count, turn };
  },
  nextUs({ count, sample, level }, { steps }, periodUs, nowUs) {
    const left = sample === 1 ? steps - count : count;
    return level === sample || left === 0 ? null : nowUs + left * periodUs;
  },
  deafUntilUs: () => null,
  neededUs: ({ steps }, periodUs) => (steps + 1) * periodUs,
  cost: { bytes: 2, operations: 5 },
});
