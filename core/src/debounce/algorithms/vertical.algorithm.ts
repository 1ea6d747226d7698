import * as z from 'zod';
import { wholeSchema } from '../../gadget/index.ts';
import { cHead, defineAlgorithm, samplesFor, within, type DebounceState } from '../algorithm.ts';

interface State extends DebounceState {
  /** Readings in a row that differed from the clean level. */
  count: number;
  turn: number;
}

const mostBits = 6;

export const vertical = defineAlgorithm<{ bits: number }, State>({
  id: 'vertical',
  title: 'Count a whole port at once (vertical counter)',
  doc: 'Every input of a port has a small counter, kept across a few words bit by bit: a change counts after 2, 4, 8 … readings in a row. The cheapest way for many inputs; pressing and letting go wait alike.',
  source: 'reckoning: contact, debounce, gesture (bit-parallel over a port)',
  school: 'wait-then-fire',
  params: z.strictObject({
    bits: wholeSchema(1, mostBits, 'bits').meta({ label: 'Bits of the counter', unit: 'bits' }),
  }),
  defaults: { bits: 3 },
  protecting: (pressUs, releaseUs, periodUs) => {
    const needed = samplesFor(Math.max(pressUs, releaseUs), periodUs);
    let bits = 1;
    while (2 ** bits < needed && bits < mostBits) bits += 1;
    return { bits: within(bits, 1, mostBits) };
  },
  settled: (level) => ({ level, sample: level, count: 0, turn: 0 }),
  step(state, { level: sample, turn }, { bits }) {
    const full = 2 ** bits;
    let { count, level } = state;
    const run = (read: 0 | 1, turns: number) => {
      count = read === level ? 0 : count + turns;
      if (count < full) return;
      count = 0;
      level = read;
    };
    const turns = Math.max(0, turn - state.turn);
    // Turns left out read what the last one read.
    if (turns > 1) run(state.sample, turns - 1);
    if (turns > 0) run(sample, 1);
    return { level, sample, count, turn };
  },
  nextUs({ level, sample, count }, { bits }, periodUs, nowUs) {
    return level === sample ? null : nowUs + (2 ** bits - count) * periodUs;
  },
  sweep({ clock, count, turn }, { bits }, out) {
    const full = 2 ** bits;
    let changes = 0;
    for (let n = 0; n < count; n += 1) {
      if ((n & 1) !== (changes & 1) || turn[n + 1]! - turn[n]! < full) continue;
      out.atUs[changes] = clock.atUs(turn[n]! + full - 1);
      changes += 1;
    }
    out.count = changes;
  },
  deafUntilUs: () => null,
  neededUs: ({ bits }, periodUs) => (2 ** bits + 1) * periodUs,
  floorUs: ({ bits }, periodUs) => {
    const us = (2 ** bits - 1) * periodUs;
    return { press: us, release: us };
  },
  cost: ({ bits }) => ({ bytes: 4 * (bits + 1), operations: 3 * bits + 3 }),
  c99: ({ bits }) => `${cHead}
#define BITS ${bits}

typedef struct { uint32_t level, plane[BITS]; } debounce_t;

/* Once per turn, for a port of up to 32 inputs, a bit each. Returns the clean levels. */
uint32_t debounce_step(debounce_t *d, uint32_t sample, uint32_t now_us) {
  (void)now_us;
  uint32_t differs = sample ^ d->level;
  uint32_t carry = differs;
  for (int i = 0; i < BITS; i++) {
    uint32_t sum = d->plane[i] ^ carry;
    carry &= d->plane[i];
    d->plane[i] = sum & differs; /* counters of inputs that agree again are cleared */
  }
  return d->level ^= carry;
}
`,
});
