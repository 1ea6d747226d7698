import * as fc from 'fast-check';
import { applyEdit, boardSchema, type Edit, type Gadget } from '../gadget/index.ts';
import { checkGadget, snagRules } from '../snag/index.ts';
import { edited, gadgetOf, pinOf, to, wired, type Piece } from '../test/wiringFixtures.ts';
import {
  billOf,
  boardOf,
  boards,
  companionsOf,
  compareBoards,
  compareSchemes,
  gaugesOf,
  layBoard,
  layWiring,
  pinsOf,
  proposalsFor,
  seatsOf,
  ownersOf,
  waysOut,
  wiringOrder,
} from './index.ts';

const key: Piece = ['push-button'];
const times = (count: number, piece: Piece) => Array.from({ length: count }, () => piece);
/** Findings of the rules about wiring, keys and power that are more than notes. */
const stops = (gadget: Gadget) =>
  checkGadget(
    gadget,
    snagRules.filter(({ id }) => /^[WKP]/.test(id)),
  ).snags.filter(({ level }) => level !== 'note');

describe('boards', () => {
  it('are what their schema asks for, nine classes of them', () => {
    expect(boards.length).toBeGreaterThanOrEqual(8);
    for (const board of boards) expect(boardSchema.safeParse(board)).toMatchObject({ success: true });
    expect(new Set(boards.map(({ id }) => id)).size).toBe(boards.length);
  });

  it('have the traps that real ones have', () => {
    const pins = boards.flatMap((board) => [...pinsOf(board).values()].map((pin) => ({ board, pin })));
    const some = (trap: (one: (typeof pins)[number]) => boolean) => expect(pins.some(trap)).toBe(true);
    some(({ pin }) => pin.in && !pin.out);
    some(({ pin }) => pin.upload);
    some(({ pin }) => pin.boot !== null);
    some(({ pin }) => pin.hidden);
    some(({ pin }) => pin.analog && pin.radio);
    some(({ pin }) => pin.in && !pin.pullUp);
    some(({ board, pin }) => board.toneTimers.some((timer) => pin.pwm.some(({ unit }) => unit === timer)));
    expect(new Set(boards.map(({ logicMv }) => logicMv))).toEqual(new Set([3_300, 5_000]));
  });

  it('lie with every pin that is brought out at a place of its own', () => {
    for (const board of boards) {
      const { pins } = layBoard(board);
      expect(pins.size).toBe([...pinsOf(board).values()].filter(({ hidden }) => !hidden).length);
      expect(new Set([...pins.values()].map(({ x, y, edge }) => `${x} ${y} ${edge}`)).size).toBe(pins.size);
    }
  });
});

