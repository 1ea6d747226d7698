import type { FlowState } from '../flow/index.ts';
import type { Gadget } from '../gadget/index.ts';
import { edgesBy, type EdgeIndex } from './edges.ts';
import { Explorer } from './explorer.ts';
import type { Move } from './moves.ts';
import { effortOf, pressesTo } from './questions.ts';

/** Far enough for a game's worth of states within a second or two; beyond it the way is not known. */
const farthest = { states: 30_000, edges: 450_000, work: 2_500_000_000 };

/** Knows from every state that it has found which move is next on the way with the fewest presses to a goal. */
export class Guide {
  private readonly explorer: Explorer;
  private readonly out: EdgeIndex;
  private readonly least: Int32Array;

  /** @throws RangeError for a state that is not there */
  constructor(gadget: Gadget, stateId: string) {
    const explorer = new Explorer(gadget, farthest);
    const goal = explorer.tables.stateIds.indexOf(stateId);
    if (goal < 0) throw new RangeError(`expected the id of a state, got "${stateId}"`);
    explorer.advance(Infinity);
    this.explorer = explorer;
    this.out = edgesBy(explorer, 'edgeFrom');
    this.least = pressesTo(explorer, goal);
  }

  /** What to do now; null: wait, or no way is known from there. */
  next(state: FlowState, places: readonly number[]): Move | null {
    const { explorer, out, least } = this;
    const id = explorer.find(state, places);
    if (id < 0 || least[id]! <= 0) return null;
    for (let at = out.start[id]!; at < out.start[id + 1]!; at += 1) {
      const edge = out.order[at]!;
      const step = explorer.stepOf(explorer.edgeStep.at(edge));
      const to = least[explorer.edgeTo.at(edge)]!;
      if (step.kind !== 'move' || to < 0) continue;
      if (to + effortOf(explorer, step.move) === least[id]) return explorer.moves[step.move]!;
    }
    return null;
  }
}
