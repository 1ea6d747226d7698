import type { Snag, SnagRule } from '../../gadget/index.ts';
import { figuresOf } from '../../parts/index.ts';

/** A pack in series charged cell by cell from one supply: without isolation the chargers short the cells. */
export const P11: SnagRule = {
  id: 'P11',
  check: (gadget) => {
    const pack = gadget.parts.find((part) => part.kind === 'cell' && figuresOf(part).inSeries! > 1);
    if (!pack) return [];
    const { inSeries = 1, linked } = figuresOf(pack);
    return gadget.parts.flatMap((part): Snag[] => {
      if (part.kind !== 'charger') return [];
      const { cells, isolated } = figuresOf(part);
      // Out of the gadget, cells whose link stays behind in it are charged apart.
      if (cells! >= inSeries || isolated === 1 || linked === 0) return [];
      return [
        {
          rule: 'P11',
          level: 'stop',
          place: { kind: 'part', id: part.id },
          values: { name: part.name, pack: pack.name, inSeries, cells: cells! },
          mend: {
            key: 'packCharger',
            edit: { name: 'changePart', args: [part.id, { figures: { ...part.figures, cells: inSeries } }] },
            values: { cells: inSeries },
          },
        },
      ];
    });
  },
};
