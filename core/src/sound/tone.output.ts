import type { Note } from '../gadget/index.ts';
import { defineOutput, noJobs, type Stage } from '../output/index.ts';
import type { Clocked } from '../wiring/index.ts';
import { soundedHz } from './pitch.ts';
import { settingFor } from './timer.ts';
import { clockedFor } from './tuning.ts';

/** Pitch now, 0: silent. `order` counts the orders to this sounder: what another one planned is void. */
export interface SoundingTone {
  kind: 'tone';
  hz: number;
  /** What its timer does for that: half a wave is so many periods of the clock; null: the pitch is exact, or none. */
  timed: { clockHz: number; divisor: number } | null;
  order: number;
}

/** A tone's end, or the rest of a tune, for the order that it belongs to. */
type Planned = { order: number; notes: readonly Note[] };
export type ToneEntry =
  /** hz as it is asked for, 0: silent; where a timer makes it, half a wave in periods of the clock. */
  { lane: 'tone'; hz: number; divisor?: number };
/** null: pitches are exact. */
export type ToneTimer = Clocked | null;
type On = Stage<'tone', ToneEntry, Planned, ToneTimer>;

/** Another order: the pitch that it asks for, as the sounder can give it. */
function sound(was: SoundingTone, askedHz: number, on: On): SoundingTone {
  const hz = soundedHz(on.output, askedHz);
  const { prepared } = on;
  const timed =
    prepared && hz > 0 ? { clockHz: prepared.clockHz, divisor: settingFor(prepared, hz).divisor } : null;
  if (hz !== was.hz)
    on.trace({ atUs: on.nowUs, lane: 'tone', id: on.id, hz, ...(timed && { divisor: timed.divisor }) });
  return { ...was, hz, timed, order: was.order + 1 };
}

/** The first note sounds, and the rest is planned behind it; another order ends the tune. */
function play(was: SoundingTone, notes: readonly Note[], on: On): SoundingTone {
  const [first, ...rest] = notes;
  if (!first) return sound(was, 0, on);
  const now = sound(was, first.hz, on);
  on.plan(first.lengthUs, { order: now.order, notes: rest });
  return now;
}

export const tone = defineOutput<'tone', SoundingTone, ToneEntry, Planned, ToneTimer>({
  kind: 'tone',
  prepare: (output, gadget) => clockedFor(gadget, output),
  dark: () => ({ kind: 'tone', hz: 0, timed: null, order: 0 }),
  apply(was, order, on) {
    switch (order.kind) {
      case 'silence':
        return sound(was, 0, on);
      case 'tune':
        return play(was, order.notes, on);
      case 'tone': {
        const now = sound(was, order.hz, on);
        if (order.lengthUs > 0) on.plan(order.lengthUs, { order: now.order, notes: [] });
        return now;
      }
    }
  },
  upkeep: null,
  stirred: null,
  jobs: () => noJobs,
  due: (was, { order, notes }, on) => (was.order === order ? play(was, notes, on) : was),
  isVoid: (was, { order }) => was.order !== order,
  powerOff({ hz }, on) {
    if (hz > 0) on.trace({ atUs: on.nowUs, lane: 'tone', id: on.id, hz: 0 });
  },
  adopt: (was) => was,
  later: (was) => was,
  loads: ({ hz }) => hz > 0,
  lit: null,
  held: null,
  look: ({ hz }) => hz,
});