describe('laying the wires', () => {
  const pieces: Piece[] = [
    ...times(3, key),
    ['encoder-push'],
    ['graphic-display-two-wire'],
    ['light'],
    ['piezo'],
    ['midi-out'],
    ['potentiometer'],
  ];

  it('gives every line a pin that can do it, so that no snag is left', () => {
    const gadget = wired(gadgetOf('board-8bit-20', ...pieces));
    expect(stops(gadget)).toEqual([]);
    // The only serial port is the one for uploading: said, as a note.
    expect(checkGadget(gadget).snags.filter(({ rule }) => rule === 'W04')).toMatchObject([{ level: 'note' }]);
  });

  it('leaves nothing to complain about on any board that it fits, whatever the parts', () => {
    const any = fc.constantFrom<Piece>(
      key,
      ['light'],
      ['light', { fades: 1 }],
      ['encoder'],
      ['piezo'],
      ['servo'],
      ['potentiometer'],
      ['settings-memory'],
      ['graphic-display-spi'],
      ['midi-out'],
      ['midi-in'],
      ['push-button', { wakes: 1 }],
      ['push-button', { pull: 0 }],
      ['key-matrix', { rows: 2, columns: 2 }],
    );
    let laid = 0;
    fc.assert(
      fc.property(
        fc.constantFrom(...boards.map(({ id }) => id)),
        fc.array(any, { maxLength: 9 }),
        (board, list) => {
          const gadget = gadgetOf(board, ...list);
          if (layWiring(gadget, boardOf(gadget)!).outcome !== 'laid') return;
          laid += 1;
          const bad = stops(wired(gadget)).filter(
            // A rail that does not exist on a board, or one address twice, is no matter of pins.
            ({ rule, values }) => !['W09', 'W13', 'W16', 'W19'].includes(rule) && values.trap !== 'upload',
          );
          expect(bad).toEqual([]);
        },
      ),
      { seed: 51, numRuns: 120 },
    );
    expect(laid).toBeGreaterThan(40);
  });

  it('leaves what is soldered where it is, even where that is wrong', () => {
    const lock = (pin: string): Edit => ({
      name: 'wire',
      args: ['p1', 'contact', { kind: 'pin', pin }, true],
    });
    for (const pin of ['P13', 'A6', 'P0']) {
      const gadget = wired(edited(gadgetOf('board-8bit-20', ...pieces), lock(pin)));
      expect(pinOf(gadget, 'p1', 'contact')).toBe(pin);
      expect(gadget.wiring.wires.filter(({ to: end }) => end.kind === 'pin' && end.pin === pin)).toHaveLength(
        1,
      );
    }
  });

  it('keeps upload pins free, buses on their native pins, and threads short', () => {
    const flex = wired(gadgetOf('board-32bit-26', ...times(6, key), ['graphic-display-two-wire']));
    const pins = pinsOf(boardOf(flex)!);
    expect(pins.get(pinOf(flex, 'p7', 'sda')!)!.bus).toContainEqual({
      line: 'sda',
      unit: 'W0',
      native: true,
    });
    const small = wired(gadgetOf('board-8bit-20', ...times(12, key)));
    const used = small.wiring.wires.flatMap(({ to: end }) => (end.kind === 'pin' ? [end.pin] : []));
    expect(used).not.toContain('P0');
    expect(used).not.toContain('P1');
    const laid = layWiring(small, boardOf(small)!);
    if (laid.outcome !== 'laid') throw new Error('expected a wiring');
    // Proven, and with the keys in the order in which they stand but for one that would have taken a rarer pin.
    expect([laid.bound, laid.crossings]).toEqual([laid.cost, 1]);
  });

  it('puts parts beside the board in the order of the bill', () => {
    const gadget = gadgetOf('board-8bit-20', ...times(6, key));
    const seats = seatsOf(ownersOf(gadget), layBoard(boardOf(gadget)!));
    expect(seats.map(({ ownerId, side }) => `${ownerId} ${side}`)).toEqual([
      ...['p1 left', 'p2 left', 'p3 left'],
      ...['p4 right', 'p5 right', 'p6 right'],
    ]);
  });

  it('says which demands cannot be met together, and no more than those', () => {
    const gadget = gadgetOf('chip-8', ['light'], ['potentiometer'], ['midi-out']);
    expect(layWiring(gadget, boardOf(gadget)!)).toEqual({
      outcome: 'impossible',
      minimal: true,
      clashes: [
        {
          ownerId: 'p3',
          ownerName: 'p3',
          terminal: 'data',
          needs: 'tx',
          lockedTo: null,
          lockedMissing: false,
          pins: [],
          tooMuchUa: null,
        },
      ],
    });
  });

  it('offers ways out that work, cheapest first, each in one edit', () => {
    const gadget = gadgetOf('board-radio-11', ...times(10, key));
    const laid = layWiring(gadget, boardOf(gadget)!);
    if (laid.outcome !== 'impossible') throw new Error('expected too many keys for that board');
    const ways = waysOut(gadget, boardOf(gadget)!, laid.clashes, 'Keys');
    // Another board is paid in full by who has one.
    const boardCents = new Map(boards.map(({ id, priceCents }) => [id, priceCents]));
    const prices = ways.map(({ id, extraCents }) => Math.max(0, extraCents, boardCents.get(id) ?? 0));
    expect(prices).toEqual([...prices].sort((a, b) => a - b));
    expect(new Set(ways.map(({ kind }) => kind))).toEqual(new Set(['scheme', 'board']));
    const matrix = ways.find(({ id }) => id === 'matrix')!;
    expect(matrix).toMatchObject({ kind: 'scheme', pinsSaved: 3, extraCents: 0 });
    for (const { edit } of ways) {
      const after = applyEdit(gadget, edit);
      expect(layWiring(after, boardOf(after)!).outcome).toBe('laid');
      expect(after.wiring.wires.length).toBeGreaterThan(0);
      expect(stops(after).filter(({ rule }) => rule === 'W17' || rule === 'W01')).toEqual([]);
    }
  });

  it('offers to unlock what two things are soldered to', () => {
    const both = ['p1', 'p2'].map((id): Edit => ({
      name: 'wire',
      args: [id, 'contact', { kind: 'pin', pin: 'P4' }, true],
    }));
    const gadget = edited(gadgetOf('board-8bit-20', key, key), ...both);
    const laid = layWiring(gadget, boardOf(gadget)!);
    if (laid.outcome !== 'impossible') throw new Error('expected two locks on one pin to clash');
    expect(laid.clashes.map(({ ownerId, lockedTo }) => [ownerId, lockedTo])).toEqual([
      ['p1', 'P4'],
      ['p2', 'P4'],
    ]);
    const [first] = waysOut(gadget, boardOf(gadget)!, laid.clashes, 'Keys');
    expect(first).toMatchObject({ kind: 'unlock', extraCents: 0 });
    expect(layWiring(applyEdit(gadget, first!.edit), boardOf(gadget)!).outcome).toBe('laid');
  });
});

