import * as fc from 'fast-check';
import { frozen, part, pressToLight } from '../test/fixtures.ts';
import { edited, gadgetOf, wired } from '../test/wiringFixtures.ts';
import { runs } from '../test/runs.ts';
import {
  blankState,
  emptyFlow,
  applyEdit,
  EditRefused,
  emptyGadget,
  nextId,
  openGadget,
  type Edit,
  type Gadget,
  type Wire,
} from './index.ts';

const pin = (name: string): Wire['to'] => ({ kind: 'pin', pin: name });
const wires = ({ wiring }: Gadget) =>
  wiring.wires.map(({ ownerId, terminal, locked }) => `${ownerId}.${terminal}${locked ? '!' : ''}`);
const refused = (gadget: Gadget, edit: Edit): string => {
  try {
    applyEdit(frozen(gadget), edit);
  } catch (error) {
    return error instanceof EditRefused ? error.message : String(error);
  }
  return 'accepted';
};

describe('edits of the brief', () => {
  const wall = edited(
    emptyGadget('Lantern'),
    { name: 'addWord', args: ['lantern', 'keep'] },
    { name: 'addWord', args: ['bell', 'keep'] },
    { name: 'addWord', args: ['smoke', 'cut'] },
  );
  const order = (gadget: Gadget) => gadget.brief.words.map(({ text, fate }) => `${text} ${fate}`);

  it('give a word its fate and its place among others', () => {
    const place = (...args: Extract<Edit, { name: 'placeWord' }>['args']) =>
      order(applyEdit(wall, { name: 'placeWord', args }));
    expect(place('w1', 'cut', null)).toEqual(['bell keep', 'smoke cut', 'lantern cut']);
    expect(place('w3', 'keep', 'w1')).toEqual(['smoke keep', 'lantern keep', 'bell keep']);
    expect(place('w2', 'later', 'w2')).toEqual(['lantern keep', 'bell later', 'smoke cut']);
    expect(refused(wall, { name: 'placeWord', args: ['w9', 'keep', null] })).toContain('no word "w9"');
    expect(refused(wall, { name: 'placeWord', args: ['w1', 'keep', 'w9'] })).toContain('no word "w9"');
  });

  it('link words to what is there, and forget links to what goes', () => {
    const gadget = { ...pressToLight(), brief: { ...wall.brief, tasks: [] } };
    const linked = edited(
      gadget,
      { name: 'changeWord', args: ['w1', { links: ['p1', 's2', 'o2'] }] },
      {
        name: 'addTask',
        args: [
          {
            name: 'Light it',
            startStateId: null,
            goalStateId: 's2',
            doneWhen: null,
            budgetPresses: null,
            budgetUs: null,
            circumstances: [],
          },
        ],
      },
      { name: 'changeWord', args: ['w2', { links: ['t1'] }] },
    );
    const links = (one: Gadget) => one.brief.words.map((word) => word.links);
    expect(links(edited(linked, { name: 'removePart', args: ['p1'] }))).toEqual([['s2', 'o2'], ['t1'], []]);
    expect(links(edited(linked, { name: 'removeState', args: ['s2'] }))).toEqual([['p1', 'o2'], ['t1'], []]);
    expect(links(edited(linked, { name: 'removePart', args: ['p3'] }))).toEqual([['p1', 's2'], ['t1'], []]);
    expect(links(edited(linked, { name: 'removeTask', args: ['t1'] }))).toEqual([['p1', 's2', 'o2'], [], []]);
    expect(refused(gadget, { name: 'changeWord', args: ['w1', { links: ['b1'] }] })).toContain(
      'a part, task, state or output',
    );
  });

  it('change wishes one by one, and refuse what cannot be', () => {
    const wished = edited(
      wall,
      { name: 'setWishes', args: [{ priceCents: 3_500 }] },
      { name: 'setWishes', args: [{ weightG: 80 }] },
    );
    expect(wished.brief.wishes).toMatchObject({ priceCents: 3_500, weightG: 80, runtimeHours: null });
    expect(refused(wall, { name: 'setWishes', args: [{ priceCents: -1 }] })).toContain(
      'brief.wishes.priceCents',
    );
    expect(refused(wall, { name: 'setCurrency', args: ['euro'] })).toContain('bill.currency');
    expect(
      refused(wall, { name: 'setPicture', args: [{ sha256: 'x', type: 'image/png', name: 'a' }] }),
    ).toContain('sha256');
  });
});

