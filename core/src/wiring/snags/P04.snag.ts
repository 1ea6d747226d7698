import {
  nextId,
  type Board,
  type Edit,
  type Gadget,
  type SingleEdit,
  type Snag,
  type SnagRule,
} from '../../gadget/index.ts';
import { openPins, type PinFacts } from '../boards.ts';
import { netsIn, type Nets } from '../nets.ts';
import type { Owner } from '../owners.ts';

/** A step of the way from the cell to the board, and what it makes of a voltage; mV. */
function through({ part }: Owner, inMv: number): number {
  const { outMv, dropMv: drop = 0, forwardMv = 0 } = part!.figures;
  const dropMv = part!.kind.chain === 'diode' ? forwardMv : drop;
  if (outMv === undefined) return Math.max(0, inMv - dropMv);
  if (part!.kind.id === 'booster') return outMv;
  return Math.min(outMv, Math.max(0, inMv - dropMv));
}

interface Way {
  cell: Owner;
  links: Owner[];
  pin: PinFacts;
}

/** The way that is wired, from the cell on; null: it does not lead to a supply of the board. */
function wayOf({ leads, owners }: Nets): Way | null {
  const cell = owners.find(({ part }) => part?.kind.chain === 'source');
  if (!cell) return null;
  const links: Owner[] = [];
  let at = { id: cell.id, terminal: 'plus' };
  // No way is longer than there are owners.
  for (let n = 0; n <= owners.length; n += 1) {
    const own = leads.find(({ owner, terminal }) => owner.id === at.id && terminal.name === at.terminal);
    if (own?.pin && own.pin.takesMv !== null) return { cell, links, pin: own.pin };
    const next = leads.find(
      ({ owner, terminal, wire }) =>
        terminal.name === 'in' &&
        owner.part?.kind.chain !== 'charger' &&
        wire?.to.kind === 'terminal' &&
        wire.to.ownerId === at.id &&
        wire.to.terminal === at.terminal,
    );
    if (!next) return null;
    links.push(next.owner);
    at = { id: next.owner.id, terminal: 'out' };
  }
  return null;
}

/** A booster before the board that gives so much; null where something converts on the way already. */
function raised(gadget: Gadget, board: Board, { cell, links, pin }: Way, outMv: number): Edit | null {
  if (links.some(({ part }) => part!.kind.chain === 'converter')) return null;
  const id = nextId(gadget, 'part');
  const ground = openPins(board).find((one) => one.ground);
  const grounded: SingleEdit[] = ground
    ? [{ name: 'wire', args: [id, 'minus', { kind: 'pin', pin: ground.name }, false] }]
    : [];
  const last = links.at(-1);
  const [fromId, terminal] = last ? [last.id, 'out'] : [cell.id, 'plus'];
  const part = {
    kind: 'booster',
    own: null,
    name: 'Booster',
    figures: { outMv },
    priceCents: null,
    quantity: 1,
    have: 0,
  };
  return {
    name: 'several',
    args: [
      [
        { name: 'addPart', args: [part, []] },
        { name: 'wire', args: [fromId, terminal, null, false] },
        { name: 'wire', args: [id, 'in', { kind: 'terminal', ownerId: fromId, terminal }, false] },
        { name: 'wire', args: [id, 'out', { kind: 'pin', pin: pin.name }, false] },
        ...grounded,
      ],
    ],
  };
}

/** The board is fed more than it takes, or, as the cell runs down, less than it and its regulator need. */
export const P04: SnagRule = {
  id: 'P04',
  check(gadget, derived): Snag[] {
    const nets = netsIn(gadget, derived);
    const way = nets.board ? wayOf(nets) : null;
    if (!way) return [];
    const { cell, links, pin } = way;
    const { inSeries = 1, fullMv = 0, emptyMv = 0, nominalMv = 0 } = cell.part!.figures;
    const fed = (mv: number) => links.reduce((at, link) => through(link, at), inSeries * mv);
    const usualMv = fed(nominalMv);
    const common = { rule: 'P04', place: { kind: 'part', id: cell.id } } as const;
    const values = { pin: pin.name, cell: cell.name, fullMv: fed(fullMv), emptyMv: fed(emptyMv), usualMv };
    if (pin.takesMv !== null && values.fullMv > pin.takesMv)
      return [{ ...common, level: 'stop', values: { ...values, reason: 'over', limitMv: pin.takesMv } }];
    if (pin.fromMv === null || values.emptyMv >= pin.fromMv) return [];
    // Below it in the middle of its charge already, it hardly ever works; otherwise part of the charge is of no use.
    const level = usualMv < pin.fromMv ? 'stop' : 'likely';
    const outMv = Math.ceil(pin.fromMv / 500) * 500;
    const edit = outMv <= (pin.takesMv ?? outMv) ? raised(gadget, nets.board!, way, outMv) : null;
    return [
      {
        ...common,
        level,
        values: { ...values, reason: 'under', limitMv: pin.fromMv },
        ...(edit && { mend: { key: 'raiseIt', edit, values: { outMv } } }),
      },
    ];
  },
};
