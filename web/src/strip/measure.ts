import type { TraceEntry } from '@hum-lever/core';
import { isOutputEntry } from '../outputs/index.ts';
import { count } from '../shared/index.ts';
import type { Span } from './lanes.ts';

/** What happened in a stretch, counted. */
export interface Measured {
  presses: number;
  states: number;
  outputs: number;
  swallowed: number;
}

/** @param trace in order of time @param span both ends included */
export function measure(trace: readonly TraceEntry[], { fromUs, toUs }: Span): Measured {
  const measured: Measured = { presses: 0, states: 0, outputs: 0, swallowed: 0 };
  for (const entry of trace) {
    if (entry.atUs < fromUs || entry.atUs > toUs) continue;
    if (entry.lane === 'finger' && entry.down) measured.presses += 1;
    else if (entry.lane === 'state') measured.states += 1;
    else if (entry.lane === 'swallowed') measured.swallowed += 1;
    else if (isOutputEntry(entry)) measured.outputs += 1;
  }
  return measured;
}

/** “3 presses, 1 swallowed, 2 states entered, 9 changes of outputs”. */
export function measuredWords({ presses, states, outputs, swallowed }: Measured): string {
  const said = [
    ...(presses > 0 ? [count(presses, 'press', 'presses')] : []),
    ...(swallowed > 0 ? [`${swallowed} swallowed`] : []),
    ...(states > 0 ? [count(states, 'state entered', 'states entered')] : []),
    ...(outputs > 0 ? [count(outputs, 'change of outputs', 'changes of outputs')] : []),
  ];
  return said.length > 0 ? said.join(', ') : 'nothing happened';
}