describe('small parts', () => {
  const values = (gadget: Gadget) => proposalsFor(gadget).map(({ role, value }) => [role, value]);

  it('are worked out: resistors for lights and MIDI at 5 V and at 3.3 V', () => {
    expect(values(gadgetOf('board-8bit-20', ['light'], ['midi-out']))).toEqual([
      ['light-resistor', 390],
      ['midi-source-resistor', 220],
      ['midi-data-resistor', 220],
    ]);
    expect(values(gadgetOf('board-32bit-26', ['light'], ['midi-out']))).toEqual([
      ['light-resistor', 180],
      ['midi-source-resistor', 33],
      ['midi-data-resistor', 10],
    ]);
  });

  it('come with the bus, the motor, the pixels and the levels', () => {
    const roles = (...pieces: Piece[]) => values(gadgetOf('board-32bit-26', ...pieces)).map(([role]) => role);
    expect(roles(['settings-memory'])).toEqual(['bus-pull-up']);
    expect(roles(['settings-memory'], ['motion-sensor'])).toEqual([]);
    expect(roles(['vibration-motor'])).toEqual(['flyback-diode']);
    // 1/(2π·1 kΩ·47 nF): 3,386 Hz; with 39 nF it would be 4,081 Hz.
    expect(values(gadgetOf('board-32bit-26', ['pulse-speaker', { filterHz: 4_000 }]))).toEqual([
      ['filter-resistor', 1_000],
      ['filter-capacitor', 47],
    ]);
    expect(roles(['pixel-lights'])).toEqual(['data-resistor', 'buffer-capacitor', 'level-shifter']);
  });

  it('count on the bill once fitted, and are left over once nothing asks for them', () => {
    const gadget = wired(gadgetOf('board-8bit-20', ['light']));
    const { lines, worthCents } = billOf(gadget);
    expect(lines.map(({ kind, eachCents }) => [kind, eachCents])).toEqual([
      ['board', 450],
      ['part', 10],
      ['companion', 2],
    ]);
    expect(worthCents).toBe(462);
    const have = edited(gadget, {
      name: 'changePart',
      args: ['p1', { have: 5, quantity: 3, priceCents: 20 }],
    });
    expect(billOf(have)).toMatchObject({ worthCents: 512, toPayCents: 452 });
    const swapped = edited(gadget, { name: 'changePart', args: ['p1', { figures: { forwardMv: 5_000 } }] });
    expect(companionsOf(swapped)).toMatchObject({ wanted: [], leftOver: [{ role: 'light-resistor' }] });
  });
});

