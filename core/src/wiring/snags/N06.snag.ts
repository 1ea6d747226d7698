import type { Snag, SnagRule } from '../../gadget/index.ts';
import { tuneMemory, tunesPerformed } from '../../notes/index.ts';
import { gaugesOf, tunesBytes } from '../bill.ts';
import { boardOf } from '../boards.ts';

/**
 * Tunes, with fonts, pictures and tables, are more than the board has for programs. What the program itself takes is
 * not counted: it comes to that.
 */
export const N06: SnagRule = {
  id: 'N06',
  check(gadget): Snag[] {
    const tunes = tunesPerformed(gadget);
    const board = boardOf(gadget);
    if (tunes.length === 0 || !board) return [];
    const { used } = gaugesOf(gadget, board).find(({ id }) => id === 'flash')!;
    if (used <= board.flashBytes) return [];
    const largest = tunes.reduce((a, b) => (tuneMemory(b).bytes > tuneMemory(a).bytes ? b : a));
    return [
      {
        rule: 'N06',
        level: 'stop',
        place: { kind: 'tune', id: largest.id },
        values: {
          name: largest.name,
          bytes: tuneMemory(largest).bytes,
          tunes: tunes.length,
          tunesBytes: tunesBytes(gadget),
          used,
          of: board.flashBytes,
          board: board.name,
        },
      },
    ];
  },
};
