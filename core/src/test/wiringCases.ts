import { applyEdit, type Gadget, type Snag, blankState, emptyFlow } from '../gadget/index.ts';
import { fitted } from '../wiring/index.ts';
import { numberVariable } from './fixtures.ts';
import { outputOf, toldGadget } from './toldGadget.ts';
import { edited, gadgetOf, pinOf, to, wired, type Piece } from './wiringFixtures.ts';

/** Rule, what is wrong, a gadget that has the snag, part of what it says, and whether its mend must clear it. */
export type Case = [string, string, Gadget, Partial<Snag>, boolean];

const key: Piece = ['push-button'];
const light: Piece = ['light'];
const small = 'board-8bit-20';
const radio = 'board-radio-30';
const on = (boardId: string, ...pieces: Piece[]) => wired(gadgetOf(boardId, ...pieces));

const keySet = (
  gadget: Gadget,
  scheme: string,
  params: Record<string, number>,
  chords: string[][] = [],
  controlIds = gadget.controls.map(({ id }) => id),
) => applyEdit(gadget, { name: 'addKeySet', args: [{ name: 'Keys', controlIds, scheme, params, chords }] });
const keys = (count: number, boardId: string | null = small) =>
  gadgetOf(boardId, ...Array.from({ length: count }, () => key));

const twoArrays = () => {
  const eight = gadgetOf(small, ...Array.from({ length: 4 }, () => key), [
    'key-matrix',
    { rows: 2, columns: 2 },
  ]);
  const laid = wired(keySet(eight, 'matrix', { rows: 2 }, [], ['b1', 'b2', 'b3', 'b4']));
  return to(laid, 'p5', 'col1', pinOf(laid, 'k1', 'col1')!);
};

/** A gadget with one light, told to turn red. */
const toldRed = (kind: string): Gadget => {
  const gadget = gadgetOf(null, [kind]);
  const entry = [{ kind: 'colour', outputId: 'o1', colour: 'red' } as const];
  const states = [{ ...blankState(), id: 's1', name: 'On', entry, exit: [], rules: [] }];
  return { ...gadget, flow: { ...emptyFlow(), initialId: 's1', states } };
};

const cell: Piece = ['cell'];
const powered = (boardId: string, ...pieces: Piece[]) => on(boardId, light, ...pieces);

/** A gadget that keeps so many numbers of a wide range. */
const keeping = (boardId: string, count: number): Gadget => ({
  ...gadgetOf(boardId),
  flow: {
    ...emptyFlow(),
    variables: Array.from({ length: count }, (_, n) =>
      numberVariable({ id: `v${n + 1}`, name: `n${n + 1}`, max: 1_000_000, saved: { when: 'asked' } }),
    ),
  },
});

