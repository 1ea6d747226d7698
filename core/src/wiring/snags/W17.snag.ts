import type { SnagRule } from '../../gadget/index.ts';
import { clashesOn } from '../lay.ts';
import { netsIn } from '../nets.ts';

/** Not enough pins: the smallest set of demands that cannot all be met on this board. */
export const W17: SnagRule = {
  id: 'W17',
  check(gadget, derived) {
    const { board, lines } = netsIn(gadget, derived);
    if (!board || lines.length === 0) return [];
    const impossible = clashesOn(gadget, board);
    if (!impossible) return [];
    const { clashes, minimal } = impossible;
    const pins = new Set(clashes.flatMap((clash) => clash.pins));
    return [
      {
        rule: 'W17',
        level: 'stop',
        place: { kind: 'board', id: board.id },
        values: {
          board: board.name,
          demands: clashes.length,
          pins: pins.size,
          pinNames: [...pins].slice(0, 12).join(', '),
          names: clashes
            .map(({ ownerName, terminal, needs }) => `${ownerName} ${terminal} (${needs})`)
            .join(', '),
          minimal: minimal ? 1 : 0,
        },
      },
    ];
  },
};
