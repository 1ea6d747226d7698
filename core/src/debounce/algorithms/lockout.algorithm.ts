import * as z from 'zod';
import { wholeSchema } from '../../gadget/index.ts';
import { cHead, defineAlgorithm, within, type DebounceState } from '../algorithm.ts';

interface State extends DebounceState {
  deafUntilUs: number;
}

const longestUs = 1_000_000;

export const lockout = defineAlgorithm<{ lockUs: number; releaseUs: number }, State>({
  id: 'lockout',
  title: 'Fire, then ignore (lockout for T)',
  doc: 'The first change counts at once, then nothing is read for the whole time. As quick as can be; a glitch counts too.',
  source: 'reckoning: contact, debounce, gesture',
  school: 'fire-then-ignore',
  params: z.strictObject({
    lockUs: wholeSchema(0, longestUs, 'µs').meta({ label: 'Ignore after a press', unit: 'µs' }),
    releaseUs: wholeSchema(0, longestUs, 'µs').meta({ label: 'Ignore after letting go', unit: 'µs' }),
  }),
  defaults: { lockUs: 12_000, releaseUs: 12_000 },
  protecting: (pressUs, releaseUs) => ({
    lockUs: within(pressUs, 0, longestUs),
    releaseUs: within(releaseUs, 0, longestUs),
  }),
  settled: (level) => ({ level, sample: level, deafUntilUs: 0 }),
  step(state, { level, atUs }, { lockUs, releaseUs }) {
    if (level === state.level || atUs < state.deafUntilUs) return { ...state, sample: level };
    return { level, sample: level, deafUntilUs: atUs + (level === 1 ? lockUs : releaseUs) };
  },
  nextUs: ({ level, sample, deafUntilUs }) => (level === sample ? null : deafUntilUs),
  sweep({ clock, count, turn, atUs }, { lockUs, releaseUs }, out) {
    let changes = 0;
    let deafUntilUs = 0;
    for (let n = 0; n < count; n += 1) {
      if ((n & 1) !== (changes & 1)) continue;
      let us = atUs[n]!;
      if (us < deafUntilUs) {
        const due = clock.turnFrom(deafUntilUs);
        if (due >= turn[n + 1]!) continue;
        us = clock.atUs(due);
      }
      out.atUs[changes] = us;
      changes += 1;
      deafUntilUs = us + ((n & 1) === 0 ? lockUs : releaseUs);
    }
    out.count = changes;
  },
  deafUntilUs: ({ deafUntilUs }, nowUs) => (deafUntilUs > nowUs ? deafUntilUs : null),
  port: {
    stirredBy: 'change',
    disturbed: (state, nowUs, { lockUs }) => ({
      ...state,
      deafUntilUs: Math.max(state.deafUntilUs, nowUs + lockUs),
    }),
  },
  neededUs: (_params, periodUs) => periodUs,
  floorUs: () => ({ press: 0, release: 0 }),
  cost: () => ({ bytes: 13, operations: 5 }),
  c99: ({ lockUs, releaseUs }) => `${cHead}
#define LOCK_US ${lockUs}u
#define RELEASE_US ${releaseUs}u

typedef struct { uint32_t level, since_us, deaf_us; bool deaf; } debounce_t;

/* Once per turn; one debounce_t per input, or one for a whole port. Returns the clean levels. */
uint32_t debounce_step(debounce_t *d, uint32_t sample, uint32_t now_us) {
  if (d->deaf && (uint32_t)(now_us - d->since_us) >= d->deaf_us) d->deaf = false;
  if (sample != d->level && !d->deaf) {
    d->deaf_us = (sample & ~d->level) ? LOCK_US : RELEASE_US;
    d->since_us = now_us;
    d->deaf = true;
    d->level = sample;
  }
  return d->level;
}
`,
});
