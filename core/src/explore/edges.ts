import type { Surroundings } from '../flow/index.ts';
import type { Explorer } from './explorer.ts';

/** Edges by one of their ends: those of state s are `order[start[s]]` up to `order[start[s + 1]]`, open. */
export interface EdgeIndex {
  start: Int32Array;
  order: Int32Array;
}

/** Counting sort: order within a state is the order in which the edges were found. */
export function edgesBy(explorer: Explorer, end: 'edgeFrom' | 'edgeTo'): EdgeIndex {
  const { [end]: ends, count } = explorer;
  const start = new Int32Array(count + 1);
  for (let edge = 0; edge < ends.length; edge += 1) start[ends.at(edge) + 1]! += 1;
  for (let id = 0; id < count; id += 1) start[id + 1]! += start[id]!;
  const next = start.slice();
  const order = new Int32Array(ends.length);
  for (let edge = 0; edge < ends.length; edge += 1) {
    const id = ends.at(edge);
    order[next[id]!] = edge;
    next[id]! += 1;
  }
  return { start, order };
}

/** What an expression sees of the state that the explorer has loaded. */
export const seenBy = (explorer: Explorer): Surroundings => ({
  get values() {
    return explorer.current.values;
  },
  random: () => 0,
  active: (state) => explorer.current.active[state]!,
  elapsed: () => 0,
  carried: [],
  heldMs: () => 0,
  control: (number) => explorer.surroundings.control(number),
  mishap: () => undefined,
});
