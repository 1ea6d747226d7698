import { algorithmOf, type Clock, type FilterState } from '../debounce/index.ts';
import type { DebounceSetting, Edge } from '../gadget/index.ts';

/**
 * The pin at that moment, read off a contact's edges one by one: what a filter has made of them up to then. Wherever
 * the voltage has come past a threshold a whole microsecond before the next edge, the pin has changed.
 */
function pinAt(setting: DebounceSetting, edges: ArrayLike<number>): (us: number) => 0 | 1 {
  const { filter } = algorithmOf(setting.algorithm);
  let seen = 0;
  let state: FilterState = { v: 0, sinceUs: 0, raw: 0, out: 0 };
  const settle = (us: number) => {
    const crossUs = filter!.crossUs(state, setting.params);
    if (crossUs !== null && crossUs <= us) state = { ...state, out: state.raw };
  };
  return (us) => {
    while (seen < edges.length && edges[seen]! <= us) {
      const raw = seen % 2 === 0 ? 1 : 0;
      if (filter) {
        settle(edges[seen]! - 1);
        state = filter.onEdge(state, raw, edges[seen]!, setting.params);
      }
      seen += 1;
    }
    if (!filter) return seen % 2 === 0 ? 0 : 1;
    settle(us);
    return state.out;
  };
}

/** Reads every turn, as a plain loop would: what everything quicker is held against. */
export function plainClean(
  setting: DebounceSetting,
  clock: Clock,
  edgeUs: ArrayLike<number>,
  endUs: number,
): Edge[] {
  const algorithm = algorithmOf(setting.algorithm);
  const pin = pinAt(setting, edgeUs);
  let state = algorithm.settled(0, setting.params);
  const clean: Edge[] = [];
  for (let turn = 0; clock.atUs(turn) <= endUs; turn += 1) {
    const atUs = clock.atUs(turn);
    const before = state.level;
    state = algorithm.step(state, { level: pin(atUs), atUs, turn: turn + 1 }, setting.params);
    if (state.level !== before) clean.push({ atUs, level: state.level });
  }
  return clean;
}
