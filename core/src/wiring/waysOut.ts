import {
  applyEdit,
  singleEdits,
  type Board,
  type Edit,
  type Gadget,
  type SingleEdit,
} from '../gadget/index.ts';
import { figuresOf } from '../parts/index.ts';
import { schemes } from '../scan/index.ts';
import { billOf } from './bill.ts';
import { boardChoices } from './boards.ts';
import { driversFor, fitted, proposalsFor, type Driver } from './companions.ts';
import { looseKeys, schemeEditIfAny } from './compare.ts';
import { wiringProblem } from './demands.ts';
import { layWiring, type Clash } from './lay.ts';

/** One way of making an impossible wiring possible, tried out: applied, everything has its pin. */
export interface WayOut {
  kind: 'scheme' | 'board' | 'unlock' | 'current' | 'driver';
  /** The scheme or board, or whose wire is unlocked. */
  id: string;
  name: string;
  /** Ends that get a transistor as well, because nothing helps without. */
  drivers: string[];
  /** Pins that it saves; negative where it needs more. */
  pinsSaved: number;
  /** What the bill grows by, in cents. */
  extraCents: number;
  /** Makes the change and lays the wires: one step of undo. */
  edit: Edit;
}

/** The wires of a gadget, with a transistor at what takes more than any pin gives: nothing else helps without. */
function laidWith(gadget: Gadget, on: Board) {
  const drivers = driversFor(gadget, on);
  const decided = drivers.length > 0 ? [fitting(drivers)] : [];
  const edited = decided.reduce<Gadget>(applyEdit, gadget);
  const laid = layWiring(edited, on);
  return laid.outcome === 'laid' ? { edited, decided, drivers, wires: laid.wires } : null;
}

const fitting = (drivers: readonly Driver[]): SingleEdit => ({
  name: 'decide',
  args: [drivers.map(({ proposal }) => fitted(proposal))],
});

/**
 * Ways out of a clash, cheapest first. Each was laid out in full before it is offered.
 * @param clashes as `layWiring` told them
 */
export function waysOut(gadget: Gadget, board: Board, clashes: readonly Clash[], setName: string): WayOut[] {
  const found: WayOut[] = [];
  const cost = (one: Gadget) => billOf(one).worthCents;
  const pins = (one: Gadget, on: Board) => wiringProblem(one, on).demands.length;
  const before = { cents: cost(gadget), pins: pins(gadget, board) };
  const attempt = (kind: WayOut['kind'], id: string, name: string, change: Edit, on: Board) => {
    const way = laidWith(applyEdit(gadget, change), on);
    if (!way) return;
    let { edited } = way;
    // What the change brings along belongs to its price.
    const parts =
      kind === 'scheme' ? proposalsFor(edited).filter(({ terminal }) => /^part\d+$/.test(terminal)) : [];
    const fit: SingleEdit[] = parts.length > 0 ? [{ name: 'decide', args: [parts.map(fitted)] }] : [];
    edited = fit.reduce<Gadget>(applyEdit, edited);
    found.push({
      kind,
      id,
      name,
      drivers: way.drivers.map(({ owner, proposal }) => `${owner.name} ${proposal.terminal}`),
      pinsSaved: before.pins - pins(edited, on),
      extraCents: cost(edited) - before.cents,
      edit: {
        name: 'several',
        args: [[...singleEdits(change), ...way.decided, ...fit, { name: 'layWires', args: [way.wires] }]],
      },
    });
  };
  const byScheme = (ids: readonly string[], scheme: (typeof schemes)[number], name: string) => {
    const change = schemeEditIfAny(gadget, ids, scheme, name);
    if (change) attempt('scheme', scheme.id, name, change, board);
  };
  const keys = looseKeys(gadget);
  for (const scheme of schemes) {
    if (
      keys.length >= 2 &&
      scheme.id !== 'direct' &&
      scheme.refuses(keys.length, scheme.defaults(keys.length)) === null
    )
      byScheme(keys, scheme, setName);
    for (const set of gadget.wiring.sets)
      if (
        set.scheme !== scheme.id &&
        scheme.refuses(set.controlIds.length, scheme.defaults(set.controlIds.length)) === null
      )
        byScheme(set.controlIds, scheme, set.name);
  }
  for (const other of boardChoices(gadget))
    if (other.id !== board.id)
      attempt('board', other.id, other.name, { name: 'swapBoard', args: [other.id] }, other);
  for (const { ownerId, ownerName, terminal, lockedTo } of clashes)
    if (lockedTo !== null)
      attempt(
        'unlock',
        ownerId,
        `${ownerName} ${terminal}`,
        { name: 'lockWire', args: [ownerId, terminal, false] },
        board,
      );
  for (const { ownerId, ownerName, tooMuchUa } of clashes) {
    const part = gadget.parts.find(({ id }) => id === ownerId);
    // A light that wants a milliampere more than any pin gives is content with what there is.
    if (tooMuchUa === null || !part || figuresOf(part).wantUa !== tooMuchUa) continue;
    const figures = { ...part.figures, wantUa: board.pinMaxUa };
    attempt('current', ownerId, ownerName, { name: 'changePart', args: [ownerId, { figures }] }, board);
  }
  // All that take too much at once: with one of two digits left, the other is in the way as before.
  const drivers = driversFor(gadget, board);
  if (clashes.some(({ tooMuchUa }) => tooMuchUa !== null) && drivers.length > 0) {
    const names = drivers.map(({ owner, proposal }) => `${owner.name} ${proposal.terminal}`).join(', ');
    attempt('driver', drivers[0]!.owner.id, names, fitting(drivers), board);
  }
  const ease: Record<WayOut['kind'], number> = { current: 0, unlock: 1, driver: 2, scheme: 3, board: 4 };
  // Who has a board on the table already pays for the other one in full.
  const boardCents = new Map(boardChoices(gadget).map(({ id, priceCents }) => [id, priceCents]));
  const price = ({ kind, id, extraCents }: WayOut) =>
    Math.max(0, extraCents, kind === 'board' ? (boardCents.get(id) ?? 0) : 0);
  return found.sort(
    (a, b) => price(a) - price(b) || ease[a.kind] - ease[b.kind] || b.pinsSaved - a.pinsSaved,
  );
}
