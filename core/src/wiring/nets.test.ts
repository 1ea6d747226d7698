import { edited, gadgetOf, pinOf, to, wired, type Piece } from '../test/wiringFixtures.ts';
import { choicesFor } from './choices.ts';
import { lampUa, leadUa, netsOf, signalLeads, supplyMvOf } from './nets.ts';
import { railFor, supplyWires } from './supplies.ts';
import { boardOf } from './boards.ts';
import { crossings, layBoard, seatsOf, threadLength } from './layout.ts';
import { ownersOf } from './owners.ts';

const small = 'board-8bit-20';
const flex = 'board-32bit-26';
const ownerOf = (gadget: ReturnType<typeof gadgetOf>, id: string) =>
  ownersOf(gadget).find((one) => one.id === id)!;

describe('nets', () => {
  it('share buses as one line, and keep what shares nothing apart', () => {
    const two: Piece[] = [
      ['graphic-display-two-wire'],
      ['settings-memory'],
      ['memory-card'],
      ['graphic-display-spi'],
    ];
    const lines = netsOf(gadgetOf(small, ...two)).lines.map(({ id, terminals }) => [id, terminals.length]);
    expect(lines).toEqual([
      ['i2c 0 sda', 2],
      ['i2c 0 scl', 2],
      ['spi mosi', 2],
      ['spi miso', 1],
      ['spi sck', 2],
      ['p3.select', 1],
      ['p4.select', 1],
      ['p4.mode', 1],
      ['p4.reset', 1],
    ]);
  });

  it('give two devices of one address a bus each, where the board has two', () => {
    const twins: Piece[] = [['graphic-display-two-wire'], ['graphic-display-two-wire']];
    const groups = (boardId: string) =>
      new Set(netsOf(gadgetOf(boardId, ...twins)).lines.map(({ group }) => group));
    expect(groups(flex)).toEqual(new Set(['i2c 0', 'i2c 1']));
    expect(groups(small)).toEqual(new Set(['i2c 0']));
    const laid = wired(gadgetOf(flex, ...twins));
    expect(pinOf(laid, 'p1', 'sda')).not.toBe(pinOf(laid, 'p2', 'sda'));
  });

  it('let MIDI in and out share a serial port, and two outs not', () => {
    const groups = (...pieces: Piece[]) => netsOf(gadgetOf(small, ...pieces)).lines.map(({ group }) => group);
    const [out, into] = groups(['midi-out'], ['midi-in']);
    expect(out).toBe(into);
    expect(new Set(groups(['midi-out'], ['midi-out'])).size).toBe(2);
  });

  it('know what a part is fed with, wired or not', () => {
    const card = wired(gadgetOf(small, ['memory-card'], ['piezo']));
    const mv = (gadget: ReturnType<typeof gadgetOf>, id: string) =>
      supplyMvOf(netsOf(gadget), ownerOf(gadget, id));
    expect(mv(card, 'p1')).toBe(3_300);
    expect(mv(to(card, 'p1', 'plus', '5V'), 'p1')).toBe(5_000);
    expect(mv(gadgetOf(flex, ['servo']), 'p1')).toBe(5_000);
    expect(mv(gadgetOf(flex, ['light']), 'p1')).toBe(3_300);
    const fed = edited(gadgetOf(small, ['servo'], ['booster', { outMv: 6_000 }]), {
      name: 'wire',
      args: ['p1', 'plus', { kind: 'terminal', ownerId: 'p2', terminal: 'out' }, false],
    });
    expect(mv(fed, 'p1')).toBe(6_000);
  });

  it('tell what a light really draws through its resistor', () => {
    const lamp = wired(gadgetOf(small, ['light']));
    // (5 V − 2 V) / 390 Ω.
    expect(lampUa(netsOf(lamp), ownerOf(lamp, 'p1'), 'anode')).toBe(7_692);
    const bare = edited(lamp, { name: 'undecide', args: ['light-resistor', 'p1', 'anode'] });
    expect(lampUa(netsOf(bare), ownerOf(bare, 'p1'), 'anode')).toBeNull();
    expect(leadUa(netsOf(bare), netsOf(bare).leads[0]!)).toBe(8_000);
    expect(signalLeads(netsOf(lamp)).map(({ terminal }) => terminal.name)).toEqual(['anode']);
  });
});

