import type { Board, Gadget, Need, Terminal } from '../gadget/index.ts';
import { pinsOf, type PinFacts } from './boards.ts';
import { asksUa } from './drivers.ts';
import { layBoard, seatsByEnd, threadLength, type Seat } from './layout.ts';
import { ownersOf, type Owner } from './owners.ts';
import type { Candidate, Claim, Demand, Problem } from './solver/index.ts';

/** One line that needs a pin: a terminal, or the line of a bus with all that hang on it. */
export interface LineDemand extends Demand {
  /** Lines of one group lead to one peripheral; '': no bus. */
  group: string;
  terminals: { owner: Owner; terminal: Terminal }[];
  need: Need;
  /** The pin that the maker has soldered it to. */
  lockedTo: string | null;
}

export interface WiringProblem extends Problem {
  demands: LineDemand[];
  board: Board;
  pins: readonly PinFacts[];
}

/**
 * What is paid for a choice of pin, in pitches of thread: the solver takes the cheapest sum. Doubling all of them
 * makes threads matter half as much; their order says what is given up last.
 */
export const weights = {
  /** Uploading then wants the part unplugged, or it fights with it. */
  uploadPin: 60,
  /** Lines of the console: a part there sees every message. */
  consolePin: 40,
  /** A pin that decides how the board starts, though this part leaves it alone. */
  bootPin: 30,
  /** A bus by way of the switch matrix. */
  routedBus: 25,
  /** A pull-up to fit because the pin has none. */
  outsidePull: 20,
  /** A level shifter to fit. */
  shiftedLevel: 30,
  /** A rare talent that stays unused, each. */
  wastedAnalog: 8,
  wastedTalent: 2,
} as const;

const isBus = (need: Need): need is Exclude<Need, string> => typeof need === 'object';

/** Lines that need a pin, with all the ways of meeting each. @param board the chosen one */
export function wiringProblem(gadget: Gadget, board: Board): WiringProblem {
  const owners = ownersOf(gadget);
  const pins = [...pinsOf(board).values()];
  const layout = layBoard(board);
  const seats = seatsByEnd(owners, layout);
  const locks = new Map<string, string>(
    gadget.wiring.wires.flatMap(({ ownerId, terminal, to, locked }) =>
      locked && to.kind === 'pin' ? [[`${ownerId}.${terminal}`, to.pin] as const] : [],
    ),
  );
  const demands = lines(owners, board).map((line): LineDemand => {
    const { terminals } = line;
    const keys = terminals.map(({ owner, terminal }): string => `${owner.id}.${terminal.name}`);
    const lockedTo = keys.map((key) => locks.get(key)).find((pin) => pin !== undefined) ?? null;
    const all = pins.flatMap((pin) =>
      waysOn(line, pin, board, gadget.wiring.radioOn).map((way): Candidate => {
        const spot = layout.pins.get(pin.name)!;
        const length = keys.reduce((sum, key) => sum + threadLength(seats.get(key) as Seat, spot, layout), 0);
        return { place: pin.index, cost: Math.round(way.cost + length / keys.length), claims: way.claims };
      }),
    );
    return { ...line, lockedTo, candidates: lockedTo === null ? all : held(all, lockedTo, pins) };
  });
  const capacity: Record<string, number> = { all: board.allPinsMaxUa };
  for (const { port } of pins)
    if (port !== '' && board.portMaxUa > 0) capacity[`port ${port}`] = board.portMaxUa;
  return { board, pins, demands, places: pins.length, capacity };
}

/** What is soldered stays, even where it is wrong: then it takes its pin and claims nothing else. */
function held(all: Candidate[], pinName: string, pins: readonly PinFacts[]): Candidate[] {
  const pin = pins.find(({ name }) => name === pinName);
  if (!pin) return [];
  const ways = all.filter(({ place }) => place === pin.index);
  return ways.length > 0 ? ways : [{ place: pin.index, cost: 0, claims: [] }];
}