describe('edits of parts', () => {
  it('keep one name for a part and the one thing it plays', () => {
    const gadget = edited(pressToLight(), { name: 'changePart', args: ['p1', { name: 'Big red' }] });
    expect(gadget.controls[0]!.name).toBe('Big red');
    const pad = edited(gadgetOf(null, ['key-matrix', { rows: 1, columns: 2 }]), {
      name: 'changePart',
      args: ['p1', { name: 'Pad' }],
    });
    expect(pad.controls.map(({ name }) => name)).toEqual(['b1', 'b2']);
  });

  it('more keys and fewer keys: the first stay, what the others triggered goes along', () => {
    const pad = gadgetOf(null, ['key-matrix', { rows: 2, columns: 2 }]);
    const withRule: Gadget = {
      ...pad,
      flow: {
        ...emptyFlow(),
        initialId: 's1',
        states: [
          {
            ...blankState(),
            id: 's1',
            name: 'Play',
            rules: ['b1', 'b4'].map((controlId, n) => ({
              id: `r${n + 1}`,
              trigger: { kind: 'gesture', controlId, gesture: 'press' },
              guard: null,
              actions: [],
              targetIds: [],
              internal: false,
            })),
          },
        ],
      },
    };
    const smaller = edited(withRule, { name: 'resizePart', args: ['p1', { rows: 1, columns: 2 }, 2, []] });
    expect(smaller.parts[0]!.plays).toEqual(['b1', 'b2']);
    expect(smaller.flow.states[0]!.rules.map(({ id }) => id)).toEqual(['r1']);
    const { id: _id, ...key } = smaller.controls[0]!;
    const larger = edited(smaller, {
      name: 'resizePart',
      args: ['p1', { rows: 1, columns: 4 }, 2, [key, { ...key, key: null }]],
    });
    expect(larger.parts[0]!.plays).toEqual(['b1', 'b2', 'b3', 'b4']);
  });

  it('take along wires, small parts and places in key sets', () => {
    const set = edited(
      wired(gadgetOf('board-8bit-20', ['push-button'], ['push-button'], ['push-button'], ['light'])),
      {
        name: 'addKeySet',
        args: [
          {
            name: 'Keys',
            controlIds: ['b1', 'b2', 'b3'],
            scheme: 'matrix',
            params: { rows: 1 },
            chords: [
              ['b1', 'b2'],
              ['b2', 'b3'],
            ],
          },
        ],
      },
    );
    // In a set, keys have no wires of their own any more.
    expect(wires(set)).toEqual(['p4.anode', 'p4.cathode']);
    const without = edited(set, { name: 'removePart', args: ['p1'] }, { name: 'removePart', args: ['p4'] });
    expect(without.wiring).toMatchObject({
      wires: [],
      companions: [],
      sets: [{ controlIds: ['b2', 'b3'], chords: [['b2', 'b3']] }],
    });
    expect(openGadget(without).outcome).toBe('opened');
  });

  it('never leave a control without its part', () => {
    const gadget = pressToLight();
    const faults = openGadget({ ...gadget, parts: gadget.parts.slice(1) });
    expect(faults).toMatchObject({ outcome: 'invalid', faults: [{ path: 'controls.0.id' }] });
    const twice = openGadget({ ...gadget, parts: [...gadget.parts, part('p9', 'push-button', ['b1'])] });
    expect(twice).toMatchObject({ outcome: 'invalid', faults: [{ path: 'parts.4.plays.0' }] });
  });
});

