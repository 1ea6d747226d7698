import { nextId, type Edit, type Gadget, type SingleEdit, type SnagRule } from '../../gadget/index.ts';

/** A fuse right behind the cell; what was led to the cell, the charger aside, is led to the fuse. */
function withFuse(gadget: Gadget, cellId: string): Edit {
  const id = nextId(gadget, 'part');
  const chargers = new Set(gadget.parts.filter(({ kind }) => kind === 'charger').map((part) => part.id));
  const part = { kind: 'fuse', name: 'Fuse', figures: {}, priceCents: null, quantity: 1, have: 0 };
  const moved = gadget.wiring.wires.flatMap(({ ownerId, terminal, to, locked }): SingleEdit[] =>
    to.kind === 'terminal' && to.ownerId === cellId && to.terminal === 'plus' && !chargers.has(ownerId)
      ? [
          {
            name: 'wire',
            args: [ownerId, terminal, { kind: 'terminal', ownerId: id, terminal: 'out' }, locked],
          },
        ]
      : [],
  );
  const direct = gadget.wiring.wires.find(
    ({ ownerId, terminal, to }) => ownerId === cellId && terminal === 'plus' && to.kind === 'pin',
  );
  return {
    name: 'several',
    args: [
      [
        { name: 'addPart', args: [part, []] },
        ...(direct
          ? ([
              { name: 'wire', args: [cellId, 'plus', null, false] },
              { name: 'wire', args: [id, 'out', direct.to, direct.locked] },
            ] satisfies SingleEdit[])
          : []),
        { name: 'wire', args: [id, 'in', { kind: 'terminal', ownerId: cellId, terminal: 'plus' }, false] },
        ...moved,
      ],
    ],
  };
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
