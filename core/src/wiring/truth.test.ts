import { applyEdit, type Edit, type Gadget } from '../gadget/index.ts';
import { figuresOf, partKinds } from '../parts/index.ts';
import { checkGadget, snagRules, soundWays } from '../snag/index.ts';
import { numberVariable } from '../test/fixtures.ts';
import { edited, gadgetOf, pinOf, to, wired, type Piece } from '../test/wiringFixtures.ts';
import {
  boardOf,
  boards,
  compareBoards,
  fitted,
  gaugesOf,
  layWiring,
  pinsOf,
  proposalsFor,
  waysOut,
} from './index.ts';

const of = (gadget: Gadget, id: string) =>
  checkGadget(
    gadget,
    snagRules.filter((rule) => rule.id === id),
  ).snags;
const laidOn = (gadget: Gadget) => {
  const laid = layWiring(gadget, boardOf(gadget)!);
  if (laid.outcome !== 'laid') throw new Error(laid.outcome);
  return laid;
};

describe('what is offered', () => {
  it('are addresses that a part can have, until there are none', () => {
    const bus = (count: number, kind: string) =>
      wired(gadgetOf('board-8bit-20', ...Array.from({ length: count }, (): Piece => [kind])));
    for (const kind of partKinds) {
      if (!kind.address) continue;
      expect(kind.addresses).toContain(kind.address(kind.defaults));
      let gadget = bus(2, kind.id);
      const [clash] = of(gadget, 'W09');
      gadget = applyEdit(gadget, clash!.mend!.edit);
      expect(of(gadget, 'W09')).toEqual([]);
      expect(gadget.parts.every((part) => kind.addresses!.includes(figuresOf(part).address!))).toBe(true);
    }
    // Three of a kind that knows two addresses.
    const three = bus(3, 'motion-sensor');
    const first = applyEdit(three, of(three, 'W09')[0]!.mend!.edit);
    expect(of(first, 'W09')[0]!.mend).toBeUndefined();
  });

  it('is a pin of its own for each of several that are wrong in one way', () => {
    const lamps = gadgetOf('board-radio-30', ['light'], ['light'], ['light']);
    const wrong = ['L3', 'L4', 'L5'].reduce((on, pin, n) => to(on, `p${n + 1}`, 'anode', pin), wired(lamps));
    const found = of(wrong, 'W02');
    expect(found.length).toBeGreaterThan(1);
    const pins = found.map(({ mend }) => mend!.values!.pin);
    expect(new Set(pins).size).toBe(pins.length);
    const all = found.reduce((gadget, { mend }) => applyEdit(gadget, mend!.edit), wrong);
    expect([...of(all, 'W02'), ...of(all, 'W01')]).toEqual([]);
  });

  it('are ways out that break nothing, the obvious one first', () => {
    const bright = gadgetOf('board-32bit-26', ['light', { wantUa: 13_000 }]);
    const board = boardOf(bright)!;
    expect(board.pinMaxUa).toBeLessThan(13_000);
    const laid = layWiring(bright, board);
    if (laid.outcome !== 'impossible') throw new Error(laid.outcome);
    const ways = soundWays(bright, waysOut(bright, board, laid.clashes, 'Keys'));
    expect(ways[0]).toMatchObject({ kind: 'current', extraCents: 0 });
    for (const { edit } of ways) {
      const laidOut = applyEdit(bright, edit);
      const decided = applyEdit(laidOut, { name: 'decide', args: [proposalsFor(laidOut).map(fitted)] });
      expect(checkGadget(decided).snags.filter(({ level }) => level === 'stop')).toEqual([]);
    }
    // A way that leads power nowhere is none.
    const cut = { edit: { name: 'chooseBoard', args: ['computer-26'] } as Edit };
    const soldered = wired(gadgetOf('board-8bit-20', ['light'], ['potentiometer']));
    expect(soundWays(soldered, [cut])).toEqual([]);
  });
});