describe('edits of the wiring', () => {
  const bench = gadgetOf('board-8bit-20', ['push-button'], ['light']);
  const laid: Wire[] = [
    { ownerId: 'p1', terminal: 'contact', to: pin('P2'), locked: false },
    { ownerId: 'p2', terminal: 'anode', to: pin('P3'), locked: false },
  ];

  it('lead, lock, lay around what is locked, and clear what is not', () => {
    const soldered = edited(
      bench,
      { name: 'wire', args: ['p1', 'contact', pin('P7'), false] },
      { name: 'lockWire', args: ['p1', 'contact', true] },
      { name: 'layWires', args: [laid] },
    );
    expect(wires(soldered)).toEqual(['p1.contact!', 'p2.anode']);
    expect(soldered.wiring.wires[0]!.to).toEqual(pin('P7'));
    expect(wires(edited(soldered, { name: 'clearWires', args: [] }))).toEqual(['p1.contact!']);
    expect(wires(edited(soldered, { name: 'wire', args: ['p1', 'contact', null, false] }))).toEqual([
      'p2.anode',
    ]);
    expect(refused(bench, { name: 'lockWire', args: ['p1', 'contact', true] })).toContain(
      'no wire from contact',
    );
    expect(refused(bench, { name: 'wire', args: ['p9', 'contact', pin('P2'), false] })).toContain(
      'a part or key set',
    );
    expect(refused(bench, { name: 'layWires', args: [[...laid, laid[0]!]] })).toContain('one wire from');
  });

  it('choosing a board keeps wires, swapping it frees those to its pins', () => {
    const powered = edited(
      bench,
      { name: 'layWires', args: [laid] },
      { name: 'wire', args: ['p2', 'cathode', { kind: 'terminal', ownerId: 'p1', terminal: 'far' }, false] },
    );
    expect(wires(edited(powered, { name: 'chooseBoard', args: ['chip-8'] }))).toHaveLength(3);
    expect(wires(edited(powered, { name: 'swapBoard', args: ['chip-8'] }))).toEqual(['p2.cathode']);
  });

  it('a key set is read another way: its lines are led anew, a new name changes nothing', () => {
    const set = edited(bench, {
      name: 'addKeySet',
      args: [{ name: 'Keys', controlIds: ['b1'], scheme: 'direct', params: {}, chords: [] }],
    });
    const led = edited(set, { name: 'wire', args: ['k1', 'key1', pin('P2'), false] });
    expect(wires(edited(led, { name: 'changeKeySet', args: ['k1', { name: 'Show keys' }] }))).toEqual([
      'k1.key1',
    ]);
    expect(
      wires(edited(led, { name: 'changeKeySet', args: ['k1', { scheme: 'expander', params: {} }] })),
    ).toEqual([]);
    expect(wires(edited(led, { name: 'removeKeySet', args: ['k1'] }))).toEqual([]);
    const again = {
      name: 'addKeySet',
      args: [{ name: 'More', controlIds: ['b1'], scheme: 'direct', params: {}, chords: [] }],
    } satisfies Edit;
    expect(refused(set, again)).toContain('expected "b1" in one set');
    expect(refused(set, { name: 'changeKeySet', args: ['k1', { chords: [['b1', 'b1']] }] })).toContain(
      'different keys of this set',
    );
    expect(nextId(set, 'keySet')).toBe('k2');
  });

  it('decisions on small parts are one for each, and can be taken back', () => {
    const decision = {
      role: 'light-resistor',
      forId: 'p2',
      terminal: 'anode',
      fate: 'fitted',
      value: 390,
      quantity: 1,
      priceCents: null,
      have: 0,
    } as const;
    const decided = edited(
      bench,
      { name: 'decide', args: [[decision]] },
      { name: 'decide', args: [[{ ...decision, fate: 'declined' }]] },
    );
    expect(decided.wiring.companions).toEqual([{ ...decision, fate: 'declined' }]);
    expect(
      edited(decided, { name: 'undecide', args: ['light-resistor', 'p2', 'anode'] }).wiring.companions,
    ).toEqual([]);
  });

  it('boards of one’s own are put, replaced and removed', () => {
    const own = {
      id: 'own-1',
      name: 'Mine',
      note: '',
      logicMv: 3_300,
      pinMaxUa: 8_000,
      portMaxUa: 0,
      allPinsMaxUa: 50_000,
      railMaxUa: 300_000,
      ownUa: 9_000,
      adcBits: 12,
      clockHz: 48_000_000,
      flashBytes: 65_536,
      ramBytes: 8_192,
      settingsBytes: 0,
      usb: 'none',
      toneTimers: [],
      servoTimers: [],
      timers: [],
      priceCents: 0,
      pins: [{ name: 'A1', edge: 'left', port: '', can: ['in', 'out'] }],
    } as const;
    const mine = JSON.parse(JSON.stringify(own)) as Extract<Edit, { name: 'putBoard' }>['args'][0];
    const put = edited(bench, { name: 'putBoard', args: [mine] }, { name: 'chooseBoard', args: ['own-1'] });
    expect(edited(put, { name: 'putBoard', args: [{ ...mine, name: 'Ours' }] }).wiring.boards).toMatchObject([
      { name: 'Ours' },
    ]);
    expect(edited(put, { name: 'removeBoard', args: ['own-1'] }).wiring).toMatchObject({
      boards: [],
      boardId: null,
    });
    const bad = (patch: object) => refused(bench, { name: 'putBoard', args: [{ ...mine, ...patch }] });
    expect(bad({ pins: [] })).toContain('at least one pin');
    expect(bad({ pins: [mine.pins[0]!, mine.pins[0]!] })).toContain('a pin name used once');
    expect(bad({ pins: [{ ...mine.pins[0]!, can: ['fly'] }] })).toContain('expected words such as');
  });

  it('several at once are all taken or none', () => {
    const both: Edit = {
      name: 'several',
      args: [
        [
          { name: 'wire', args: ['p1', 'contact', pin('P2'), false] },
          { name: 'wire', args: ['p9', 'contact', pin('P3'), false] },
        ],
      ],
    };
    expect(refused(bench, both)).toContain('a part or key set');
    expect(bench.wiring.wires).toEqual([]);
  });

  it('never leave a document that the door would refuse, in whatever order they come', () => {
    const start = wired(
      gadgetOf(
        'board-8bit-20',
        ['push-button'],
        ['push-button'],
        ['key-matrix', { rows: 2, columns: 2 }],
        ['light'],
        ['cell'],
        ['fuse'],
      ),
    );
    const partId = fc.constantFrom('p1', 'p2', 'p3', 'p4', 'p5', 'p6');
    const some: fc.Arbitrary<Edit> = fc.oneof(
      partId.map((id): Edit => ({ name: 'removePart', args: [id] })),
      fc
        .tuple(partId, fc.integer({ min: -3, max: 3 }))
        .map(([id, by]): Edit => ({ name: 'movePart', args: [id, by] })),
      fc.subarray(['b1', 'b2'], { minLength: 1 }).map((controlIds): Edit => ({
        name: 'addKeySet',
        args: [{ name: 'Keys', controlIds, scheme: 'matrix', params: { rows: 1 }, chords: [] }],
      })),
      fc.constantFrom<Edit>(
        { name: 'removeKeySet', args: ['k1'] },
        { name: 'clearWires', args: [] },
        { name: 'swapBoard', args: ['chip-8'] },
        { name: 'resizePart', args: ['p3', { rows: 1, columns: 2 }, 2, []] },
        { name: 'wire', args: ['p6', 'out', { kind: 'terminal', ownerId: 'p5', terminal: 'plus' }, true] },
        { name: 'undecide', args: ['light-resistor', 'p4', 'anode'] },
      ),
    );
    fc.assert(
      fc.property(fc.array(some, { maxLength: 12 }), (list) => {
        let current = start;
        for (const edit of list) {
          try {
            current = applyEdit(current, edit);
          } catch (error) {
            expect(error).toBeInstanceOf(EditRefused);
          }
        }
        expect(openGadget(current).outcome).toBe('opened');
      }),
      { seed: 91, numRuns: runs(80) },
    );
  });
});
