import * as z from 'zod';
import { wholeSchema } from '../../gadget/index.ts';
import { cHead, defineAlgorithm, samplesFor, within, type DebounceState } from '../algorithm.ts';

interface State extends DebounceState {
  count: number;
  turn: number;
}

const most = 1_000;
const label = (text: string, min: number, max: number) =>
  wholeSchema(min, max, 'samples').meta({ label: text, unit: 'samples' });

export const integrator = defineAlgorithm<{ steps: number; pressAt: number; releaseAt: number }, State>({
  id: 'integrator',
  title: 'Count up and down (integrator)',
  doc: 'Each turn counts one up while closed, one down while open; the level changes at an upper and at a lower threshold. Rides over bounce and short glitches alike.',
  source: 'reckoning: contact, debounce, gesture (two thresholds)',
  school: 'wait-then-fire',
  params: z
    .strictObject({
      steps: label('Count up to', 1, most),
      pressAt: label('Pressed from', 1, most),
      releaseAt: label('Let go at', 0, most - 1),
    })
    .refine(({ steps, pressAt }) => pressAt <= steps, {
      path: ['pressAt'],
      message: 'expected no more than it counts up to',
    })
    .refine(({ pressAt, releaseAt }) => releaseAt < pressAt, {
      path: ['releaseAt'],
      message: 'expected less than where it counts as pressed',
    }),
  defaults: { steps: 6, pressAt: 6, releaseAt: 0 },
  protecting(pressUs, releaseUs, periodUs) {
    const up = within(samplesFor(pressUs, periodUs), 1, most);
    const down = within(samplesFor(releaseUs, periodUs), 1, most);
    const steps = Math.max(up, down);
    return { steps, pressAt: up, releaseAt: Math.min(up - 1, steps - down) };
  },
  settled: (level, { steps }) => ({ level, sample: level, count: level === 1 ? steps : 0, turn: 0 }),
  step(state, { level: sample, turn }, { steps, pressAt, releaseAt }) {
    // Turns left out read what the last one read; count them before this one.
    const skipped = Math.max(0, turn - state.turn - 1);
    let { count, level } = state;
    const run = (toward: 0 | 1, by: number) => {
      count = Math.max(0, Math.min(steps, count + (toward === 1 ? by : -by)));
      if (count >= pressAt) level = 1;
      else if (count <= releaseAt) level = 0;
    };
    if (skipped > 0) run(state.sample, skipped);
    if (turn > state.turn) run(sample, 1);
    return { level, sample, count, turn };
  },
  nextUs({ count, sample, level }, { pressAt, releaseAt }, periodUs, nowUs) {
    const left = sample === 1 ? pressAt - count : count - releaseAt;
    return level === sample || left <= 0 ? null : nowUs + left * periodUs;
  },
  sweep({ clock, count: stretches, turn, atUs }, { steps, pressAt, releaseAt }, out) {
    let changes = 0;
    let count = 0;
    for (let n = 0; n < stretches; n += 1) {
      const length = turn[n + 1]! - turn[n]!;
      const up = (n & 1) === 0;
      const left = up ? pressAt - count : count - releaseAt;
      if ((n & 1) === (changes & 1) && left <= length) {
        // Where the count is there already, the first reading says so.
        const late = Math.max(0, left - 1);
        out.atUs[changes] = late === 0 ? atUs[n]! : clock.atUs(turn[n]! + late);
        changes += 1;
      }
      count = up ? Math.min(steps, count + length) : Math.max(0, count - length);
    }
    out.count = changes;
  },
  deafUntilUs: () => null,
  neededUs: ({ pressAt }, periodUs) => (pressAt + 1) * periodUs,
  floorUs: ({ steps, pressAt, releaseAt }, periodUs) => ({
    press: (pressAt - 1 - releaseAt) * periodUs,
    release: steps === pressAt ? (steps - 1 - releaseAt) * periodUs : (pressAt - 1 - releaseAt) * periodUs,
  }),
  cost: ({ steps }) => ({ bytes: steps > 255 ? 3 : 2, operations: 5 }),
  c99: ({ steps, pressAt, releaseAt }) => `${cHead}
#define STEPS ${steps}u
#define PRESS_AT ${pressAt}u
#define RELEASE_AT ${releaseAt}u

typedef struct { ${steps > 255 ? 'uint16_t' : 'uint8_t'} count; bool level; } debounce_t;

/* Once per turn; one debounce_t per input. Returns the clean level. */
uint32_t debounce_step(debounce_t *d, uint32_t sample, uint32_t now_us) {
  (void)now_us;
  if (sample) {
    if (d->count < STEPS) d->count++;
  } else if (d->count > 0) {
    d->count--;
  }
  if (d->count >= PRESS_AT) d->level = true;
  else if (d->count <= RELEASE_AT) d->level = false;
  return d->level;
}
`,
});
