import type { SnagRule } from '../../gadget/index.ts';
import { boardOf } from '../boards.ts';

/** The document names a board that is neither in the catalogue nor among its own: nothing about pins can be judged. */
export const W20: SnagRule = {
  id: 'W20',
  check(gadget) {
    const { boardId } = gadget.wiring;
    if (boardId === null || boardOf(gadget)) return [];
    return [
      { rule: 'W20', level: 'stop', place: { kind: 'board', id: boardId }, values: { board: boardId } },
    ];
  },
};
