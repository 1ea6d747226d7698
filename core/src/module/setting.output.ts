import { clamp } from '../kernel/index.ts';
import { defineOutput, inBackground, noJobs, type Stage } from '../output/index.ts';

/** What the module has taken, and what is on its way to it, the first first. */
export interface ModuleSetting {
  kind: 'setting';
  value: number;
  queue: readonly number[];
  /** Counts what has begun to go out. */
  order: number;
}

export type SettingEntry =
  /** Taken by the module. */
  | { lane: 'setting'; what: 'is'; value: number }
  /** On its way, or too much for what waits already. */
  | { lane: 'setting'; what: 'begins' | 'lost'; value: number };
type Planned = { order: number };
type On = Stage<'setting', SettingEntry, Planned, null>;

/** So many values wait for the bus; a driver that queues more has something else wrong. */
const mostWaiting = 16;

function take(was: ModuleSetting, value: number, on: On): ModuleSetting {
  if (value === was.value) return was;
  on.trace({ atUs: on.nowUs, lane: 'setting', id: on.id, what: 'is', value });
  return { ...was, value };
}

function begin(was: ModuleSetting, on: On): ModuleSetting {
  const [value] = was.queue;
  if (value === undefined) return was;
  on.trace({ atUs: on.nowUs, lane: 'setting', id: on.id, what: 'begins', value });
  on.plan(on.output.tellUs, { order: was.order + 1 });
  return { ...was, order: was.order + 1 };
}

/** A value told takes as long as its bytes; the next one waits for it. */
export const setting = defineOutput<'setting', ModuleSetting, SettingEntry, Planned, null>({
  kind: 'setting',
  prepare: () => null,
  dark: ({ start }) => ({ kind: 'setting', value: start, queue: [], order: 0 }),
  apply(was, order, on) {
    const { low, high, tellUs } = on.output;
    const value = clamp(order.value, low, high);
    if (tellUs === 0) return take(was, value, on);
    if (was.queue.length > mostWaiting) {
      on.trace({ atUs: on.nowUs, lane: 'setting', id: on.id, what: 'lost', value });
      return was;
    }
    const queued = { ...was, queue: [...was.queue, value] };
    return was.queue.length === 0 ? begin(queued, on) : queued;
  },
  upkeep: null,
  stirred: null,
  jobs: (was, { queue }, { output }) => (queue === was.queue ? noJobs : inBackground(output.tellUs)),
  due(was, { order }, on) {
    const [value, ...queue] = was.queue;
    if (was.order !== order || value === undefined) return was;
    return begin({ ...take(was, value, on), queue }, on);
  },
  isVoid: (was, { order }) => was.order !== order || was.queue.length === 0,
  powerOff: ({ value }, on) => {
    if (value !== on.output.start)
      on.trace({ atUs: on.nowUs, lane: 'setting', id: on.id, what: 'is', value: on.output.start });
  },
  adopt: (was) => was,
  later: (was) => was,
  loads: () => false,
  lit: null,
  held: null,
  look: ({ value }) => value,
});
