import type { DebounceSetting, Edge } from '../gadget/index.ts';
import { algorithmOf } from './setting.ts';
import { Clock, readEdges, roomFor } from './readings.ts';

const edgesOf = (count: number, atUs: ArrayLike<number>): Edge[] =>
  Array.from({ length: count }, (_, n) => ({ atUs: atUs[n]!, level: n % 2 === 0 ? 1 : 0 }));

/** What the pin sees of a contact: itself, or what a filter before the pin makes of it. */
export function pinEdges({ algorithm, params }: DebounceSetting, edges: readonly Edge[]): Edge[] {
  const { filter } = algorithmOf(algorithm);
  if (!filter) return [...edges];
  const passed = { count: 0, atUs: new Float64Array(edges.length + 1) };
  filter.pass(
    edges.map(({ atUs }) => atUs),
    edges.length,
    params,
    passed,
  );
  return edgesOf(passed.count, passed.atUs);
}

/**
 * What an algorithm makes of a contact that starts open and changes as given, read once per period. Cost follows
 * edges, not time; the tests hold it against reading every turn.
 * @param edges raw changes, whole µs >= 0, in order of time, alternating from 1
 * @returns clean changes, at the turns that made them
 */
export function cleanEdges(setting: DebounceSetting, periodUs: number, edges: readonly Edge[]): Edge[] {
  const seen = pinEdges(setting, edges).map(({ atUs }) => atUs);
  const readings = readEdges(seen, seen.length, new Clock(periodUs));
  const out = roomFor(readings);
  algorithmOf(setting.algorithm).sweep(readings, setting.params, out);
  return edgesOf(out.count, out.atUs);
}
