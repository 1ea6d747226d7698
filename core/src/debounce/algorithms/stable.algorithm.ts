import * as z from 'zod';
import { wholeSchema } from '../../gadget/index.ts';
import { cHead, defineAlgorithm, within, type DebounceState } from '../algorithm.ts';

interface State extends DebounceState {
  /** When the sample last began to differ from the clean level; -1: it does not. */
  sinceUs: number;
}

const longestUs = 1_000_000;

export const stable = defineAlgorithm<{ settleUs: number; releaseUs: number }, State>({
  id: 'stable',
  title: 'Wait until steady (stable for T)',
  doc: 'A change counts once it has been read without a break for the whole time. Immune to glitches, late by that time.',
  source: 'reckoning: contact, debounce, gesture',
  school: 'wait-then-fire',
  params: z.strictObject({
    settleUs: wholeSchema(0, longestUs, 'µs').meta({ label: 'Steady for, pressing', unit: 'µs' }),
    releaseUs: wholeSchema(0, longestUs, 'µs').meta({ label: 'Steady for, letting go', unit: 'µs' }),
  }),
  defaults: { settleUs: 8_000, releaseUs: 8_000 },
  protecting: (pressUs, releaseUs) => ({
    settleUs: within(pressUs, 0, longestUs),
    releaseUs: within(releaseUs, 0, longestUs),
  }),
  settled: (level) => ({ level, sample: level, sinceUs: -1 }),
  step(state, { level, atUs }, params) {
    if (level === state.level) return { level, sample: level, sinceUs: -1 };
    const sinceUs = state.sinceUs < 0 ? atUs : state.sinceUs;
    const waitUs = level === 1 ? params.settleUs : params.releaseUs;
    if (atUs - sinceUs < waitUs) return { level: state.level, sample: level, sinceUs };
    return { level, sample: level, sinceUs: -1 };
  },
  nextUs: ({ sinceUs, level }, { settleUs, releaseUs }) =>
    sinceUs < 0 ? null : sinceUs + (level === 0 ? settleUs : releaseUs),
  sweep({ clock, count, turn, atUs }, { settleUs, releaseUs }, out) {
    let changes = 0;
    for (let n = 0; n < count; n += 1) {
      // Stretch n reads 1 where n is even, and so differs where as many changes were made.
      if ((n & 1) !== (changes & 1)) continue;
      const due = clock.turnFrom(atUs[n]! + ((n & 1) === 0 ? settleUs : releaseUs));
      if (due < turn[n + 1]!) {
        out.atUs[changes] = clock.atUs(due);
        changes += 1;
      }
    }
    out.count = changes;
  },
  deafUntilUs: () => null,
  port: {
    stirredBy: 'reading',
    disturbed: (state, nowUs) => (state.sinceUs < 0 ? state : { ...state, sinceUs: nowUs }),
  },
  neededUs: ({ settleUs }, periodUs) => settleUs + 2 * periodUs,
  floorUs: ({ settleUs, releaseUs }) => ({ press: settleUs, release: releaseUs }),
  cost: () => ({ bytes: 13, operations: 6 }),
  c99: ({ settleUs, releaseUs }) => `${cHead}
#define SETTLE_US ${settleUs}u
#define RELEASE_US ${releaseUs}u

typedef struct { uint32_t level, seen, since_us; bool waiting; } debounce_t;

/* Once per turn; one debounce_t per input, or one for a whole port. Returns the clean levels. */
uint32_t debounce_step(debounce_t *d, uint32_t sample, uint32_t now_us) {
  if (sample == d->level) {
    d->waiting = false;
    return d->level;
  }
  if (!d->waiting || sample != d->seen) {
    d->waiting = true;
    d->seen = sample;
    d->since_us = now_us;
  }
  uint32_t wait_us = (sample & ~d->level) ? SETTLE_US : RELEASE_US;
  if ((uint32_t)(now_us - d->since_us) >= wait_us) {
    d->level = sample;
    d->waiting = false;
  }
  return d->level;
}
`,
});
