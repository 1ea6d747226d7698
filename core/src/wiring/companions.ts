import type { Board, Companion, Gadget, Terminal } from '../gadget/index.ts';
import type { Lamp } from '../parts/index.ts';
import { schemeOf, standardAtLeast } from '../scan/index.ts';
import { pullMissing, wantedPull } from './demands.ts';
import { driverOhms, driverRole } from './drivers.ts';
import { netsOf, supplyMvOf, type Nets } from './nets.ts';
import type { Owner } from './owners.ts';

/** Small parts that a wiring wants, by role: what one is called, its unit, and what it usually costs. */
export const companionRoles: Readonly<Record<string, { title: string; unit: string; priceCents: number }>> = {
  'light-resistor': { title: 'Resistor for a light', unit: 'Ω', priceCents: 2 },
  'pull-up': { title: 'Pull-up resistor', unit: 'Ω', priceCents: 2 },
  'pull-down': { title: 'Pull-down resistor', unit: 'Ω', priceCents: 2 },
  'bus-pull-up': { title: 'Bus pull-up resistor', unit: 'Ω', priceCents: 2 },
  'midi-source-resistor': { title: 'MIDI loop resistor, source side', unit: 'Ω', priceCents: 2 },
  'midi-data-resistor': { title: 'MIDI loop resistor, data side', unit: 'Ω', priceCents: 2 },
  'midi-input-resistor': { title: 'MIDI input resistor', unit: 'Ω', priceCents: 2 },
  'midi-input-diode': { title: 'MIDI input protection diode', unit: '', priceCents: 3 },
  'filter-resistor': { title: 'Resistor that smooths pulses', unit: 'Ω', priceCents: 2 },
  'filter-capacitor': { title: 'Capacitor that smooths pulses', unit: 'nF', priceCents: 5 },
  'upload-jumper': { title: 'Jumper, taken out to upload', unit: '', priceCents: 6 },
  'driver-transistor': { title: 'Transistor with base resistor', unit: 'Ω', priceCents: 6 },
  'level-shifter': { title: 'Level shifter', unit: 'lines', priceCents: 90 },
  'flyback-diode': { title: 'Flyback diode', unit: '', priceCents: 4 },
  'key-diode': { title: 'Key diode', unit: '', priceCents: 3 },
  'ladder-resistor': { title: 'Ladder resistor', unit: 'Ω', priceCents: 2 },
  'ladder-pull': { title: 'Ladder pull-up resistor', unit: 'Ω', priceCents: 2 },
  'shift-chip': { title: 'Shift register, eight inputs', unit: 'inputs', priceCents: 55 },
  'expander-chip': { title: 'Pin expander, sixteen inputs', unit: 'inputs', priceCents: 140 },
  'data-resistor': { title: 'Resistor in the pixel data line', unit: 'Ω', priceCents: 2 },
  'buffer-capacitor': { title: 'Capacitor at the pixel lights', unit: 'µF', priceCents: 25 },
};

/** A small part that the wiring as it is needs, with the value worked out. */
export type Proposal = Pick<Companion, 'role' | 'forId' | 'terminal' | 'value' | 'quantity'>;

const one = (role: string, { id }: Owner, terminal: string, value: number, quantity = 1): Proposal => {
  return { role, forId: id, terminal, value, quantity };
};

/**
 * All small parts that the wiring needs, whether decided on or not, in the order of the bill.
 * Sources: `reckoning`, Electric (light resistors); the MIDI standard's loops for 5 V (220 Ω twice) and 3.3 V (33 Ω and
 * 10 Ω); two-wire buses want some kΩ to their supply.
 */
export function proposalsFor(gadget: Gadget): Proposal[] {
  const nets = netsOf(gadget);
  return nets.owners.flatMap((owner) => [
    ...lights(nets, owner),
    ...pulls(nets, owner),
    ...busPulls(nets, owner),
    ...links(nets, owner),
    ...drivers(nets, owner),
    ...jumpers(nets, owner),
    ...shifting(nets, owner),
    ...keys(owner),
  ]);
}

/** R = (supply − forward)/I, shared by those in series, the next standard value above. */
export function lightOhms(
  supplyMv: number,
  { forwardMv, wantUa, inSeries = 1 }: Pick<Lamp, 'forwardMv' | 'wantUa' | 'inSeries'>,
): number | null {
  if (supplyMv <= forwardMv || wantUa <= 0) return null;
  return standardAtLeast(((supplyMv - forwardMv) * 1_000) / (wantUa * inSeries));
}

