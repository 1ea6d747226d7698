import type { Board, BusLine, Gadget } from '../gadget/index.ts';
import { boardList } from './boardRegistry.ts';

/** Every board of the catalogue, cheapest first. */
export const boards: readonly Board[] = [...boardList].sort((a, b) => a.priceCents - b.priceCents);

/** The chosen board, the gadget's own before the catalogue's, or null. */
export function boardOf({ wiring }: Pick<Gadget, 'wiring'>): Board | null {
  if (wiring.boardId === null) return null;
  return [...wiring.boards, ...boards].find(({ id }) => id === wiring.boardId) ?? null;
}

/** Every board that this gadget could stand on. */
export function boardChoices({ wiring }: Pick<Gadget, 'wiring'>): Board[] {
  const own = new Set(wiring.boards.map(({ id }) => id));
  return [...wiring.boards, ...boards.filter(({ id }) => !own.has(id))];
}

/** A peripheral that a pin leads to. */
export interface PinUnit {
  unit: string;
  /** Not by way of a switch matrix. */
  native: boolean;
}

/** What a pin can do, read from its words. */
export interface PinFacts {
  name: string;
  index: number;
  port: string;
  in: boolean;
  out: boolean;
  analog: boolean;
  pullUp: boolean;
  pullDown: boolean;
  wake: boolean;
  usb: boolean;
  /** Interrupt line that it shares with others of that name; '' its own; null: none. */
  edge: string | null;
  pwm: PinUnit[];
  bus: (PinUnit & { line: BusLine })[];
  upload: boolean;
  console: boolean;
  boot: 'high' | 'low' | null;
  radio: boolean;
  hidden: boolean;
  ground: boolean;
  /** A rail that it gives, or a supply that it takes at most; mV. */
  givesMv: number | null;
  takesMv: number | null;
  /** The least that such a supply must be, the drop-out of the board's own regulator included; mV; null: not known. */
  fromMv: number | null;
  /** Neither rail nor ground. */
  signal: boolean;
}

const known = new WeakMap<Board, Map<string, PinFacts>>();

/** The pins of a board by name, in the order in which they lie. */
export function pinsOf(board: Board): ReadonlyMap<string, PinFacts> {
  let pins = known.get(board);
  if (!pins) {
    pins = new Map(board.pins.map((pin, index) => [pin.name, readPin(pin, index)]));
    known.set(board, pins);
  }
  return pins;
}

/** Pins that are brought out: those that anything can be led to. */
export const openPins = (board: Board): PinFacts[] =>
  [...pinsOf(board).values()].filter(({ hidden }) => !hidden);

function readPin({ name, port, can }: Board['pins'][number], index: number): PinFacts {
  const has = (word: string) => can.includes(word);
  const units = (what: string) =>
    can.flatMap((word): PinUnit[] => {
      const [lead, unit] = word.split('@');
      if (unit === undefined || lead!.replace('~', '') !== what) return [];
      return [{ unit, native: !lead!.startsWith('~') }];
    });
  const number = (what: string) => {
    const [found] = units(what);
    return found ? Number(found.unit) : null;
  };
  const lines: BusLine[] = ['sda', 'scl', 'mosi', 'miso', 'sck', 'tx', 'rx', 'bclk', 'ws', 'dout'];
  const [line] = units('edge');
  const givesMv = number('gives');
  const takesMv = number('takes');
  return {
    name,
    index,
    port,
    in: has('in'),
    out: has('out'),
    analog: has('analog'),
    pullUp: has('pull-up'),
    pullDown: has('pull-down'),
    wake: has('wake'),
    usb: has('usb'),
    edge: line?.unit ?? (has('edge') ? '' : null),
    pwm: units('pwm'),
    bus: lines.flatMap((one) => units(one).map((unit) => ({ ...unit, line: one }))),
    upload: has('upload'),
    console: has('console'),
    boot: has('boot-high') ? 'high' : has('boot-low') ? 'low' : null,
    radio: has('radio'),
    hidden: has('hidden'),
    ground: has('ground'),
    givesMv,
    takesMv,
    fromMv: number('from'),
    signal: givesMv === null && takesMv === null && !has('ground'),
  };
}
