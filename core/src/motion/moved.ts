import type { OrderOf } from '../flow/index.ts';
import type { OutputKind, OutputOf } from '../gadget/index.ts';
import { clamp } from '../kernel/index.ts';
import { defineOutput, noJobs, plansNothing } from '../output/index.ts';

/** Where it was told to be: degrees of a servo, percent of a motor. */
export interface Moved<K> {
  kind: K;
  value: number;
}

export type MotionEntry = { lane: 'motion'; value: number };

/** What is told a value inside its own range. @param most of one of them @param loads its supply gives way at that value */
export const defineMoved = <K extends Extract<OutputKind, 'servo' | 'motor'>>(
  kind: K,
  most: (output: OutputOf<K>) => number,
  loads: (value: number) => boolean,
) =>
  defineOutput<K, Moved<K>, MotionEntry, never, null>({
    kind,
    prepare: () => null,
    dark: () => ({ kind, value: 0 }),
    apply(was, order, on) {
      const value = clamp((order as unknown as OrderOf<'move'>).to, 0, most(on.output));
      if (value === was.value) return was;
      on.trace({ atUs: on.nowUs, lane: 'motion', id: on.id, value });
      return { ...was, value };
    },
    jobs: () => noJobs,
    ...plansNothing,
    powerOff({ value }, on) {
      if (value !== 0) on.trace({ atUs: on.nowUs, lane: 'motion', id: on.id, value: 0 });
    },
    adopt: (was) => was,
    later: (was) => was,
    loads: ({ value }) => loads(value),
    lit: null,
    held: null,
    look: ({ value }) => value,
  });