export const wiringCases: Case[] = [
  [
    'W20',
    'a board that nobody knows',
    gadgetOf('board-of-a-friend', key),
    {
      level: 'stop',
      place: { kind: 'board', id: 'board-of-a-friend' },
      values: { board: 'board-of-a-friend' },
    },
    false,
  ],
  [
    'W21',
    'settings on a board that keeps none',
    keeping('board-32bit-11', 3),
    { level: 'stop', place: { kind: 'variable', id: 'v1' } },
    false,
  ],
  [
    'S03',
    'a picture that the memory has no room for',
    gadgetOf('chip-8', ['graphic-display-two-wire']),
    {
      level: 'stop',
      values: { display: 'o1', bytes: 1_024, free: 512, of: 512, board: expect.any(String) },
      // A tile of eight bytes, and two for each of 128 tiles.
      mend: { key: 'byTiles', edit: expect.anything(), values: { bytes: 264 } },
    },
    true,
  ],
  [
    'S03',
    'a second picture, beside which values have no room',
    edited(gadgetOf(small, ['graphic-display-two-wire'], ['graphic-display-two-wire']), {
      name: 'addVariable',
      args: [{ ...numberVariable({ name: 'laps' }) }],
    }),
    { place: { kind: 'part', id: 'p2' }, values: expect.objectContaining({ bytes: 1_024, free: 1_020 }) },
    false,
  ],
  [
    'W22',
    'a computer that is to be a keyboard',
    gadgetOf('computer-26', ['usb-keyboard']),
    { level: 'note' },
    false,
  ],
  [
    'P04',
    'a cell too low for the input of its board',
    on('board-8bit-20', ['cell']),
    { level: 'stop', values: { pin: 'VIN', reason: 'under', usualMv: 3_700, limitMv: 6_500 } as never },
    true,
  ],
  [
    'P04',
    'a pack too high for it',
    on('board-8bit-20', ['cell', { inSeries: 3 }]),
    { level: 'stop', values: { reason: 'over', fullMv: 12_600, limitMv: 12_000 } as never },
    false,
  ],
  [
    'W01',
    'a button and a light on one pin',
    to(on(small, key, light), 'p2', 'anode', pinOf(on(small, key, light), 'p1', 'contact')!),
    { level: 'stop', place: { kind: 'part', id: 'p2' } },
    true,
  ],
  [
    'W02',
    'a light on a pin that only listens',
    to(on(radio, light), 'p1', 'anode', 'L3'),
    { level: 'stop' },
    true,
  ],
  [
    'W03',
    'a knob on a pin without a converter',
    to(on(small, ['potentiometer']), 'p1', 'wiper', 'P4'),
    { values: { name: 'p1', terminal: 'wiper', pin: 'P4', lacks: 'analog', need: 'analog' } },
    true,
  ],
  [
    'W03',
    'a knob whose converter the radio takes',
    edited(to(on(radio, ['potentiometer']), 'p1', 'wiper', 'L8'), { name: 'setRadio', args: [true] }),
    { level: 'stop' },
    true,
  ],
  [
    'W03',
    'a fading light on a pin that cannot dim',
    to(on(small, ['light', { fades: 1 }]), 'p1', 'anode', 'P7'),
    { level: 'stop' },
    true,
  ],
  [
    'W04',
    'a button on the pins for uploading',
    to(on(small, key), 'p1', 'contact', 'P0'),
    { level: 'likely', values: { name: 'p1', terminal: 'contact', pin: 'P0', trap: 'upload' } },
    true,
  ],
  [
    'W04',
    'MIDI that comes in by the one serial port, which uploads come in by, too',
    edited(to(on(small, ['midi-in']), 'p1', 'rx', 'P0'), {
      name: 'undecide',
      args: ['upload-jumper', 'p1', 'rx'],
    }),
    {
      level: 'likely',
      values: { name: 'p1', terminal: 'rx', pin: 'P0', trap: 'upload' },
      mend: expect.objectContaining({ key: 'fitCompanion' }) as never,
    },
    true,
  ],
  [
    'W05',
    'a button that holds a boot strap low',
    to(on(radio, key), 'p1', 'contact', 'R8'),
    { level: 'stop', values: { name: 'p1', terminal: 'contact', pin: 'R8', must: 'high', held: 'low' } },
    true,
  ],
  [
    'W06',
    'a button on a pin without a pull',
    to(on(radio, key), 'p1', 'contact', 'L3'),
    { level: 'stop' },
    true,
  ],
  [
    'W06',
    'a foot switch that asks for a pull outside',
    edited(on(small, ['foot-switch']), { name: 'undecide', args: ['pull-up', 'p1', 'contact'] }),
    { level: 'stop' },
    true,
  ],
  [
    'W07',
    'a button to the rail that it is pulled to',
    to(on(small, key), 'p1', 'far', '5V'),
    { level: 'stop', values: { name: 'p1', terminal: 'far', pin: '5V', pull: 'up' } },
    true,
  ],
  [
    'W07',
    'a button pulled down and led to ground',
    to(on('board-32bit-26', ['push-button', { pull: 2 }]), 'p1', 'far', 'GND1'),
    {},
    true,
  ],
  [
    'W08',
    'a pin that is not brought out',
    to(on(radio, light), 'p1', 'anode', 'R15'),
    { level: 'stop' },
    true,
  ],
  [
    'W08',
    'a pin that the board has not',
    to(on(small, light), 'p1', 'anode', 'Z9'),
    { values: expect.objectContaining({ pin: 'Z9', hidden: 0 }) },
    true,
  ],
  [
    'W09',
    'two displays with one address',
    on(small, ['graphic-display-two-wire'], ['graphic-display-two-wire']),
    { level: 'stop', values: { name: 'p2', other: 'p1', address: 60 } },
    true,
  ],
  [
    'W10',
    'a bus that nothing pulls up',
    edited(on(small, ['settings-memory']), { name: 'undecide', args: ['bus-pull-up', 'p1', 'sda'] }),
    { level: 'stop' },
    true,
  ],
  [
    'W10',
    'pull-ups too strong together',
    edited(on(small, ['graphic-display-two-wire'], ['character-display-two-wire']), {
      name: 'decide',
      args: [[fitted({ role: 'bus-pull-up', forId: 'p1', terminal: 'sda', value: 1_800, quantity: 2 })]],
    }),
    {
      level: 'likely',
      values: { devices: 'p1, p2', ohms: 1_019, pullUa: 4_905, sinkUa: 3_000, reason: 'strong' },
    },
    true,
  ],
  [
    'W11',
    'a tone that takes the timer of a fading light',
    to(on(small, ['light', { fades: 1 }], ['piezo']), 'p1', 'anode', 'P6'),
    { level: 'stop' },
    true,
  ],
  [
    'W12',
    'a waking button on a pin that sleeps',
    to(on(small, ['push-button', { wakes: 1 }]), 'p1', 'contact', 'P4'),
    { level: 'stop' },
    true,
  ],
  [
    'W13',
    'pixels on 5 V that do not hear 3.3 V',
    edited(on('board-32bit-26', ['pixel-lights', { pixels: 4 }]), {
      name: 'undecide',
      args: ['level-shifter', 'p1', 'data'],
    }),
    {
      level: 'likely',
      values: expect.objectContaining({ reason: 'too-low', needsMv: 3_500, logicMv: 3_300, supplyMv: 5_000 }),
    },
    true,
  ],
  [
    'W13',
    'a 3.3 V sensor on the 5 V rail',
    to(on(small, ['memory-card']), 'p1', 'plus', '5V'),
    { level: 'stop', values: expect.objectContaining({ reason: 'rail', minMv: 2_700, maxMv: 3_600 }) },
    true,
  ],
  [
    'W14',
    'a buzzer that a weak pin cannot drive',
    to(gadgetOf(small, ['buzzer', { worstUa: 40_000 }]), 'p1', 'on', 'P4'),
    { level: 'stop', values: expect.objectContaining({ scope: 'pin', ua: 40_000, mostUa: 20_000 }) },
    true,
  ],
  [
    'W14',
    'more lights than a port can carry',
    (() => {
      const gadget = gadgetOf(
        small,
        ...Array.from({ length: 6 }, (): Piece => ['light', { wantUa: 19_000 }]),
      );
      return ['P2', 'P3', 'P4', 'P5', 'P6', 'P7'].reduce(
        (on, pin, n) => to(on, `p${n + 1}`, 'anode', pin),
        gadget,
      );
    })(),
    { level: 'stop', values: expect.objectContaining({ scope: 'port', port: 'D', ua: 114_000, count: 6 }) },
    true,
  ],
  [
    'W15',
    'a light without a resistor',
    edited(on(small, light), { name: 'undecide', args: ['light-resistor', 'p1', 'anode'] }),
    { level: 'stop', values: expect.objectContaining({ reason: 'none' }) },
    true,
  ],
  [
    'W15',
    'a light with a resistor that is far too small',
    edited(on(small, light), {
      name: 'decide',
      args: [[fitted({ role: 'light-resistor', forId: 'p1', terminal: 'anode', value: 100, quantity: 1 })]],
    }),
    { level: 'stop', values: expect.objectContaining({ reason: 'much', ua: 30_000, mostUa: 20_000 }) },
    true,
  ],
  [
    'W16',
    'a display fed from a signal pin',
    to(on(small, ['character-display']), 'p1', 'plus', 'P4'),
    { level: 'stop', values: expect.objectContaining({ scope: 'pin', ua: 35_000, mostUa: 20_000 }) },
    true,
  ],
  [
    'W16',
    'more on a rail than it gives',
    on(small, ['pixel-lights', { pixels: 24 }]),
    { level: 'likely', values: expect.objectContaining({ scope: 'rail', ua: 1_440_000, mostUa: 400_000 }) },
    false,
  ],
  [
    'W17',
    'seven buttons on six pins',
    keys(7, 'chip-8'),
    {
      level: 'stop',
      place: { kind: 'board', id: 'chip-8' },
      values: expect.objectContaining({ demands: 7, pins: 6 }),
    },
    false,
  ],
  ['W18', 'one line that serves two keypads', twoArrays(), { level: 'stop' }, true],
  [
    'W19',
    'a button whose other end leads nowhere',
    edited(on(small, key, light), { name: 'wire', args: ['p1', 'far', null, false] }),
    { level: 'likely', values: { name: 'p1', terminals: 'far', count: 1 } },
    false,
  ],
  [
    'K01',
    'a chord that closes a fourth key',
    keySet(keys(4), 'matrix', { rows: 2 }, [['b1', 'b2', 'b3']]),
    { level: 'stop', values: expect.objectContaining({ chord: 'b1, b2, b3', ghosts: 'b4', masked: '' }) },
    true,
  ],
  [
    'K01',
    'two keys of a ladder at once',
    keySet(
      keys(4),
      'ladder',
      { pullOhms: 10_000, tolerancePerMille: 10, series: 24, adcBits: 10, noiseCounts: 3 },
      [['b2', 'b3']],
    ),
    { level: 'stop' },
    true,
  ],
  [
    'K03',
    'a ladder of sloppy resistors',
    keySet(keys(14), 'ladder', {
      pullOhms: 10_000,
      tolerancePerMille: 200,
      series: 12,
      adcBits: 10,
      noiseCounts: 3,
    }),
    { place: { kind: 'keySet', id: 'k1' } },
    true,
  ],
  [
    'K03',
    'a ladder of more keys than noise leaves room for',
    keySet(keys(20), 'ladder', {
      pullOhms: 10_000,
      tolerancePerMille: 10,
      series: 24,
      adcBits: 10,
      noiseCounts: 20,
    }),
    { level: 'likely' },
    true,
  ],
  [
    'K04',
    'a light on a line of the keys',
    (() => {
      const laid = wired(keySet(gadgetOf(small, key, key, key, key, light), 'matrix', { rows: 2 }));
      return to(laid, 'p5', 'anode', pinOf(laid, 'k1', 'row1')!);
    })(),
    { level: 'stop', values: expect.objectContaining({ forwardMv: 2_000, highMv: 3_500 }) },
    true,
  ],
  [
    'N04',
    'a buzzer that is asked for a tune',
    (() => {
      const gadget = gadgetOf(null, ['buzzer']);
      gadget.flow = {
        ...emptyFlow(),
        initialId: 's1',
        states: [
          {
            ...blankState(),
            id: 's1',
            name: 'On',
            entry: [
              { kind: 'tone', outputId: 'o1', hz: '440', lengthUs: 1_000 },
              { kind: 'tone', outputId: 'o1', hz: '2400', lengthUs: 1_000 },
            ],
            exit: [],
            rules: [],
          },
        ],
      };
      return gadget;
    })(),
    { level: 'stop', values: { name: 'p1', pitches: 1, ownHz: 2_400 } },
    true,
  ],
  [
    'X02',
    'a light of one colour that is told another',
    toldRed('light'),
    {
      level: 'stop',
      place: { kind: 'part', id: 'p1' },
      values: { name: 'o1', reason: 'colour', own: 'amber', asked: 'red' },
    },
    false,
  ],
  [
    'X02',
    'a light behind a display that is always on, and told to be dim',
    toldGadget(outputOf('text', 'Rows'), [[100, 'Rows level 20']]),
    { level: 'stop', place: { kind: 'output', id: 'o1' }, values: { name: 'Rows', reason: 'always' } },
    false,
  ],
  [
    'N07',
    'a speaker that takes less than the amplifier gives',
    on(small, ['amplifier-speaker', { speakerMw: 500 }]),
    { level: 'likely', values: expect.objectContaining({ reason: 'power', mw: 1_563, speakerMw: 500 }) },
    true,
  ],
  [
    'N07',
    'a speaker of samples that takes less than its amplifier gives',
    on(small, ['pulse-speaker', { speakerMw: 500 }]),
    { level: 'likely', values: expect.objectContaining({ reason: 'power', mw: 1_563, speakerMw: 500 }) },
    true,
  ],
  [
    'N07',
    'a speaker below the least load',
    on(small, ['amplifier-speaker', { speakerOhms: 2, speakerMw: 20_000 }]),
    { level: 'stop', values: expect.objectContaining({ reason: 'load' }) },
    true,
  ],
  [
    'P05',
    'a booster led to the rail of the USB plug',
    to(powered(small, cell, ['booster']), 'p3', 'out', '5V'),
    { level: 'stop', values: { names: 'p3, 5V', count: 2 } },
    true,
  ],
  [
    'P07',
    'a cell in a tin without a fuse',
    edited(powered(small, cell, ['power-switch']), { name: 'setWishes', args: [{ caseMaterial: 'metal' }] }),
    { level: 'stop', values: { name: 'p2' } },
    true,
  ],
  [
    'P11',
    'a pack of two charged as if it were one',
    on(small, ['cell', { inSeries: 2 }], ['charger']),
    { level: 'stop', values: { name: 'p2', pack: 'p1', inSeries: 2, cells: 1 } },
    true,
  ],
  [
    'G01',
    'a word that is kept and comes to nothing',
    edited(gadgetOf(null), { name: 'addWord', args: ['whistle', 'keep'] }),
    { level: 'note', values: { word: 'whistle' } },
    true,
  ],
  [
    'G02',
    'a part that nobody asked for',
    edited(
      gadgetOf(null, light, key),
      { name: 'addWord', args: ['stir', 'keep'] },
      { name: 'changeWord', args: ['w1', { links: ['p2'] }] },
    ),
    { level: 'note', values: { name: 'p1' } },
    false,
  ],
  [
    'G04',
    'a bill above the wish',
    edited(gadgetOf(small, key), { name: 'setWishes', args: [{ priceCents: 400 }] }),
    { level: 'note', values: expect.objectContaining({ worthCents: 475, wishCents: 400 }) },
    false,
  ],
];
