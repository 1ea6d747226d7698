import type { LineLevel } from '../gadget/index.ts';
import { clamp } from '../kernel/index.ts';
import { defineOutput, noJobs, type Stage } from '../output/index.ts';

/** Level now; on a carrier where that is above 0. `order` counts the orders: a pulse whose order is gone ends nothing. */
export interface SwitchedLine {
  kind: 'line';
  level: LineLevel;
  carrierHz: number;
  order: number;
}

export type SwitchedEntry = { lane: 'switched'; level: LineLevel; carrierHz: number };
/** The end of a pulse. */
type Planned = { order: number; level: LineLevel };
type On = Stage<'line', SwitchedEntry, Planned, null>;

function become(was: SwitchedLine, level: LineLevel, carrierHz: number, on: On): SwitchedLine {
  if (was.level !== level || was.carrierHz !== carrierHz)
    on.trace({ atUs: on.nowUs, lane: 'switched', id: on.id, level, carrierHz });
  return { ...was, level, carrierHz, order: was.order + 1 };
}
/** So for a length of µs, then something else. */
function until(now: SwitchedLine, lengthUs: number, level: LineLevel, on: On): SwitchedLine {
  on.plan(lengthUs, { order: now.order, level });
  return now;
}

const mostHz = 1_000_000;

export const line = defineOutput<'line', SwitchedLine, SwitchedEntry, Planned, null>({
  kind: 'line',
  prepare: () => null,
  dark: ({ powerUp }) => ({ kind: 'line', level: powerUp, carrierHz: 0, order: 0 }),
  apply(was, order, on) {
    switch (order.kind) {
      case 'switch':
        return become(was, order.to, 0, on);
      case 'pulse':
        return until(become(was, order.to, 0, on), order.length, order.to === 'on' ? 'off' : 'on', on);
      case 'burst':
        return until(become(was, 'on', clamp(order.carrierHz, 1, mostHz), on), order.length, 'off', on);
    }
  },
  upkeep: null,
  stirred: null,
  jobs: () => noJobs,
  due: (was, { order, level }, on) => (was.order === order ? become(was, level, 0, on) : was),
  isVoid: (was, { order }) => was.order !== order,
  powerOff(was, on) {
    const level = on.output.powerUp;
    if (was.level !== level || was.carrierHz > 0)
      on.trace({ atUs: on.nowUs, lane: 'switched', id: on.id, level, carrierHz: 0 });
  },
  adopt: (was) => was,
  later: (was) => was,
  loads: ({ level }) => level === 'on',
  lit: null,
  held: null,
  look: ({ level, carrierHz }) => [level, carrierHz],
});
