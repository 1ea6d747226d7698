import * as z from 'zod';
import { wholeSchema } from '../../gadget/index.ts';
import { cHead, defineAlgorithm, within, type DebounceState } from '../algorithm.ts';

interface State extends DebounceState {
  /** Read again from then on; -1: not waiting. */
  againUs: number;
}

const longestUs = 1_000_000;

export const blocking = defineAlgorithm<{ waitUs: number; releaseUs: number }, State>({
  id: 'blocking',
  title: 'Stop, wait, look again (blocking delay)',
  doc: 'A change stops the whole loop for the time, then the contact is read once more. Easy to write; everything else stands still meanwhile, other inputs too.',
  source: 'reckoning: contact, debounce, gesture (blocking wait and re-read)',
  school: 'wait-then-fire',
  params: z.strictObject({
    waitUs: wholeSchema(0, longestUs, 'µs').meta({ label: 'Stand still, pressing', unit: 'µs' }),
    releaseUs: wholeSchema(0, longestUs, 'µs').meta({ label: 'Stand still, letting go', unit: 'µs' }),
  }),
  defaults: { waitUs: 10_000, releaseUs: 10_000 },
  protecting: (pressUs, releaseUs) => ({
    waitUs: within(pressUs, 0, longestUs),
    releaseUs: within(releaseUs, 0, longestUs),
  }),
  settled: (level) => ({ level, sample: level, againUs: -1 }),
  step(state, { level: sample, atUs }, { waitUs, releaseUs }) {
    if (state.againUs < 0) {
      const lengthUs = sample === 1 ? waitUs : releaseUs;
      if (sample === state.level) return { ...state, sample };
      if (lengthUs > 0) return { level: state.level, sample, againUs: atUs + lengthUs };
      return { level: sample, sample, againUs: -1 };
    }
    return atUs < state.againUs ? { ...state, sample } : { level: sample, sample, againUs: -1 };
  },
  nextUs: ({ againUs }) => (againUs < 0 ? null : againUs),
  sweep({ clock, count, turn, atUs }, { waitUs, releaseUs }, out) {
    let changes = 0;
    let n = 0;
    while (n < count) {
      if ((n & 1) !== (changes & 1)) {
        n += 1;
        continue;
      }
      const again = clock.turnFrom(atUs[n]! + ((n & 1) === 0 ? waitUs : releaseUs));
      // Whatever came and went meanwhile was not read.
      while (n + 1 < count && turn[n + 1]! <= again) n += 1;
      if ((n & 1) === (changes & 1)) {
        out.atUs[changes] = clock.atUs(again);
        changes += 1;
      }
      n += 1;
    }
    out.count = changes;
  },
  deafUntilUs: () => null,
  standsUntilUs: ({ againUs }) => (againUs < 0 ? null : againUs),
  port: {
    stirredBy: 'reading',
    disturbed: (state, nowUs, { waitUs }) =>
      state.againUs < 0 && waitUs > 0 ? { ...state, againUs: nowUs + waitUs } : state,
  },
  neededUs: ({ waitUs }, periodUs) => waitUs + 2 * periodUs,
  floorUs: ({ waitUs, releaseUs }) => ({ press: waitUs, release: releaseUs }),
  cost: () => ({ bytes: 4, operations: 3 }),
  c99: ({ waitUs, releaseUs }) => `${cHead}
#define WAIT_US ${waitUs}u
#define RELEASE_US ${releaseUs}u

extern void wait_us(uint32_t us); /* stands still */
extern uint32_t read_pins(void);

typedef struct { uint32_t level; } debounce_t;

/* Once per turn; one debounce_t per input, or one for a whole port. Returns the clean levels. */
uint32_t debounce_step(debounce_t *d, uint32_t sample, uint32_t now_us) {
  (void)now_us;
  if (sample == d->level) return d->level;
  uint32_t length_us = (sample & ~d->level) ? WAIT_US : RELEASE_US;
  if (length_us > 0) {
    wait_us(length_us);
    sample = read_pins();
  }
  return d->level = sample;
}
`,
});