export type Line = Pick<LineDemand, 'id' | 'need' | 'terminals' | 'group'>;

/** Terminals as lines: what shares a bus is one line; everything else is its own. */
export function lines(owners: readonly Owner[], board: Board): Line[] {
  const found = new Map<string, Line>();
  const dataPins = [...pinsOf(board).values()].flatMap(({ bus }) => bus.filter(({ line }) => line === 'sda'));
  const twoWireBuses = new Set(dataPins.map(({ unit }) => unit)).size;
  const addresses: Set<number>[] = [];
  const ordinals = new Map<string, number>();
  for (const owner of owners) {
    const address = owner.part?.kind.address?.(owner.part.figures) ?? owner.set?.params.address ?? null;
    const className = owner.part?.kind.id ?? '';
    const ordinal = ordinals.get(className) ?? 0;
    ordinals.set(className, ordinal + 1);
    const twoWire = twoWireBus(addresses, address, Math.max(1, twoWireBuses), owner);
    for (const terminal of owner.terminals) {
      if (terminal.role !== 'signal' || terminal.need === null) continue;
      const { need } = terminal;
      let id = need === 'usb' ? 'usb' : `${owner.id}.${terminal.name}`;
      let group = '';
      if (isBus(need) && need.bus === 'uart') {
        // One serial port can serve a sender and a receiver of one kind, as MIDI out and in.
        group = `uart ${need.baud} ${className.replace(/-(in|out)$/, '')} ${ordinal}`;
      } else if (isBus(need)) {
        group = need.bus === 'i2c' ? `i2c ${twoWire}` : need.bus;
        id = `${group} ${need.line}`;
      }
      const line = found.get(id) ?? { id, need, group, terminals: [] };
      line.terminals.push({ owner, terminal });
      found.set(id, line);
    }
  }
  return [...found.values()];
}

/** Which two-wire bus a device goes to: another one where its address is taken, as long as the board has more. */
function twoWireBus(addresses: Set<number>[], address: number | null, most: number, owner: Owner): number {
  const uses = owner.terminals.some(({ need }) => need !== null && isBus(need) && need.bus === 'i2c');
  if (!uses || address === null) return 0;
  let bus = addresses.findIndex((taken) => !taken.has(address));
  if (bus < 0) bus = addresses.length < most ? addresses.push(new Set()) - 1 : 0;
  addresses[bus]!.add(address);
  return bus;
}

/** What a need claims of the board on that pin; none: the pin cannot do it. */
export function waysOn(
  line: Line,
  pin: PinFacts,
  board: Board,
  radioOn: boolean,
): { cost: number; claims: Claim[] }[] {
  if (pin.hidden || (!pin.signal && line.need !== 'usb')) return [];
  const { need, terminals } = line;
  const amount = Math.max(
    0,
    ...terminals.map(({ owner, terminal }) => asksUa(owner, terminal, board.logicMv)),
  );
  if (amount > board.pinMaxUa) return [];
  // A part that can hold the pin the wrong way at power-up would keep the board from starting.
  if (
    pin.boot !== null &&
    terminals.some(({ terminal: { atBoot } }) => atBoot !== null && atBoot !== pin.boot)
  )
    return [];
  const shared: Claim[] =
    amount === 0
      ? []
      : [
          { resource: 'all', mode: '', amount },
          ...(pin.port === '' ? [] : [{ resource: `port ${pin.port}`, mode: '', amount }]),
        ];
  const cost = pinCost(line, pin, board);
  return abilities(line, need, pin, board, radioOn).map((way) => ({
    cost: cost + way.cost,
    claims: [...way.claims, ...shared],
  }));
}

const timer = (unit: string, mode: string): Claim => ({ resource: `timer ${unit}`, mode, amount: 0 });