describe('supplies', () => {
  it('take the rail of the logic where a part works from it, another where it must', () => {
    const rail = (boardId: string, piece: Piece) => {
      const gadget = gadgetOf(boardId, piece);
      return railFor(ownerOf(gadget, 'p1'), boardOf(gadget)!)?.name ?? null;
    };
    expect(rail(small, ['graphic-display-spi'])).toBe('5V');
    expect(rail(small, ['memory-card'])).toBe('3V3');
    expect(rail(flex, ['graphic-display-spi'])).toBe('3V3');
    expect(rail(flex, ['servo'])).toBe('VBUS');
    expect(rail('chip-8', ['graphic-display-spi'])).toBeNull();
  });

  it('lead from the cell by fuse, diode, switch and converter to the board, in that order', () => {
    const pieces: Piece[] = [
      ['light'],
      ['booster'],
      ['power-switch'],
      ['cell'],
      ['protection-diode'],
      ['fuse'],
      ['charger'],
    ];
    const gadget = gadgetOf(small, ...pieces);
    const chain = supplyWires(gadget, boardOf(gadget)!)
      .filter(({ terminal }) => ['in', 'out', 'cell'].includes(terminal))
      .map(
        ({ ownerId, terminal, to: end }) =>
          `${ownerId}.${terminal} ${end.kind === 'pin' ? end.pin : `${end.ownerId}.${end.terminal}`}`,
      );
    expect(chain).toEqual([
      'p6.in p4.plus',
      'p5.in p6.out',
      'p3.in p5.out',
      'p2.in p3.out',
      'p2.out VIN',
      'p7.cell p4.plus',
      'p7.in 5V',
    ]);
  });

  it('spread the grounds', () => {
    const gadget = wired(gadgetOf(small, ['light'], ['light'], ['light'], ['light']));
    const used = ['p1', 'p2', 'p3', 'p4'].map((id) => pinOf(gadget, id, 'cathode'));
    expect(new Set(used)).toEqual(new Set(['GND1', 'GND2']));
  });
});

describe('places that an end can be led to', () => {
  const gadget = wired(gadgetOf(small, ['potentiometer'], ['push-button'], ['cell'], ['fuse']));
  const nets = netsOf(gadget);
  const choices = (id: string, terminal: string) =>
    choicesFor(
      nets,
      nets.leads.find((lead) => lead.owner.id === id && lead.terminal.name === terminal)!,
    );

  it('come able and free first, and say who is there already', () => {
    const list = choices('p1', 'wiper');
    expect(list.slice(0, 2).every(({ able, takenBy }) => able && takenBy === null)).toBe(true);
    expect(list.find(({ name }) => name === 'P4')).toMatchObject({ able: false });
    expect(list.find(({ name }) => name === pinOf(gadget, 'p2', 'contact'))).toMatchObject({ takenBy: 'p2' });
    expect(list.find(({ name }) => name === pinOf(gadget, 'p1', 'wiper'))).toMatchObject({ takenBy: null });
  });

  it('are grounds for grounds, rails and feeds for supplies', () => {
    expect(
      choices('p2', 'far')
        .filter(({ able }) => able)
        .map(({ name }) => name),
    ).toEqual(['GND1', 'GND2']);
    const supply = choices('p1', 'plus')
      .filter(({ able }) => able)
      .map(({ name }) => name);
    expect(supply).toEqual(['p3 plus', 'p4 out', '5V', '3V3']);
    expect(
      choices('p4', 'out')
        .filter(({ able }) => able)
        .map(({ name }) => name),
    ).toEqual(['VIN']);
  });
});

describe('the drawing', () => {
  const gadget = gadgetOf(small, ['push-button'], ['light'], ['piezo'], ['potentiometer']);
  const layout = layBoard(boardOf(gadget)!);
  const [first, second] = seatsOf(ownersOf(gadget), layout);

  it('measures threads along the squares', () => {
    expect(threadLength(first!, { x: 0, y: first!.y, edge: 'left' }, layout)).toBe(7);
    expect(threadLength(first!, { x: layout.width, y: first!.y + 2, edge: 'right' }, layout)).toBe(
      9 + layout.width,
    );
  });

  it('counts crossings of threads that begin on one side', () => {
    const at = (y: number) => ({ x: 0, y, edge: 'left' as const });
    expect(
      crossings([
        { seat: first!, spot: at(1) },
        { seat: second!, spot: at(4) },
      ]),
    ).toBe(0);
    expect(
      crossings([
        { seat: first!, spot: at(4) },
        { seat: second!, spot: at(1) },
      ]),
    ).toBe(1);
  });
});