describe('what is said of a wiring', () => {
  it('leaves no two threads that would be better swapped, at the same cost', () => {
    for (const count of [5, 9]) {
      const gadget = gadgetOf(
        'board-8bit-20',
        ...Array.from({ length: count }, (): Piece => ['push-button']),
      );
      const laid = laidOn(gadget);
      expect(laid.cost).toBe(laid.bound);
      const pins = gadget.parts.map(({ id }) =>
        pinOf(edited(gadget, { name: 'layWires', args: [laid.wires] }), id, 'contact')!,
      );
      const places = pinsOf(boardOf(gadget)!);
      const height = (pin: string) => places.get(pin)!.index;
      expect(new Set(pins.map(height)).size).toBe(count);
      expect(laid.crossings).toBe(0);
    }
  });

  it('names the board that lacks a soldered pin, not a want of pins', () => {
    const there = wired(gadgetOf('board-8bit-20', ['push-button']));
    const pin = pinOf(there, 'p1', 'contact')!;
    const soldered = edited(there, { name: 'lockWire', args: ['p1', 'contact', true] });
    const moved = edited(soldered, { name: 'chooseBoard', args: ['computer-26'] });
    expect(pinsOf(boardOf(moved)!).has(pin)).toBe(false);
    const row = compareBoards(moved).find(({ board }) => board.id === 'computer-26')!;
    const fault = row.faults.find(({ kind }) => kind === 'pins');
    expect(fault).toMatchObject({ clashes: [{ lockedTo: pin, lockedMissing: true }] });
  });

  it('counts what is kept by its ranges, and lists by all their places', () => {
    const list = {
      ...numberVariable({ id: 'v2', name: 'log', max: 200, saved: { when: 'asked' } }),
      kind: 'list' as const,
      length: 64,
      columns: 1,
    };
    const { unit: _unit, ...plain } = list;
    const gadget = gadgetOf('board-8bit-20');
    const kept: Gadget = {
      ...gadget,
      flow: {
        ...gadget.flow,
        variables: [
          numberVariable({ max: 255, saved: { when: 'change' } }),
          plain,
          numberVariable({ id: 'v3', name: 'hz', max: 20_000, saved: { when: 'asked' } }),
          numberVariable({ id: 'v4', name: 'free' }),
        ],
      },
    };
    const gauge = (id: string) => gaugesOf(kept).find((one) => one.id === id)!.used;
    expect(gauge('settings')).toBe(1 + 64 + 2);
    expect(gauge('ram')).toBe(4 * (1 + 64 + 1 + 1));
  });

  it('lets those be who are innocent', () => {
    const charged = (linked: number) =>
      of(gadgetOf(null, ['cell', { inSeries: 2, linked }], ['charger']), 'P11').length;
    expect([charged(1), charged(0)]).toEqual([1, 0]);
    const lit = (piece: Piece) =>
      of(
        edited(wired(gadgetOf('board-8bit-20', piece)), {
          name: 'undecide',
          args: ['light-resistor', 'p1', 'anode'],
        }),
        'W15',
      ).length;
    expect([
      lit(['light']),
      lit(['light', { ownResistor: 1 }]),
      lit(['lit-key']),
      lit(['lit-key', { ownResistor: 1 }]),
    ]).toEqual([1, 0, 1, 0]);
    const lamp = (forwardMv: number) => {
      const keys = gadgetOf(
        'board-32bit-26',
        ['key-matrix', { rows: 2, columns: 2 }],
        ['light', { forwardMv, wantUa: 4_000 }],
      );
      const laid = wired(keys);
      return of(to(laid, 'p2', 'anode', pinOf(laid, 'p1', 'col1')!), 'K04').map(({ level }) => level);
    };
    // A high begins at 2.31 V: a red light pulls it down, a white one lets it be.
    expect([lamp(2_000), lamp(3_000)]).toEqual([['stop'], ['note']]);
    const native = boards
      .filter(({ usb }) => usb === 'native')
      .map(({ id }) => [id, of(gadgetOf(id, ['usb-keyboard']), 'W22').length]);
    expect(native.filter(([, found]) => found === 1).map(([id]) => id)).toEqual(['computer-26']);
    const cell = (boardId: string, ...pieces: Piece[]) =>
      of(wired(gadgetOf(boardId, ['cell'], ...pieces)), 'P04').map(({ values }) => values.reason);
    expect(cell('board-32bit-26')).toEqual([]);
    expect(cell('board-8bit-20', ['booster', { outMv: 7_000 }])).toEqual([]);
  });
});
