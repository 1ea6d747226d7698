import {
  asOneEdit,
  nextId,
  type Derived,
  type Edit,
  type Gadget,
  type Place,
  type SingleEdit,
  type Snag,
  type SnagLevel,
  type Terminal,
} from '../../gadget/index.ts';
import { pinsOf, type PinFacts } from '../boards.ts';
import { companionRoles, fitted, type Proposal } from '../companions.ts';
import { waysOn, type Line } from '../demands.ts';
import { netsIn, signalLeads, type Lead, type Nets } from '../nets.ts';
import type { Owner } from '../owners.ts';

export type PinLead = Lead & { pin: PinFacts };

/** Where an owner is found in the document. */
export const placeOf = ({ id, set }: Owner): Place => ({ kind: set ? 'keySet' : 'part', id });

/** What every wiring snag says: who, which terminal, which pin. */
export const leadValues = ({ owner, terminal }: Pick<Lead, 'owner' | 'terminal'>, pin: string) => ({
  name: owner.name,
  terminal: terminal.name,
  pin,
});

export const needWord = ({ need }: Terminal): string =>
  need === null ? 'supply' : typeof need === 'string' ? need : need.line;

/** The line of the board that a lead belongs to. */
export const lineOf = (
  { lines }: Nets,
  { owner, terminal }: Pick<Lead, 'owner' | 'terminal'>,
): Line | undefined =>
  lines.find(({ terminals }) =>
    terminals.some((one) => one.owner.id === owner.id && one.terminal.name === terminal.name),
  );

/** The best pin that is free and can do what the lead needs; leads that share a bus line move together or not at all. */
export function freePinFor(
  nets: Nets,
  lead: Pick<Lead, 'owner' | 'terminal'>,
  may: (pin: PinFacts) => boolean = () => true,
): PinFacts | null {
  const line = lineOf(nets, lead);
  if (!nets.board || !line) return null;
  const { board } = nets;
  const own = new Set(line.terminals.map(({ owner, terminal }) => `${owner.id}.${terminal.name}`));
  const free = [...pinsOf(board).values()]
    .filter(may)
    .filter((pin) =>
      (nets.byPin.get(pin.name) ?? []).every(({ owner, terminal }) =>
        own.has(`${owner.id}.${terminal.name}`),
      ),
    );
  const ways = free.flatMap((pin) =>
    waysOn(line, pin, board, nets.gadget.wiring.radioOn).map(({ cost }) => ({ pin, cost })),
  );
  const traps = ({ upload, console: talks, boot }: PinFacts) => upload || talks || boot !== null;
  return ways.filter(({ pin }) => !traps(pin)).sort((a, b) => a.cost - b.cost)[0]?.pin ?? null;
}

/** Pins that are offered in one check run, by line. */
const offers = new WeakMap<Nets, Map<string, string>>();
function offeredOf(nets: Nets): Map<string, string> {
  const known = offers.get(nets) ?? new Map<string, string>();
  offers.set(nets, known);
  return known;
}

/** Leads the line of a lead to a pin that can do it and is free. */
export function movePin(
  nets: Nets,
  lead: Pick<Lead, 'owner' | 'terminal'>,
  may?: (pin: PinFacts) => boolean,
): Pick<Snag, 'mend'> {
  const line = lineOf(nets, lead);
  // One free pin is not offered to several: what is offered to all of them can be done for all of them.
  const offered = offeredOf(nets);
  const taken = [...offered].flatMap(([other, name]) => (other === line?.id ? [] : [name]));
  const pin = freePinFor(nets, lead, (one) => !taken.includes(one.name) && (may?.(one) ?? true));
  if (pin && line) offered.set(line.id, pin.name);
  if (!pin || !line || (lead as Lead).pin?.name === pin.name) return {};
  const wires = line.terminals.map(({ owner, terminal }): SingleEdit => ({
    name: 'wire',
    args: [owner.id, terminal.name, { kind: 'pin', pin: pin.name }, false],
  }));
  return { mend: { key: 'movePin', edit: asOneEdit(wires), values: { pin: pin.name } } };
}

/** Leads one end to that pin; without one, there is nothing to offer. */
export function leadTo(
  { owner, terminal }: Pick<Lead, 'owner' | 'terminal'>,
  pin: PinFacts | null | undefined,
): Pick<Snag, 'mend'> {
  if (!pin) return {};
  const edit: Edit = {
    name: 'wire',
    args: [owner.id, terminal.name, { kind: 'pin', pin: pin.name }, false],
  };
  return { mend: { key: 'movePin', edit, values: { pin: pin.name } } };
}

/** Fits that small part. */
export function fit(proposal: Proposal): Pick<Snag, 'mend'> {
  const { role, value } = proposal;
  const ohms = companionRoles[role]?.unit === 'Ω' ? value : 0;
  return {
    mend: {
      key: 'fitCompanion',
      edit: { name: 'decide', args: [[fitted(proposal)]] },
      values: { role, ohms },
    },
  };
}

/** Adds a part without anything to play, and then wires it; `wires` is given its id. */
export function withNewPart(
  gadget: Gadget,
  kind: string,
  name: string,
  wires: (id: string) => readonly SingleEdit[],
): Edit {
  const part = { kind, own: null, name, figures: {}, priceCents: null, quantity: 1, have: 0 };
  return {
    name: 'several',
    args: [[{ name: 'addPart', args: [part, []] }, ...wires(nextId(gadget, 'part'))]],
  };
}

/** A snag of one lead on one pin. */
export function leadSnag(
  rule: string,
  level: SnagLevel,
  lead: Pick<Lead, 'owner' | 'terminal'>,
  values: Snag['values'],
  mend: Pick<Snag, 'mend'> = {},
): Snag {
  return { rule, level, place: placeOf(lead.owner), values, ...mend };
}

/** One snag for each signal on a pin that the test finds something about. */
export function onEachPin(
  gadget: Gadget,
  derived: Derived,
  check: (lead: PinLead, nets: Nets) => Snag[] | Snag | null,
): Snag[] {
  const nets = netsIn(gadget, derived);
  if (!nets.board) return [];
  return signalLeads(nets).flatMap((lead) => check(lead, nets) ?? []);
}

/** Leads to one pin that are not one line, each line once. */
export function sharers(nets: Nets, pinName: string): { lead: Lead; line: Line }[] {
  const found = new Map<string, { lead: Lead; line: Line }>();
  for (const lead of nets.byPin.get(pinName) ?? []) {
    const line = lead.terminal.role === 'signal' ? lineOf(nets, lead) : undefined;
    if (line && !found.has(line.id)) found.set(line.id, { lead, line });
  }
  return [...found.values()];
}

export const isScanned = ({ owner }: Pick<Lead, 'owner'>) =>
  owner.set !== null ? owner.set.scheme !== 'direct' : owner.part?.kind.id === 'key-matrix';
export const isLight = ({ owner, terminal }: Pick<Lead, 'owner' | 'terminal'>) =>
  owner.part?.kind.lamps?.(owner.part.figures).some((lamp) => lamp.terminal === terminal.name) === true;