function abilities(
  line: Line,
  need: Need,
  pin: PinFacts,
  board: Board,
  radioOn: boolean,
): { cost: number; claims: Claim[] }[] {
  const plain = (can: boolean) => (can ? [{ cost: 0, claims: [] }] : []);
  if (isBus(need))
    return pin.bus
      .filter(({ line: name }) => name === need.line)
      .map(({ unit, native }) => ({
        cost: native ? 0 : weights.routedBus,
        // The lines of a group go to one unit, a unit serves one group, and has each line once.
        claims: [
          { resource: `group ${line.group}`, mode: unit, amount: 0 },
          { resource: `unit ${unit}`, mode: line.group, amount: 0 },
          { resource: `unit ${unit} ${need.line}`, mode: line.id, amount: 0 },
        ],
      }));
  const interrupt: Claim[] = pin.edge
    ? [{ resource: `interrupt ${pin.edge}`, mode: line.id, amount: 0 }]
    : [];
  switch (need) {
    case 'in':
      return plain(pin.in);
    case 'out':
      return plain(pin.out);
    case 'both':
      return plain(pin.in && pin.out);
    case 'analog':
      return plain(pin.analog && !(pin.radio && radioOn));
    case 'pwm':
      return pin.out ? pin.pwm.map(({ unit }) => ({ cost: 0, claims: [timer(unit, 'pwm')] })) : [];
    case 'tone':
      return pin.out ? board.toneTimers.map((unit) => ({ cost: 0, claims: [timer(unit, line.id)] })) : [];
    case 'servo':
      return pin.out ? board.servoTimers.map((unit) => ({ cost: 0, claims: [timer(unit, 'servo')] })) : [];
    case 'edge':
      return pin.in && pin.edge !== null ? [{ cost: 0, claims: interrupt }] : [];
    case 'wake':
      return pin.in && pin.wake ? [{ cost: 0, claims: interrupt }] : [];
    case 'usb':
      return plain(pin.usb && board.usb === 'native');
  }
}

/** What is paid for this pin, whatever it is used for. */
function pinCost({ need, terminals }: Line, pin: PinFacts, board: Board): number {
  let cost = 0;
  if (pin.upload) cost += weights.uploadPin;
  else if (pin.console) cost += weights.consolePin;
  if (pin.boot !== null) cost += weights.bootPin;
  if (terminals.some(({ owner, terminal }) => pullMissing(owner, terminal, pin))) cost += weights.outsidePull;
  if (terminals.some(({ owner, terminal }) => tooHigh(owner, terminal, board))) cost += weights.shiftedLevel;
  if (pin.analog && need !== 'analog') cost += weights.wastedAnalog;
  if (pin.pwm.length > 0 && need !== 'pwm') cost += weights.wastedTalent;
  if (pin.bus.some(({ native }) => native) && !isBus(need)) cost += weights.wastedTalent;
  if (pin.wake && need !== 'wake' && need !== 'edge') cost += weights.wastedTalent;
  return cost;
}

/** The pull that a contact wants inside the pin: up unless its part says down; null: it is fitted outside. */
export function wantedPull({ part }: Owner, terminal: Terminal): 'up' | 'down' | null {
  if (!terminal.contact) return null;
  const pull = part?.figures.pull ?? 1;
  return pull === 0 ? null : pull === 2 ? 'down' : 'up';
}

/** A contact that wants its pull inside a pin that has none. */
export function pullMissing(owner: Owner, terminal: Terminal, pin: PinFacts): boolean {
  const pull = wantedPull(owner, terminal);
  return pull !== null && !(pull === 'up' ? pin.pullUp : pin.pullDown);
}

/** A part that can only work above the board's logic, and drives its pins. */
function tooHigh({ part }: Owner, { drives }: Terminal, { logicMv }: Board): boolean {
  const supply = part?.kind.supply(part.figures);
  return drives && supply !== null && supply !== undefined && supply.minMv > logicMv;
}
