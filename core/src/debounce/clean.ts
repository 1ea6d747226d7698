import type { DebounceSetting, Edge } from '../gadget/index.ts';
import { turnAtOrAfter } from '../scan/index.ts';
import { algorithmOf } from './setting.ts';

/**
 * What an algorithm makes of a contact that starts open and changes as given, read once per period. Cost follows
 * edges, not time; `clean.test.ts` holds it against reading every turn.
 * @param edges raw changes, whole µs >= 0, in order of time
 * @returns clean changes, at the turns that made them
 */
export function cleanEdges(setting: DebounceSetting, periodUs: number, edges: readonly Edge[]): Edge[] {
  const algorithm = algorithmOf(setting.algorithm);
  const { params } = setting;
  const clean: Edge[] = [];
  let state = algorithm.settled(0, params);
  let raw: 0 | 1 = 0;
  let next = 0;
  let wakeUs: number | null = null;
  let lastTurnUs = -1;
  for (;;) {
    const edgeUs = edges[next]?.atUs ?? Infinity;
    const dueUs = Math.min(edgeUs, wakeUs ?? Infinity);
    if (dueUs === Infinity) return clean;
    const turnUs = turnAtOrAfter(Math.max(dueUs, lastTurnUs + 1), periodUs);
    while (next < edges.length && edges[next]!.atUs <= turnUs) {
      raw = edges[next]!.level;
      next += 1;
    }
    const before = state.level;
    state = algorithm.step(state, { level: raw, atUs: turnUs, turn: turnUs / periodUs + 1 }, params);
    if (state.level !== before) clean.push({ atUs: turnUs, level: state.level });
    wakeUs = algorithm.nextUs(state, params, periodUs, turnUs);
    lastTurnUs = turnUs;
  }
}
