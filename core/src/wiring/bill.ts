import { bytesEach, variableSize, type Board, type Gadget } from '../gadget/index.ts';
import { figuresOf, kindOf, priceOf } from '../parts/index.ts';
import { storedSounds, tuneMemory, tunesPerformed } from '../notes/index.ts';
import { storedBytes } from '../screen/index.ts';
import { boardOf, openPins } from './boards.ts';
import { companionRoles } from './companions.ts';
import { wiringProblem } from './demands.ts';
import { ownersOf } from './owners.ts';

/** One line of the bill. Cents are hundredths of the gadget's currency. */
export interface BillLine {
  kind: 'part' | 'companion' | 'board';
  /** Of the part; of what a companion is for. */
  id: string;
  /** The class of a part, the role of a companion, the id of a board. */
  classId: string;
  name: string;
  value: number | null;
  quantity: number;
  have: number;
  eachCents: number;
  /** For what is still to buy. */
  toPayCents: number;
}

export interface Bill {
  lines: BillLine[];
  /** As if nothing were in the drawer. */
  worthCents: number;
  toPayCents: number;
}

/** Every part, fitted companion and the board, added up. */
export function billOf(gadget: Gadget): Bill {
  const board = boardOf(gadget);
  const line = (of: Omit<BillLine, 'toPayCents'>): BillLine => {
    return { ...of, toPayCents: Math.max(0, of.quantity - of.have) * of.eachCents };
  };
  const owners = new Map(ownersOf(gadget).map(({ id, name }) => [id, name]));
  const lines = [
    ...(board
      ? [
          line({
            kind: 'board',
            id: board.id,
            classId: board.id,
            name: board.name,
            value: null,
            quantity: 1,
            have: 0,
            eachCents: board.priceCents,
          }),
        ]
      : []),
    ...gadget.parts.map((part) => {
      const { id, kind, name, quantity, have } = part;
      const eachCents = priceOf(part);
      return line({
        kind: 'part',
        id,
        classId: kind,
        name,
        value: null,
        quantity,
        have,
        eachCents,
      });
    }),
    ...gadget.wiring.companions
      .filter(({ fate }) => fate === 'fitted')
      .map(({ role, forId, value, quantity, have, priceCents }) =>
        line({
          kind: 'companion',
          id: forId,
          classId: role,
          name: owners.get(forId) ?? '',
          value,
          quantity,
          have,
          eachCents: priceCents ?? companionRoles[role]?.priceCents ?? 0,
        }),
      ),
  ];
  return {
    lines,
    worthCents: lines.reduce((sum, { quantity, eachCents }) => sum + quantity * eachCents, 0),
    toPayCents: lines.reduce((sum, { toPayCents }) => sum + toPayCents, 0),
  };
}

/** Bytes that what survives power-off takes: each number in as many as its range needs. */
export function settingsBytes({ flow }: Pick<Gadget, 'flow'>): number {
  return flow.variables
    .filter(({ saved }) => saved !== null)
    .reduce((sum, variable) => sum + bytesEach(variable) * variableSize(variable), 0);
}

/** Bytes of the program that tunes take which anything plays, each written as is shortest. */
export const tunesBytes = (gadget: Gadget): number =>
  tunesPerformed(gadget).reduce((sum, tune) => sum + tuneMemory(tune).bytes, 0);

/** Bytes of the program that sounds take which a pin plays by its pulses. */
export const soundsBytes = (gadget: Gadget, board: Board | null): number =>
  storedSounds(gadget, board?.clockHz ?? null).reduce((sum, { bytes }) => sum + bytes, 0);

export interface Gauge {
  id: 'pins' | 'analog' | 'pwm' | 'edge' | 'bus' | 'railTypical' | 'railWorst' | 'ram' | 'flash' | 'settings';
  used: number;
  /** null: nothing to measure against, as no board is chosen. */
  of: number | null;
}

/** What the parts take of the board: pins by what they must be able to do, current, memory as far as known. */
export function gaugesOf(gadget: Gadget, board: Board | null = boardOf(gadget)): Gauge[] {
  const pins = board ? openPins(board).filter(({ signal, usb }) => signal && !usb) : null;
  const able = (can: (pin: NonNullable<typeof pins>[number]) => boolean) =>
    pins ? pins.filter(can).length : null;
  const demands = board ? wiringProblem(gadget, board).demands : [];
  const needs = (test: (need: unknown) => boolean) => demands.filter(({ need }) => test(need)).length;
  const draws = gadget.parts.map((part) => kindOf(part).draws(figuresOf(part)));
  const memory = gadget.parts.map((part) => kindOf(part).memory?.(figuresOf(part)) ?? {});
  const sum = (values: readonly (number | undefined)[]) =>
    values.reduce<number>((all, value) => all + (value ?? 0), 0);
  const { variables } = gadget.flow;
  // A table stays as it is: it lies with the program.
  const changing = variables.filter(({ kind }) => kind !== 'table');
  const tables = sum(variables.map((one) => (one.kind === 'table' ? bytesEach(one) * variableSize(one) : 0)));
  const own = board?.ownUa ?? 0;
  const extra = -Math.min(0, sum(memory.map(({ settings }) => settings)));
  return [
    { id: 'pins', used: demands.filter(({ need }) => need !== 'usb').length, of: able(() => true) },
    {
      id: 'analog',
      used: needs((need) => need === 'analog'),
      of: able((pin) => pin.analog && !(pin.radio && gadget.wiring.radioOn)),
    },
    { id: 'pwm', used: needs((need) => need === 'pwm'), of: able((pin) => pin.pwm.length > 0) },
    {
      id: 'edge',
      used: needs((need) => need === 'edge' || need === 'wake'),
      of: able((pin) => pin.edge !== null || pin.wake),
    },
    { id: 'bus', used: needs((need) => typeof need === 'object'), of: able((pin) => pin.bus.length > 0) },
    {
      id: 'railTypical',
      used: own + sum(draws.map(({ typicalUa }) => typicalUa)),
      of: board?.railMaxUa ?? null,
    },
    { id: 'railWorst', used: own + sum(draws.map(({ worstUa }) => worstUa)), of: board?.railMaxUa ?? null },
    {
      id: 'ram',
      used: 4 * sum(changing.map(variableSize)) + sum(memory.map(({ ram }) => ram)),
      of: board?.ramBytes ?? null,
    },
    {
      id: 'flash',
      used:
        sum(memory.map(({ flash }) => flash)) +
        storedBytes(gadget) +
        tables +
        tunesBytes(gadget) +
        soundsBytes(gadget, board),
      of: board?.flashBytes ?? null,
    },
    { id: 'settings', used: settingsBytes(gadget), of: board ? board.settingsBytes + extra : null },
  ];
}