describe('comparing', () => {
  it('ways of reading twelve keys', () => {
    const gadget = gadgetOf('board-8bit-20', ...times(12, key), ['graphic-display-two-wire']);
    const ids = gadget.controls.map(({ id }) => id);
    const rows = compareSchemes(gadget, boardOf(gadget), ids, 'Keys');
    const figures = rows.map(({ scheme, pins, extraParts, together }) => [
      scheme,
      pins,
      extraParts,
      together,
    ]);
    expect(figures).toEqual([
      ['direct', 12, 0, 12],
      ['matrix', 7, 0, 2],
      ['matrix-diodes', 7, 12, 12],
      ['charlieplex', 4, 12, 1],
      ['ladder', 1, 12, 1],
      ['shift-register', 3, 14, 12],
      // The display brings the bus along.
      ['expander', 0, 1, 12],
      // Not told apart at all.
      ['one-line', 1, 0, 0],
    ]);
    expect(rows.every(({ fits }) => fits)).toBe(true);
    expect(rows.find(({ scheme }) => scheme === 'ladder')!.ladder).toMatchObject({ good: 2_000, of: 2_000 });
    expect(compareSchemes(gadgetOf(null, key, key), null, ['b1', 'b2'], 'Keys')[0]).toMatchObject({
      pins: 2,
      fits: null,
    });
  });

  it('of a set that rules hear as keys: what would take their keys away is left out, and nothing fails', () => {
    const plain = gadgetOf('board-8bit-20', ...times(9, key), ...times(22, ['light']));
    const ids = plain.controls.flatMap(({ id, kind }) => (kind === 'button' ? [id] : []));
    const set = applyEdit(plain, {
      name: 'addKeySet',
      args: [{ name: 'Keys', controlIds: ids, scheme: 'matrix', params: {}, chords: [] }],
    });
    const stated = applyEdit(set, { name: 'addState', args: ['Playing'] });
    const heard = applyEdit(stated, {
      name: 'addRule',
      args: [
        stated.flow.states[0]!.id,
        {
          trigger: { kind: 'keys', setId: set.wiring.sets[0]!.id, gesture: 'press' },
          guard: null,
          actions: [],
          targetIds: [],
          internal: false,
        },
      ],
    });
    const all = compareSchemes(set, boardOf(set), ids, 'Keys').map(({ scheme }) => scheme);
    const left = compareSchemes(heard, boardOf(heard), ids, 'Keys').map(({ scheme }) => scheme);
    expect(all.filter((scheme) => !left.includes(scheme))).toEqual(['one-line']);
    const laid = layWiring(heard, boardOf(heard)!);
    if (laid.outcome !== 'impossible') throw new Error(`expected a clash, got ${laid.outcome}`);
    expect(waysOut(heard, boardOf(heard)!, laid.clashes, 'Keys').length).toBeGreaterThan(0);
  });

  it('the same parts on every board, with what fails and why', () => {
    const gadget = gadgetOf('board-8bit-20', ['usb-keyboard'], ['potentiometer'], ['character-display']);
    const faults = new Map(compareBoards(gadget).map(({ board, faults: list }) => [board.id, list]));
    expect(faults.get('board-8bit-native')).toEqual([]);
    expect(faults.get('board-8bit-20')).toMatchObject([{ kind: 'pins', clashes: [{ needs: 'usb' }] }]);
    expect(faults.get('computer-26')).toMatchObject([{ kind: 'pins', clashes: [{ needs: 'analog' }] }]);
    const bright = gadgetOf('board-32bit-11', ['light']);
    expect(compareBoards(bright).find(({ board }) => board.id === 'board-32bit-11')!.faults).toMatchObject([
      { kind: 'pins', clashes: [{ needs: 'out', pins: [], tooMuchUa: 8_000 }] },
    ]);
    expect(faults.get('chip-8')!.map(({ kind }) => kind)).toContain('rail');
  });

  it('gauges count lines by what they need, current and memory', () => {
    const gadget = gadgetOf(
      'board-8bit-20',
      key,
      ['potentiometer'],
      ['graphic-display-spi'],
      ['light', { fades: 1 }],
    );
    const used = Object.fromEntries(gaugesOf(gadget).map(({ id, used: count, of }) => [id, [count, of]]));
    expect(used).toMatchObject({
      pins: [8, 22],
      analog: [1, 8],
      pwm: [1, 6],
      bus: [2, 7],
      ram: [1_024, 2_048],
      railWorst: [15_000 + 500 + 25_000 + 8_000, 400_000],
    });
  });
});