function lights({ logicMv }: Nets, owner: Owner): Proposal[] {
  const { part } = owner;
  return (part?.kind.lamps?.(part.figures) ?? []).flatMap((lamp) => {
    const value = lightOhms(logicMv, lamp);
    return value === null ? [] : [one('light-resistor', owner, lamp.terminal, value)];
  });
}

function pulls({ leads }: Nets, owner: Owner): Proposal[] {
  return leads.flatMap((lead) => {
    if (lead.owner.id !== owner.id || !lead.terminal.contact || owner.set) return [];
    const outside = wantedPull(owner, lead.terminal) === null;
    if (!outside && !(lead.pin && pullMissing(owner, lead.terminal, lead.pin))) return [];
    return [one(owner.part?.figures.pull === 2 ? 'pull-down' : 'pull-up', owner, lead.terminal.name, 10_000)];
  });
}

/** Whether it is the data line of a two-wire bus, whatever its part calls it. */
export const isTwoWireData = ({ need }: Pick<Terminal, 'need'>): boolean =>
  typeof need === 'object' && need?.bus === 'i2c' && need.line === 'sda';

/** The pair of pull-ups that a two-wire bus gets at that device. */
export const busPullUps = (owner: Owner): Proposal =>
  one('bus-pull-up', owner, owner.terminals.find(isTwoWireData)!.name, 4_700, 2);

/** Two-wire devices that share a bus, by the line of their data. */
export function busesOf({ lines }: Nets): { id: string; owners: Owner[] }[] {
  return lines.flatMap(({ need, group, terminals }) =>
    isTwoWireData({ need }) ? [{ id: group, owners: terminals.map(({ owner }) => owner) }] : [],
  );
}

/** Pull-ups on the modules of a bus, together; Infinity: none. Ω. */
export function modulePullOhms(owners: readonly Owner[]): number {
  const siemens = owners.reduce((sum, { part }) => {
    const ohms = part?.kind.busPullOhms?.(part.figures) ?? 0;
    return ohms > 0 ? sum + 1 / ohms : sum;
  }, 0);
  return siemens === 0 ? Infinity : 1 / siemens;
}

/** For a bus without any pull-up, a pair at its first device. */
function busPulls(nets: Nets, owner: Owner): Proposal[] {
  return busesOf(nets).flatMap(({ owners }) =>
    owners[0]!.id === owner.id && modulePullOhms(owners) === Infinity ? [busPullUps(owner)] : [],
  );
}

/** What a pin drives with ease, and what an amplifier's input does not notice. */
const filterOhms = 1_000;
/** f = 1/(2π·R·C): the next standard value above, so that it passes no more than asked. 0 Hz is taken as one. */
const filterNf = (passesHz: number): number =>
  standardAtLeast(1e9 / (2 * Math.PI * filterOhms * Math.max(1, passesHz)));

function links({ logicMv }: Nets, owner: Owner): Proposal[] {
  switch (owner.part?.kind.id) {
    case 'midi-out': {
      const [source, data] = logicMv >= 4_500 ? [220, 220] : [33, 10];
      return [
        one('midi-source-resistor', owner, 'source', source!),
        one('midi-data-resistor', owner, 'data', data!),
      ];
    }
    case 'midi-in':
      return [one('midi-input-resistor', owner, 'rx', 220), one('midi-input-diode', owner, 'rx', 0)];
    case 'pulse-speaker':
      return [
        one('filter-resistor', owner, 'in', filterOhms),
        one('filter-capacitor', owner, 'in', filterNf(owner.part.figures.filterHz ?? 0)),
      ];
    case 'vibration-motor':
      return [one('flyback-diode', owner, 'drive', 0)];
    case 'pixel-lights':
    case 'light-chain':
      return [one('data-resistor', owner, 'data', 330), one('buffer-capacitor', owner, 'plus', 470)];
    default:
      return [];
  }
}

/**
 * For what takes more than a pin gives. Of several lines with a common end in the part, only that end can be switched:
 * lines that share it cannot have a transistor below them each.
 */
