import type { Gadget } from '../gadget/index.ts';
import { Machine } from './machine.ts';
import type { Stimulus } from './state.ts';
import type { TraceEntry } from './trace.ts';

/**
 * The whole trace of a recorded stimulus, from power-up to `untilUs`.
 * @throws RangeError for times that are not whole µs from 0 on
 */
export function replay(
  gadget: Gadget,
  stimuli: readonly Stimulus[],
  untilUs: number,
  seed: number,
): TraceEntry[] {
  const machine = new Machine(gadget, seed);
  for (const stimulus of stimuli) machine.stimulate(stimulus);
  machine.advanceTo(untilUs);
  return machine.takeTrace();
}
