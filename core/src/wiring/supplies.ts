import type { Board, Gadget, Terminal, Wire } from '../gadget/index.ts';
import { openPins, type PinFacts } from './boards.ts';
import { ownersOf, type Owner } from './owners.ts';

const pinTo = (pin: string): Wire['to'] => ({ kind: 'pin', pin });
const endTo = (ownerId: string, terminal: string): Wire['to'] => ({ kind: 'terminal', ownerId, terminal });

/** The rail that suits a part: the board's own logic where it can, so that levels agree; null: none does. */
export function railFor({ part }: Owner, board: Board): PinFacts | null {
  const supply = part?.kind.supply(part.figures) ?? null;
  const rails = openPins(board).filter(({ givesMv }) => givesMv !== null);
  const fitting = rails.filter(({ givesMv }) =>
    supply ? givesMv! >= supply.minMv && givesMv! <= supply.maxMv : givesMv === board.logicMv,
  );
  return fitting.find(({ givesMv }) => givesMv === board.logicMv) ?? fitting[0] ?? null;
}

/** Supply and ground of every part, and the way from the cell to the board, as wires that one may take over. */
export function supplyWires(gadget: Gadget, board: Board): Wire[] {
  const owners = ownersOf(gadget);
  const grounds = openPins(board).filter(({ ground }) => ground);
  const wires: Wire[] = [];
  const lead = (owner: Owner, terminal: Terminal, to: Wire['to'] | null) => {
    if (to) wires.push({ ownerId: owner.id, terminal: terminal.name, to, locked: false });
  };
  const shifterRails: Record<string, number> = { low: 3_300, high: 5_000 };
  for (const [index, owner] of owners.entries())
    for (const terminal of owner.terminals) {
      // Spread over the grounds there are, so that no pin has to carry them all.
      if (terminal.role === 'ground' && grounds.length > 0)
        lead(owner, terminal, pinTo(grounds[index % grounds.length]!.name));
      if (terminal.role !== 'supply') continue;
      const wanted = shifterRails[terminal.name];
      const rail =
        wanted === undefined || owner.part?.kind.id !== 'level-shifter'
          ? railFor(owner, board)
          : openPins(board).find(({ givesMv }) => givesMv === wanted);
      lead(owner, terminal, rail ? pinTo(rail.name) : null);
    }
  return [...wires, ...chainWires(owners, board)];
}

const order = ['source', 'fuse', 'diode', 'switch', 'converter'] as const;

/** From the cell by fuse, diode, switch and converter, as far as there are such, to where the board takes its supply. */
function chainWires(owners: readonly Owner[], board: Board): Wire[] {
  const of = (link: string) => owners.filter(({ part }) => part?.kind.chain === link);
  const cell = of('source')[0];
  if (!cell) return [];
  const wires: Wire[] = [];
  let feed = { owner: cell, terminal: 'plus' };
  for (const owner of order.slice(1).flatMap((link) => of(link))) {
    wires.push({ ownerId: owner.id, terminal: 'in', to: endTo(feed.owner.id, feed.terminal), locked: false });
    feed = { owner, terminal: 'out' };
  }
  const inputs = openPins(board).filter(({ takesMv }) => takesMv !== null);
  // One that is not a rail of the board as well: there, its own supply would be joined with ours.
  const input = inputs.find(({ givesMv }) => givesMv === null) ?? inputs[0];
  if (input)
    wires.push({ ownerId: feed.owner.id, terminal: feed.terminal, to: pinTo(input.name), locked: false });
  const usb = openPins(board).find(({ givesMv }) => givesMv === 5_000);
  for (const charger of of('charger')) {
    wires.push({ ownerId: charger.id, terminal: 'cell', to: endTo(cell.id, 'plus'), locked: false });
    if (usb) wires.push({ ownerId: charger.id, terminal: 'in', to: pinTo(usb.name), locked: false });
  }
  return wires;
}
