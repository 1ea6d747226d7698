import type { Board, Derived, Gadget, Terminal, Wire } from '../gadget/index.ts';
import { boardOf, pinsOf, type PinFacts } from './boards.ts';
import { lines, type Line } from './demands.ts';
import { asksUa } from './drivers.ts';
import { ownersOf, usualLogicMv, type Owner } from './owners.ts';

/** One terminal and where it leads. */
export interface Lead {
  owner: Owner;
  terminal: Terminal;
  wire: Wire | null;
  /** The pin that it leads to, if it leads to one that the chip has. */
  pin: PinFacts | null;
}

/** What is connected with what. */
export interface Nets {
  gadget: Gadget;
  board: Board | null;
  owners: readonly Owner[];
  leads: readonly Lead[];
  /** Leads to each pin that has any, by its name. */
  byPin: ReadonlyMap<string, Lead[]>;
  /** The lines that need a pin, buses as one. */
  lines: readonly Line[];
  logicMv: number;
}

/** Reads the wiring of the document. Without a board, nothing leads to a pin. */
export function netsOf(gadget: Gadget): Nets {
  const board = boardOf(gadget);
  const pins = board ? pinsOf(board) : null;
  const owners = ownersOf(gadget);
  const wires = new Map(gadget.wiring.wires.map((wire) => [`${wire.ownerId}.${wire.terminal}`, wire]));
  const leads = owners.flatMap((owner) =>
    owner.terminals.map((terminal): Lead => {
      const wire = wires.get(`${owner.id}.${terminal.name}`) ?? null;
      const pin = wire?.to.kind === 'pin' ? (pins?.get(wire.to.pin) ?? null) : null;
      return { owner, terminal, wire, pin };
    }),
  );
  const byPin = new Map<string, Lead[]>();
  for (const lead of leads)
    if (lead.pin) byPin.set(lead.pin.name, [...(byPin.get(lead.pin.name) ?? []), lead]);
  return {
    gadget,
    board,
    owners,
    leads,
    byPin,
    lines: board ? lines(owners, board) : [],
    logicMv: board?.logicMv ?? usualLogicMv,
  };
}

/** The nets of one check run, computed once. */
export const netsIn = (gadget: Gadget, derived: Derived): Nets => derived.once('nets', () => netsOf(gadget));

/** Only leads that are signals on a pin. */
export const signalLeads = ({ leads }: Nets) =>
  leads.flatMap((lead) =>
    lead.terminal.role === 'signal' && lead.pin !== null ? [{ ...lead, pin: lead.pin }] : [],
  );

/**
 * The voltage that a part is fed with, mV: of the rail or converter that its supply leads to; where none is wired yet,
 * of the rail that would suit it, or of the board's logic.
 */
export function supplyMvOf({ leads, board, logicMv, owners }: Nets, owner: Owner): number {
  const lead = leads.find((one) => one.owner.id === owner.id && one.terminal.role === 'supply');
  if (lead?.pin?.givesMv !== undefined && lead.pin.givesMv !== null) return lead.pin.givesMv;
  if (lead?.wire?.to.kind === 'terminal') {
    const { ownerId } = lead.wire.to;
    const feed = owners.find(({ id }) => id === ownerId)?.part;
    const mv = feed?.figures.outMv ?? feed?.figures.nominalMv;
    if (mv !== undefined) return mv;
  }
  const supply = owner.part?.kind.supply(owner.part.figures) ?? null;
  if (!supply || !board) return logicMv;
  const fits = (mv: number) => mv >= supply.minMv && mv <= supply.maxMv;
  if (fits(logicMv)) return logicMv;
  const rails = [...pinsOf(board).values()].flatMap(({ givesMv }) => (givesMv === null ? [] : [givesMv]));
  return rails.find(fits) ?? logicMv;
}

/** The small part of that role that is fitted for a terminal, if any. */
export function fittedFor({ gadget }: Nets, role: string, forId: string, terminal?: string) {
  return gadget.wiring.companions.find(
    (one) =>
      one.fate === 'fitted' &&
      one.role === role &&
      one.forId === forId &&
      (terminal === undefined || one.terminal === terminal),
  );
}

/**
 * What a light on a pin really draws, µA, through its resistor: (supply − forward)/R; without one, more than any pin
 * gives: null.
 */
export function lampUa(nets: Nets, { id, part }: Owner, terminal: string): number | null {
  const lamp = part?.kind.lamps?.(part.figures).find((one) => one.terminal === terminal);
  if (!lamp) return null;
  const resistor = fittedFor(nets, 'light-resistor', id, terminal);
  if (!resistor || resistor.value === 0) return null;
  return Math.max(
    0,
    Math.round(((nets.logicMv - lamp.forwardMv) * 1_000) / (resistor.value * (lamp.inSeries ?? 1))),
  );
}

/** What a lead asks of its pin at worst, µA. */
export function leadUa(nets: Nets, { owner, terminal }: Pick<Lead, 'owner' | 'terminal'>): number {
  const driven = owner.drivers.has(terminal.name);
  return (driven ? null : lampUa(nets, owner, terminal.name)) ?? asksUa(owner, terminal, nets.logicMv);
}
