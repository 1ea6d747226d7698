import type { Edit, Gadget, SingleEdit, SnagRule } from '../../gadget/index.ts';
import { withNewPart } from './help.ts';

/** A fuse right behind the cell; what was led to the cell, the charger aside, is led to the fuse. */
function withFuse(gadget: Gadget, cellId: string): Edit {
  const chargers = new Set(gadget.parts.filter(({ kind }) => kind === 'charger').map((part) => part.id));
  const { wires } = gadget.wiring;
  return withNewPart(gadget, 'fuse', 'Fuse', (id) => [
    ...wires.flatMap(({ ownerId, terminal, to, locked }): SingleEdit[] => {
      if (ownerId === cellId && terminal === 'plus' && to.kind === 'pin')
        return [
          { name: 'wire', args: [cellId, 'plus', null, false] },
          { name: 'wire', args: [id, 'out', to, locked] },
        ];
      if (to.kind !== 'terminal' || to.ownerId !== cellId || to.terminal !== 'plus' || chargers.has(ownerId))
        return [];
      const out = { kind: 'terminal', ownerId: id, terminal: 'out' } as const;
      return [{ name: 'wire', args: [ownerId, terminal, out, locked] }];
    }),
    { name: 'wire', args: [id, 'in', { kind: 'terminal', ownerId: cellId, terminal: 'plus' }, false] },
  ]);
}

/** No fuse where a cell meets a metal case. */
export const P07: SnagRule = {
  id: 'P07',
  check(gadget) {
    if (gadget.brief.wishes.caseMaterial !== 'metal') return [];
    const cell = gadget.parts.find(({ kind }) => kind === 'cell');
    if (!cell || gadget.parts.some(({ kind }) => kind === 'fuse')) return [];
    return [
      {
        rule: 'P07',
        level: 'stop',
        place: { kind: 'part', id: cell.id },
        values: { name: cell.name },
        mend: { key: 'addFuse', edit: withFuse(gadget, cell.id) },
      },
    ];
  },
};
