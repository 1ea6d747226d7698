import type { SnagRule } from '../../gadget/index.ts';
import { gaugesOf } from '../bill.ts';
import { boardOf } from '../boards.ts';

/** More is to survive power-off than there is memory for that, or there is none at all. */
export const W21: SnagRule = {
  id: 'W21',
  check(gadget) {
    const board = boardOf(gadget);
    const settings = gaugesOf(gadget, board).find(({ id }) => id === 'settings')!;
    if (!board || settings.of === null || settings.used <= settings.of) return [];
    const kept = gadget.flow.variables.filter(({ saved }) => saved !== null);
    return [
      {
        rule: 'W21',
        level: 'stop',
        place: { kind: 'variable', id: kept[0]!.id },
        values: {
          bytes: settings.used,
          of: settings.of,
          board: board.name,
          names: kept.map(({ name }) => name).join(', '),
        },
      },
    ];
  },
};