export function driverFor({ board }: Nets, owner: Owner, terminal: Terminal): Proposal | null {
  if (!board || !owner.part || terminal.role !== 'signal' || terminal.maxUa <= board.pinMaxUa) return null;
  const loaded = owner.terminals.filter(({ role, maxUa }) => role === 'signal' && maxUa > 0);
  const ohms = terminal.sinks || loaded.length === 1 ? driverOhms(terminal, board) : null;
  return ohms === null ? null : one(driverRole, owner, terminal.name, ohms);
}

const drivers = (nets: Nets, owner: Owner): Proposal[] =>
  owner.terminals.flatMap((terminal) => driverFor(nets, owner, terminal) ?? []);

/**
 * For what speaks on a line that uploads come in by: something to take it off meanwhile. What only listens spoils none,
 * and a switch need only be left alone.
 */
export const jumperFor = (owner: Owner, terminal: Terminal): Proposal =>
  one('upload-jumper', owner, terminal.name, 0);
const jumpers = ({ leads }: Nets, owner: Owner): Proposal[] =>
  leads.flatMap((lead) =>
    lead.owner.id === owner.id && lead.pin?.upload && lead.terminal.drives
      ? [jumperFor(owner, lead.terminal)]
      : [],
  );

export interface Driver {
  owner: Owner;
  proposal: Proposal;
}

/** A transistor for each line that takes more than a pin of that board gives, and has none yet. */
export function driversFor(gadget: Gadget, board: Board): Driver[] {
  const nets = { ...netsOf(gadget), board };
  return nets.owners.flatMap((owner) =>
    drivers(nets, owner).flatMap((proposal) =>
      owner.drivers.has(proposal.terminal) ? [] : [{ owner, proposal }],
    ),
  );
}

/** A line that needs its level shifted: too low for the part, or too high for the board. */
export interface ShiftedLine {
  terminal: string;
  why: 'too-low' | 'too-high';
}

/** Lines of a part that do not understand the board's levels, or that the board does not stand. */
export function linesToShift(nets: Nets, owner: Owner): ShiftedLine[] {
  if (!nets.board || !owner.part) return [];
  const supplyMv = supplyMvOf(nets, owner);
  return owner.terminals.flatMap(({ name, role, highPerMille, drives }): ShiftedLine[] => {
    if (role !== 'signal') return [];
    // 0.3 V above the supply is what inputs commonly stand.
    if (drives && supplyMv > nets.logicMv + 300) return [{ terminal: name, why: 'too-high' }];
    if (highPerMille > 0 && (supplyMv * highPerMille) / 1_000 > nets.logicMv)
      return [{ terminal: name, why: 'too-low' }];
    return [];
  });
}

function shifting(nets: Nets, owner: Owner): Proposal[] {
  const shifted = linesToShift(nets, owner);
  return shifted.length === 0 ? [] : [one('level-shifter', owner, shifted[0]!.terminal, shifted.length)];
}

function keys(owner: Owner): Proposal[] {
  const { set, part } = owner;
  if (part?.kind.id === 'key-matrix' || !set || set.controlIds.length === 0) return [];
  return schemeOf(set.scheme)
    .parts(set.controlIds.length, set.params)
    .map(({ role, value, quantity }, index) => one(role, owner, `part${index + 1}`, value, quantity));
}

export interface Decided extends Proposal {
  /** null: not decided yet. */
  decision: Companion | null;
}

const keyOf = ({ role, forId, terminal }: Proposal) => `${role} ${forId} ${terminal}`;

/** Proposals with what was decided on each, and what was fitted although nothing asks for it any more. */
export function companionsOf(gadget: Gadget): { wanted: Decided[]; leftOver: Companion[] } {
  const { companions } = gadget.wiring;
  const decisions = new Map(companions.map((companion) => [keyOf(companion), companion]));
  const wanted = proposalsFor(gadget).map((proposal) => ({
    ...proposal,
    decision: decisions.get(keyOf(proposal)) ?? null,
  }));
  const asked = new Set(wanted.map(keyOf));
  return { wanted, leftOver: companions.filter((one) => one.fate === 'fitted' && !asked.has(keyOf(one))) };
}

/** The decision to fit a proposal as it is proposed. */
export function fitted({ role, forId, terminal, value, quantity }: Proposal): Companion {
  return { role, forId, terminal, value, quantity, fate: 'fitted', priceCents: null, have: 0 };
}