describe('the program’s memory', () => {
  it('has fonts, trimmed to what is written in them, and the pictures that pages show', () => {
    const plain = gadgetOf('board-8bit-20', ['graphic-display-spi']);
    const outputId = plain.outputs[0]!.id;
    const used = (gadget: Gadget) => gaugesOf(gadget).find(({ id }) => id === 'flash')!.used;
    const frame = Array.from({ length: 10 }, () => '##########');
    const pictures = [
      { id: 'f1', name: 'Lamp', frames: [frame, frame] },
      { id: 'f2', name: 'Never shown', frames: [frame] },
    ];
    const seen = { outputId, onlyIf: '1', blinks: 'steady', ink: '1', group: 0, x: '0', y: '0' } as const;
    const written = { ...seen, font: '6x8', align: 'left', inverted: false } as const;
    const pages = [
      {
        id: 'n1',
        name: 'First',
        outputId,
        over: null,
        elements: [
          { kind: 'drawText', ...written, text: 'ABBA' } as const,
          { kind: 'drawPicture', ...seen, pictureId: 'f1', frame: '0', how: 'over' } as const,
        ],
      },
    ];
    // A and B of five columns each; two frames of ten columns of two bytes.
    expect(used({ ...plain, pages, pictures }) - used(plain)).toBe(2 * 5 + 2 * 20);
    // The same font on another page costs nothing more.
    const twice = [...pages, { ...pages[0]!, id: 'n2' }];
    expect(used({ ...plain, pages: twice, pictures }) - used(plain)).toBe(50);
  });
});

describe('the order of wiring', () => {
  it('begins with supply and ground, and leaves no wire out', () => {
    const gadget = wired(
      gadgetOf('board-8bit-20', key, ['light'], ['cell'], ['fuse'], ['graphic-display-two-wire']),
    );
    const steps = wiringOrder(gadget);
    expect(steps.map(({ stage }) => stage)).toEqual([
      'supply',
      'grounds',
      'rails',
      'lights',
      'controls',
      'buses',
    ]);
    expect(steps.flatMap(({ leads }) => leads)).toHaveLength(gadget.wiring.wires.length);
    expect(wiringOrder(gadgetOf(null))).toEqual([]);
  });

  it('is nothing where only a wire to a pin that is gone remains', () => {
    const gadget = to(gadgetOf('board-8bit-20', key), 'p1', 'contact', 'P9');
    const elsewhere = edited(gadget, { name: 'chooseBoard', args: ['chip-8'] });
    expect(wiringOrder(elsewhere)[0]!.leads[0]).toMatchObject({ terminal: 'contact', to: 'P9' });
  });
});
