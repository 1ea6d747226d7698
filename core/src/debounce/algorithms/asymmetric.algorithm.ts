import * as z from 'zod';
import { wholeSchema } from '../../gadget/index.ts';
import { cHead, defineAlgorithm, within, type DebounceState } from '../algorithm.ts';

interface State extends DebounceState {
  /** When the sample last began to read open while the clean level is pressed; -1: it does not. */
  sinceUs: number;
}

const longestUs = 1_000_000;

export const asymmetric = defineAlgorithm<{ releaseUs: number }, State>({
  id: 'asymmetric',
  title: 'Press at once, let go when steady (asymmetric)',
  doc: 'A press counts with its first reading, letting go only after the contact has been open for the whole time. Quick to press and deaf to bounce at both ends; a glitch counts as a press.',
  source: 'reckoning: contact, debounce, gesture (press at once, release when stable)',
  school: 'fire-then-ignore',
  params: z.strictObject({
    releaseUs: wholeSchema(0, longestUs, 'µs').meta({ label: 'Open for, letting go', unit: 'µs' }),
  }),
  defaults: { releaseUs: 10_000 },
  protecting: (pressUs, releaseUs) => ({ releaseUs: within(Math.max(pressUs, releaseUs), 0, longestUs) }),
  settled: (level) => ({ level, sample: level, sinceUs: -1 }),
  step(state, { level: sample, atUs }, { releaseUs }) {
    if (sample === 1) return { level: 1, sample, sinceUs: -1 };
    if (state.level === 0) return { level: 0, sample, sinceUs: -1 };
    const sinceUs = state.sinceUs < 0 ? atUs : state.sinceUs;
    if (atUs - sinceUs < releaseUs) return { level: 1, sample, sinceUs };
    return { level: 0, sample, sinceUs: -1 };
  },
  nextUs: ({ sinceUs }, { releaseUs }) => (sinceUs < 0 ? null : sinceUs + releaseUs),
  sweep({ clock, count, turn, atUs }, { releaseUs }, out) {
    let changes = 0;
    for (let n = 0; n < count; n += 1) {
      if ((n & 1) !== (changes & 1)) continue;
      if ((n & 1) === 0) {
        out.atUs[changes] = atUs[n]!;
        changes += 1;
        continue;
      }
      const due = clock.turnFrom(atUs[n]! + releaseUs);
      if (due >= turn[n + 1]!) continue;
      out.atUs[changes] = clock.atUs(due);
      changes += 1;
    }
    out.count = changes;
  },
  deafUntilUs: () => null,
  port: {
    stirredBy: 'reading',
    disturbed: (state, nowUs) => (state.sinceUs < 0 ? state : { ...state, sinceUs: nowUs }),
  },
  neededUs: (_params, periodUs) => periodUs,
  floorUs: ({ releaseUs }) => ({ press: 0, release: releaseUs }),
  cost: () => ({ bytes: 6, operations: 5 }),
  c99: ({ releaseUs }) => `${cHead}
#define RELEASE_US ${releaseUs}u

typedef struct { uint32_t since_us; bool level, opening; } debounce_t;

/* Once per turn; one debounce_t per input. Returns the clean level. */
uint32_t debounce_step(debounce_t *d, uint32_t sample, uint32_t now_us) {
  if (sample) {
    d->level = true;
    d->opening = false;
  } else if (d->level) {
    if (!d->opening) {
      d->opening = true;
      d->since_us = now_us;
    }
    if ((uint32_t)(now_us - d->since_us) >= RELEASE_US) d->level = d->opening = false;
  }
  return d->level;
}
`,
});
