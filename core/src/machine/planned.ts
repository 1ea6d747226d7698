import { keepOnly, mostPlanned, standsStill, type Cause } from '../kernel/index.ts';
import { isVoidPlan } from './outputKinds.ts';
import type { MachineEvent, MachineState } from './state.ts';

/** Fewer than that are not looked through. */
export const leastPlanned = 2_048;

/** Whether something else has come since, so that nothing will happen when its time comes. */
function isVoid(state: MachineState, event: MachineEvent): boolean {
  switch (event.kind) {
    case 'edge':
    case 'stuck': {
      const input = state.inputs[event.controlId];
      return input !== undefined && input.changes !== event.change;
    }
    case 'cross': {
      const input = state.inputs[event.controlId];
      return input !== undefined && input.contactEdges !== event.contactEdge;
    }
    case 'channel': {
      const encoder = state.encoders[event.controlId];
      return encoder !== undefined && encoder[event.channel].changes !== event.change;
    }
    case 'output': {
      const output = state.shown.outputs[event.outputId];
      return output !== undefined && isVoidPlan(output, event.what);
    }
    // These are judged by what is so when they come.
    case 'character':
    case 'awake':
    case 'disturbance':
    case 'touch':
    case 'count':
    case 'code':
    case 'effect':
      return false;
  }
}

const causeOf = (event: MachineEvent): Cause =>
  'controlId' in event ? { kind: 'control', id: event.controlId } : { kind: 'loop', id: '' };

/**
 * Clears away what is void, so that the queue holds no more than what can still happen. Costs as much as lies there,
 * and comes only once as much again has come to it.
 * @throws StandsStill where more is planned than can be
 */
export function tidyPlanned(state: MachineState): void {
  const { queue, work } = state;
  keepOnly(queue, ({ event }) => !isVoid(state, event));
  const { length } = queue.heap;
  state.tidyAt = Math.max(leastPlanned, 2 * length);
  if (length < mostPlanned) return;
  const counts = new Map<string, { cause: Cause; times: number }>();
  for (const { event } of queue.heap) {
    const cause = causeOf(event);
    const known = counts.get(`${cause.kind} ${cause.id}`) ?? { cause, times: 0 };
    counts.set(`${cause.kind} ${cause.id}`, { cause, times: known.times + 1 });
  }
  const most = [...counts.values()].reduce((a, b) => (b.times > a.times ? b : a));
  // What hands will do stays: the switch is among it.
  keepOnly(queue, ({ event }) => event.kind === 'touch');
  state.tidyAt = leastPlanned;
  throw standsStill(work, 'planned', most.cause, most.times);
}
