import * as z from 'zod';
import { cHead, defineAlgorithm } from '../algorithm.ts';

export const none = defineAlgorithm({
  id: 'none',
  title: 'As it comes (none)',
  doc: 'Every change that a turn reads counts. Only for contacts that are clean already.',
  source: 'reckoning: contact, debounce, gesture',
  school: 'none',
  params: z.strictObject({}),
  defaults: {},
  protecting: () => null,
  settled: (level) => ({ level, sample: level }),
  step: (_state, { level }) => ({ level, sample: level }),
  nextUs: () => null,
  sweep({ count, atUs }, _params, out) {
    out.count = count;
    for (let n = 0; n < count; n += 1) out.atUs[n] = atUs[n]!;
  },
  deafUntilUs: () => null,
  neededUs: (_params, periodUs) => periodUs,
  floorUs: () => ({ press: 0, release: 0 }),
  cost: () => ({ bytes: 4, operations: 1 }),
  c99: () => `${cHead}
typedef struct { uint32_t level; } debounce_t;

/* Once per turn; a bit per input. Returns the clean levels. */
uint32_t debounce_step(debounce_t *d, uint32_t sample, uint32_t now_us) {
  (void)now_us;
  return d->level = sample;
}
`,
});
