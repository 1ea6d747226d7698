import * as z from 'zod';
import { wholeSchema } from '../../gadget/index.ts';
import { cHead, defineAlgorithm, samplesFor, within, type DebounceState } from '../algorithm.ts';

interface State extends DebounceState {
  /** Readings in a row that were like the last one, counted up to the register's length. */
  alike: number;
  turn: number;
}

/** Bits of the register. */
const register = 32;
const samples = (text: string) => wholeSchema(1, register, 'samples').meta({ label: text, unit: 'samples' });

export const history = defineAlgorithm<{ pressSamples: number; releaseSamples: number }, State>({
  id: 'history',
  title: 'Look back at the last readings (history register)',
  doc: 'The last readings are kept as bits; a press counts when the newest ones are all closed, letting go when they are all open. Cheap on any processor, up to 32 readings.',
  source: 'reckoning: contact, debounce, gesture (last n samples match a pattern)',
  school: 'wait-then-fire',
  params: z.strictObject({
    pressSamples: samples('All closed, pressing'),
    releaseSamples: samples('All open, letting go'),
  }),
  defaults: { pressSamples: 8, releaseSamples: 8 },
  protecting: (pressUs, releaseUs, periodUs) => ({
    pressSamples: within(samplesFor(pressUs, periodUs), 1, register),
    releaseSamples: within(samplesFor(releaseUs, periodUs), 1, register),
  }),
  settled: (level) => ({ level, sample: level, alike: register, turn: 0 }),
  step(state, { level: sample, turn }, { pressSamples, releaseSamples }) {
    const turns = Math.max(0, turn - state.turn);
    let { alike, level } = state;
    // Turns left out read what the last one read.
    if (turns > 1) alike = Math.min(register, alike + turns - 1);
    if (turns > 0) alike = sample === state.sample ? Math.min(register, alike + 1) : 1;
    if (sample === 1 && alike >= pressSamples) level = 1;
    else if (sample === 0 && alike >= releaseSamples) level = 0;
    return { level, sample, alike, turn };
  },
  nextUs({ level, sample, alike }, { pressSamples, releaseSamples }, periodUs, nowUs) {
    const left = (sample === 1 ? pressSamples : releaseSamples) - alike;
    return level === sample || left <= 0 ? null : nowUs + left * periodUs;
  },
  sweep({ clock, count, turn, atUs }, { pressSamples, releaseSamples }, out) {
    let changes = 0;
    for (let n = 0; n < count; n += 1) {
      if ((n & 1) !== (changes & 1)) continue;
      const needed = (n & 1) === 0 ? pressSamples : releaseSamples;
      if (turn[n + 1]! - turn[n]! < needed) continue;
      out.atUs[changes] = needed === 1 ? atUs[n]! : clock.atUs(turn[n]! + needed - 1);
      changes += 1;
    }
    out.count = changes;
  },
  deafUntilUs: () => null,
  neededUs: ({ pressSamples }, periodUs) => (pressSamples + 1) * periodUs,
  floorUs: ({ pressSamples, releaseSamples }, periodUs) => ({
    press: (pressSamples - 1) * periodUs,
    release: (releaseSamples - 1) * periodUs,
  }),
  cost: () => ({ bytes: 5, operations: 5 }),
  c99: ({ pressSamples, releaseSamples }) => `${cHead}
#define PRESS_MASK ${mask(pressSamples)}
#define RELEASE_MASK ${mask(releaseSamples)}

typedef struct { uint32_t history; bool level; } debounce_t;

/* Once per turn; one debounce_t per input. Returns the clean level. */
uint32_t debounce_step(debounce_t *d, uint32_t sample, uint32_t now_us) {
  (void)now_us;
  d->history = (d->history << 1) | (sample & 1u);
  if ((d->history & PRESS_MASK) == PRESS_MASK) d->level = true;
  else if ((d->history & RELEASE_MASK) == 0) d->level = false;
  return d->level;
}
`,
});

const mask = (bits: number) => `0x${(2 ** bits - 1).toString(16)}u`;
