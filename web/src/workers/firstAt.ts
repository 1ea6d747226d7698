import type { TraceEntry } from '@hum-lever/core';

/** First index whose entry is at or after `atUs`. */
export function firstAt(trace: readonly TraceEntry[], atUs: number): number {
  let low = 0;
  let high = trace.length;
  while (low < high) {
    const middle = (low + high) >> 1;
    if (trace[middle]!.atUs < atUs) low = middle + 1;
    else high = middle;
  }
  return low;
}
