import {
  addPartEdit,
  type Button,
  type Control,
  checkGadget,
  emptyGadget,
  partKinds,
  readGadgetText,
  replay,
  snagRules,
  trialSchema,
  wholeGadget,
  type Gadget,
  type Snag,
  type TraceEntry,
} from '@hum-lever/core';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { setting } from '../test/gadgets.ts';
import { changeWords, knownReadings, mostTelling, readingWords, sayingOf, sayWhy } from './index.ts';
import { mendWords, snagWords } from './snagWords.ts';

const demo = (file: string, folder = 'kettle-keeper') =>
  readFileSync(join(__dirname, '../../../demo', folder, file), 'utf8');
const gadget = (file: string, folder?: string): Gadget => {
  const read = readGadgetText(demo(file, folder));
  if (read.outcome !== 'opened') throw new Error(read.message);
  return read.gadget;
};
const faulty = gadget('1-first-evening.json');
const spoiled = /undefined|NaN|\[object|\$\{/;

describe('the last changes', () => {
  it('are one line, what came before what is different, and how much more', () => {
    expect(
      changeWords(
        [
          { how: 'added', what: 'part', name: 'Stir' },
          { how: 'added', what: 'rule', name: 'Ready' },
          { how: 'removed', what: 'timer', name: 'Gust' },
          { how: 'changed', what: 'pins', name: '' },
        ],
        2,
      ),
    ).toBe('new: Stir, a rule of Ready; gone: timer Gust; changed: wiring; and 2 more');
    expect(changeWords([], 0)).toBe('');
  });
});

describe('words', () => {
  it('are there for everything that follows from the figures of a part, and for nothing else', () => {
    const told = partKinds.flatMap(
      (kind) =>
        kind.readings?.({ ...kind.defaults, ...(kind.id === 'serial-text' && { software: 1 }) }) ?? [],
    );
    expect([...new Set(told.map(({ id }) => id))].sort()).toEqual([...knownReadings].sort());
    for (const reading of told) expect(readingWords(reading)).not.toMatch(spoiled);
  });

  it('are there for every rule of the core, and for no other', () => {
    expect(Object.keys(snagWords).sort()).toEqual(snagRules.map(({ id }) => id).sort());
  });

  it.each([
    ['kettle-keeper', '1-first-evening.json'],
    ['reed-box', '1-on-the-kitchen-table.json'],
    ['cue-lantern', '1-in-the-tin.json'],
    ['prompt-pad', '1-on-the-counter.json'],
  ])('say every finding of the faulty %s in full', (folder, file) => {
    for (const snag of checkGadget(gadget(file, folder)).snags) {
      const { title, sentence, mend } = sayingOf(snag);
      expect(`${title} ${sentence} ${mend}`).not.toMatch(spoiled);
      expect(sentence).toMatch(/\.$/);
      if (snag.mend) expect(Object.keys(mendWords)).toContain(snag.mend.key);
    }
  });

  it.each<[string, Snag['values']]>([
    ['F02', { name: 'Stir', lost: 2, of: 5, pressUs: 60_000, repeatUs: 100_000 }],
    ['F04', { name: 'Stir', holdUs: 200_000, longTapUs: 350_000, asHold: 90, tried: 5_000 }],
    [
      'F05',
      {
        name: 'Dial',
        turnUs: 400_000,
        countsPerSecond: 240,
        neededUs: 4_166,
        periodUs: 8_000,
        lostPerMille: 412,
      },
    ],
    ['F06', { name: 'Dial', reason: 'several', countsPerDetent: 2, countsPerStep: 4, extraPerMille: 0 }],
    ['F06', { name: 'Dial', reason: 'parts', countsPerDetent: 4, countsPerStep: 2, extraPerMille: 0 }],
    ['F06', { name: 'Dial', reason: 'shortcut', countsPerDetent: 4, countsPerStep: 4, extraPerMille: 61 }],
    ['F07', { name: 'Volume', widthTenths: 50, noiseCounts: 5, hysteresisCounts: 0, worst: 900, usual: 40 }],
    ['F08', { name: 'Volume', sets: 'level', taper: 'linear', middlePercent: 50 }],
    ['F09', { name: 'Volume', reason: 'flow' }],
    ['F09', { name: 'Volume', reason: 'reversed' }],
    ['F10', { name: 'Lever', where: 'ends', endCounts: 5, centreCounts: 0 }],
    ['F10', { name: 'Lever', where: 'centre', endCounts: 5, centreCounts: 20 }],
    ['F10', { name: 'Lever', where: 'both', endCounts: 5, centreCounts: 20 }],
    ['F11', { name: 'Stir', asleep: 'Dark', state: 'Awake', gesture: 'tap', reason: 'later' }],
    ['F11', { name: 'Stir', asleep: 'Dark', state: 'Awake', gesture: '', reason: 'same' }],
    ...(['wipes', 'state', 'rule', 'control'] as const).map(
      (reason): [string, Record<string, string | number>] => [
        'L08',
        {
          state: 'Ready',
          control: 'OK',
          reason,
          lost: reason === 'rule' ? '' : 'best',
          others: reason === 'control' ? 2 : 0,
        },
      ],
    ),
    ['L11', { name: 'Wait', control: 'Red, Blue', count: 2, next: 'Now' }],
    ...(['', 'Red'] as const).flatMap((by) =>
      [0, 8_000_000].map((afterUs): [string, Record<string, string | number>] => [
        'L19',
        {
          control: 'OK',
          by,
          from: 'Menu',
          to: 'Home',
          meant: 'Item',
          leads: by,
          afterUs,
          reactionUs: 255_000,
        },
      ]),
    ),
    ['L20', { light: 'Lamp', where: 'Cold', centiHz: 333, by: 'blink' }],
    ['L20', { light: 'Lamp', where: 'Cold', centiHz: 1_000, by: 'rules' }],
    ['S08', { name: 'Panel', text: 'line' }],
    ['X06', { name: 'Pad', key: 'shift', where: 'rule 1 of Ready' }],
    ['X07', { key: 'left', name: 'Pad', control: 'West', state: 'Asleep' }],
    ['X05', { names: 'One, Two', count: 2 }],
    ['W20', { board: 'board-of-a-friend' }],
    ['W21', { bytes: 12, of: 0, board: 'Small', names: 'cue, last' }],
    ['W21', { bytes: 12, of: 8, board: 'Small', names: 'cue, last' }],
    ['W22', { name: 'Keys', board: 'Computer' }],
    [
      'K04',
      {
        name: 'Lamp',
        terminal: 'anode',
        pin: 'F1',
        pulls: 0,
        other: 'Keys',
        lines: 7,
        forwardMv: 3_000,
        highMv: 2_310,
      },
    ],
    ...(['over', 'under'] as const).map((reason): [string, Record<string, string | number>] => [
      'P04',
      { pin: 'VIN', cell: 'Cell', fullMv: 4_200, emptyMv: 3_000, usualMv: 3_700, reason, limitMv: 3_600 },
    ]),
    ['F13', { name: 'Ready', first: 'Left', second: 'Right', periodUs: 10_000, tiesPerMille: 47 }],
    ['K02', { name: 'Keys', keys: 12, scanUs: 105, periodUs: 80_000, neededUs: 80_000, pressUs: 60_000 }],
    ['L05', { state: 'Ready', number: 1, reason: 'guard' }],
    ['L05', { state: 'Ready', number: 1, reason: 'walked' }],
    ['L05', { state: 'Ready', number: 2, reason: 'outlived', delayUs: 9_000, earlierUs: 5_000 }],
    ['L05', { state: 'Ready', number: 2, reason: 'oneLine', control: 'Pedal', as: 'Stir' }],
    ['L05', { state: 'Ready', number: 2, reason: 'unheard', gesture: 'hold', control: 'Stir' }],
    [
      'S10',
      {
        name: 'Won',
        twin: 'Lost',
        light: 'Lamp',
        here: 'green',
        there: 'red',
        alikeFor: 'protanopia deuteranopia',
      },
    ],
    ['S10', { name: 'Won', twin: 'Lost', light: 'Lamp', here: 'blue', there: 'red', alikeFor: '' }],
    ['S03', { display: 'Glass', bytes: 1_024, free: 512, of: 512, board: '8-bit chip' }],
    ['S01', { reason: 'row', text: 'x', row: 3, rows: 2, display: 'Screen' }],
    [
      'S01',
      { reason: 'legend', page: 'Gate', text: 'Count', font: '6x8', takes: 30, room: 20, display: 'Sign' },
    ],
    [
      'S01',
      {
        reason: 'edge',
        kind: 'text',
        page: 'Gate',
        text: 'Go',
        length: 9,
        left: 9,
        right: 17,
        display: 'Rows',
        widthPx: 16,
      },
    ],
    ['S01', { reason: 'legend', kind: 'text', page: 'Gate', text: 'Go', takes: 9, room: 8, display: 'Rows' }],
    ['S01', { reason: 'legends', kind: 'text', page: 'Gate', text: 'Go', display: 'Rows' }],
    ['S01', { reason: 'legends', page: 'Gate', text: 'Go', font: '6x8', takes: 8, room: 4, display: 'Sign' }],
    ['S04', { font: '', cells: 'dots', characters: '♥', count: 1, display: 'Rows' }],
    ['S04', { font: '', cells: 'seven', characters: 'W', count: 1, display: 'Digits' }],
    ['S06', { display: 'Rows', from: 'behind', how: 'always', litUa: 20_000, cell: 'Cell', hours: 42 }],
    ['S06', { display: 'Rows', from: 'behind', how: 'switched', litUa: 20_000, cell: 'Cell', hours: 42 }],
    ['S06', { display: 'Glass', from: 'pixels', how: 'dimmed', litUa: 24_000, cell: 'Cell', hours: 35 }],
    ['S07', { display: 'Rows', one: '41', other: '42', perSecond: 20, state: 'Ready' }],
    ['S11', { variable: 'speed' }],
    ...[1, 3].map((pitches): [string, Record<string, string | number>] => [
      'N01',
      {
        name: 'Piezo',
        timer: 'T2',
        bits: 8,
        hz: 3_400,
        givesCentiHz: 337_838,
        tenthCents: -110,
        pitches,
        of: 5,
      },
    ]),
    ['N02', { name: 'Piezo', hz: 100, heldHz: 200, pitches: 2, lowHz: 200, highHz: 4_000 }],
    ['N05', { name: 'Piezo', db: 99, nearCm: 2, loudDb: 85, harmsDb: 85, farCm: 10 }],
    ...[0, 1, 3].map((files): [string, Record<string, string | number>] => [
      'N08',
      { name: 'Player', state: 'Playing', number: 4, files },
    ]),
    ['N03', { name: 'Storm', sounder: 'Piezo', voices: 2, notes: 12, unheard: 3 }],
    ...[
      [1, 0],
      [2, 0],
      [0, 1],
      [2, 3],
    ].map(([tunes, sounds]): [string, Record<string, string | number>] => [
      'N06',
      {
        name: 'Storm',
        bytes: 306,
        tunes: tunes!,
        tunesBytes: tunes! * 306,
        sounds: sounds!,
        soundsBytes: sounds! * 200,
        used: 306,
        of: 200,
        board: 'Tiny',
      },
    ]),
    ...['timer', 'slow', 'heard'].map((reason): [string, Record<string, string | number>] => [
      'N09',
      {
        name: 'Rain',
        reason,
        bits: 10,
        rateHz: 8_000,
        carrierHz: 15_625,
        heardHz: 20_000,
        timer: 'T0',
        timerBits: 8,
      },
    ]),
    ...(['in', 'out'] as const).flatMap((way): [string, Record<string, string | number>][] => [
      [
        'M03',
        {
          way,
          name: 'Out',
          state: 'Playing',
          channel: 1,
          channels: 1,
          neighbours: 1,
          neighbour: 'Box',
          hears: '2, 10',
        },
      ],
      [
        'M03',
        {
          way,
          name: 'Out',
          state: 'Playing',
          channel: 1,
          channels: 3,
          neighbours: 2,
          neighbour: 'Box',
          hears: '2',
        },
      ],
      [
        'M05',
        {
          way,
          name: 'Out',
          state: 'Playing',
          channel: 1,
          kind: 'notes',
          neighbour: 'Box',
          takes: 'programs controls',
        },
      ],
    ]),
    ['M02', { name: 'Out', state: 'Playing', notes: 12, smearUs: 10_560, limitUs: 10_000 }],
    [
      'M06',
      { name: 'Out', state: 'Playing', message: 'noteOn', always: 0, value: 156, held: 127, most: 127 },
    ],
    ['M06', { name: 'Out', state: 'Playing', message: 'bend', always: 1, value: -9, held: 0, most: 16_383 }],
    ['M09', { state: 'Playing', first: 'Key', second: 'Other', number: 60, channel: 1 }],
    ['M04', { control: 'Breath', name: 'Out', steps: 1_000, sweepUs: 300_000, wireUs: 960_000 }],
    ['S09', { display: 'Rows', reason: 'faint', contrast: 0 }],
    ['S09', { display: 'Rows', reason: 'blocks', contrast: 100 }],
    ['X01', { text: 'a +', message: 'cannot be read' }],
    ['X03', { excess: 'moment', cause: 'rule', name: 'Lit', number: 2, times: 1, atUs: 120_000, overUs: 0 }],
    [
      'X03',
      { excess: 'planned', cause: 'signal', name: 'Again', number: 0, times: 20_000, atUs: 9, overUs: 5 },
    ],
    ['X03', { excess: 'second', cause: 'loop', name: '', number: 0, times: 0, atUs: 9, overUs: 0 }],
    ['X04', { cause: 'rule', name: 'Lit', number: 1, perSecond: 1_000, realUs: 400_000 }],
    ['X04', { cause: 'control', name: 'Volume', number: 0, perSecond: 9_000, realUs: 2_000_000 }],
    ['X04', { cause: 'loop', name: '', number: 0, perSecond: 0, realUs: 2_000_000 }],
    ['W02', { name: 'Lamp', terminal: 'anode', pin: 'L3' }],
    ['W04', { name: 'GO', terminal: 'contact', pin: 'P0', trap: 'console' }],
    ['W05', { name: 'GO', terminal: 'contact', pin: 'R8', must: 'high', held: 'low' }],
    ['W06', { name: 'GO', terminal: 'contact', pin: 'L3', outside: 1 }],
    ['W08', { name: 'GO', terminal: 'contact', pin: 'Z9', board: 'Small board', hidden: 0 }],
    ['W10', { devices: 'Page, Cue list', reason: 'missing', ohms: 0, pullUa: 0, sinkUa: 3_000 }],
    ['W10', { devices: 'Page, Cue list', reason: 'strong', ohms: 900, pullUa: 5_500, sinkUa: 3_000 }],
    ['W11', { name: 'Whistle', terminal: 'signal', pin: 'P3', rivals: 'Whistle (tone), Lamp (pwm)' }],
    [
      'W13',
      {
        name: 'Card',
        terminal: 'plus',
        pin: '5V',
        reason: 'rail',
        supplyMv: 5_000,
        minMv: 2_700,
        maxMv: 3_600,
      },
    ],
    [
      'W13',
      {
        name: 'Pixels',
        terminal: 'data',
        pin: 'F1',
        reason: 'too-low',
        needsMv: 3_500,
        logicMv: 3_300,
        supplyMv: 5_000,
      },
    ],
    [
      'W13',
      {
        name: 'Word box',
        terminal: 'tx',
        pin: 'F1',
        reason: 'too-high',
        logicMv: 3_300,
        supplyMv: 5_000,
        needsMv: 0,
      },
    ],
    ['W14', { name: 'Bell', terminal: 'on', pin: 'P4', scope: 'pin', ua: 40_000, mostUa: 20_000 }],
    [
      'W14',
      {
        name: 'Bell',
        terminal: 'on',
        pin: 'P4',
        scope: 'port',
        port: 'D',
        ua: 120_000,
        mostUa: 100_000,
        count: 6,
      },
    ],
    [
      'W15',
      {
        name: 'Lamp',
        terminal: 'anode',
        reason: 'little',
        ohms: 4_700,
        ua: 600,
        wantUa: 8_000,
        mostUa: 20_000,
        forwardMv: 2_000,
        logicMv: 5_000,
      },
    ],
    [
      'W15',
      {
        name: 'Lamp',
        terminal: 'blue',
        reason: 'voltage',
        ohms: 0,
        ua: 0,
        wantUa: 8_000,
        mostUa: 20_000,
        forwardMv: 3_400,
        logicMv: 3_300,
      },
    ],
    ['W16', { name: 'Pixels', terminal: 'plus', pin: '5V', scope: 'rail', ua: 1_440_000, mostUa: 400_000 }],
    ['W17', { board: 'Chip', demands: 7, pins: 6, pinNames: 'B0, B1', names: 'GO contact (in)', minimal: 1 }],
    ['W17', { board: 'Chip', demands: 1, pins: 0, pinNames: '', names: 'Organ data (tx)', minimal: 1 }],
    ['W18', { name: 'Pad', terminal: 'col1', pin: 'P2', other: 'Keys', same: 0 }],
    ['W19', { name: 'Lamp', terminals: 'anode, cathode', count: 2 }],
    ['K03', { name: 'Keys', keys: 6, gapTenths: -35, noiseCounts: 3, tolerancePerMille: 200 }],
    ['K03', { name: 'Keys', keys: 6, gapTenths: 35, noiseCounts: 3, tolerancePerMille: 10 }],
    ['N04', { name: 'Bell', pitches: 2, ownHz: 2_400 }],
    ['X02', { name: 'Lamp', reason: 'colour', own: 'amber', asked: 'red' }],
    ['X02', { name: 'Rows', reason: 'always' }],
    ['X02', { name: 'Rows', reason: 'switched' }],
    ['X02', { name: 'Rows', reason: 'oneColour' }],
    ['X02', { name: 'Glass', reason: 'onePicture' }],
    [
      'N07',
      {
        name: 'Speaker',
        reason: 'power',
        supplyMv: 5_000,
        speakerOhms: 8,
        leastOhms: 4,
        mw: 1_563,
        speakerMw: 500,
      },
    ],
    [
      'N07',
      {
        name: 'Speaker',
        reason: 'load',
        supplyMv: 5_000,
        speakerOhms: 2,
        leastOhms: 4,
        mw: 6_250,
        speakerMw: 500,
      },
    ],
    ['P11', { name: 'Charger', pack: 'Cells', inSeries: 2, cells: 1 }],
    ['G01', { word: 'whistle' }],
    ['G02', { name: 'Lamp' }],
    ...(['presses', 'time', 'both'] as const).map((over): [string, Record<string, string | number>] => [
      'G03',
      { task: 'Win', over, presses: 7, timeUs: 8_000_000, budgetPresses: 6, budgetUs: 5_000_000 },
    ]),
    ['G04', { worthCents: 4_200, wishCents: 3_500, currency: 'EUR', dearest: 'Board', dearestCents: 690 }],
  ])('say %s with its figures', (rule, values) => {
    const { sentence } = sayingOf({ rule, level: 'note', place: { kind: 'state', id: 's1' }, values });
    expect(sentence).not.toMatch(spoiled);
    expect(sentence).toMatch(/\.$/);
  });

  it.each<[string, Record<string, string | number>, string]>([
    [
      'itemFirst',
      { item: 'Volume', presses: 3, timeUs: 2_190_000, emptied: '' },
      'Put Volume first, and all that it is in: 3 presses, 2.19 s',
    ],
    [
      'itemOut',
      { item: 'Volume', presses: 3, timeUs: 2_190_000, emptied: '' },
      'Put Volume farther out, first in its list: 3 presses, 2.19 s',
    ],
    [
      'itemOut',
      { item: 'Volume', presses: 1, timeUs: 280_000, emptied: 'Level' },
      'Put Volume farther out, first in its list, and take Level out, where nothing is left: 1 press, 280 ms',
    ],
    ['runningStatus', { name: 'Out', smearUs: 7_040 }, 'Leave out status bytes that stay the same: 7.04 ms'],
    ['mergeValues', { name: 'Out' }, 'Let newer values take the places of older ones that wait in Out'],
    ['giveKeys', { names: 'Up, Down' }, 'Work it by Up, Down'],
    ['fitStep', { item: 'Volume', step: 2 }, 'Set Volume in steps of 2'],
    ['askFirst', { ms: 500 }, 'Hear the yes only after 500 ms'],
    ['blinkHere', { light: 'Lamp', state: 'Lost' }, 'Let Lamp blink in Lost'],
  ])('say what the mend %s does', (key, values, words) => {
    expect(mendWords[key]!(values).replaceAll(/\s/gu, ' ')).toBe(words);
  });

  it('say why for every entry of a whole run, also where the gadget has lost all parts since', () => {
    const trial = trialSchema.parse(JSON.parse(demo('trials.json'))[0]);
    const trace = replay(faulty, trial.stimuli, trial.endUs, trial.seed);
    for (const some of [faulty, emptyGadget('Bare')])
      trace.forEach((_entry, index) => expect(sayWhy(some, trace, index)).not.toMatch(spoiled));
    expect(
      trace.some(
        (entry, index) =>
          entry.lane === 'clean' && /came through once more/.test(sayWhy(faulty, trace, index)),
      ),
    ).toBe(true);
  });

  it('tell an answered gesture from one that no rule answered', () => {
    const trace = replay(
      faulty,
      [
        { atUs: 1_000, controlId: 'b1', what: 'down' },
        { atUs: 90_000, controlId: 'b1', what: 'up' },
      ],
      200_000,
      1,
    );
    const said = trace.flatMap((entry, index) =>
      entry.lane === 'gesture' ? [sayWhy(faulty, trace, index)] : [],
    );
    expect(said[0]).toBe('Stir pressed. Rule 1 of Ready answered.');
    expect(said).toContain('Stir let go. No rule answered.');
  });

  it('say how long nothing else was done, and how late something was heard', () => {
    const trace: TraceEntry[] = [
      { atUs: 1_000, lane: 'busy', id: 'o1', forUs: 7_680, untilUs: 8_680, deaf: true },
      { atUs: 9_000, sinceUs: 7_800, lane: 'power', event: 'low' },
      { atUs: 9_000, sinceUs: 800, lane: 'midiIn', bytes: [0x90, 60, 100] },
    ];
    const name = faulty.outputs.find(({ id }) => id === 'o1')!.name;
    expect(trace.map((_entry, index) => sayWhy(faulty, trace, index).replace(/\s/g, ' '))).toEqual([
      `The loop works for ${name}: nothing is read for 7.68 ms, and interrupts are shut off.`,
      'The cell runs low. It was heard 7.8 ms later, when the loop came round.',
      expect.stringMatching(/^MIDI came in: .*\.$/),
    ]);
  });

  it('pick what tells most about the last press', () => {
    const play = (gadget: Gadget, heldUs: number, untilUs: number) => {
      const stimuli = [
        { atUs: 1_000, controlId: 'b1', what: 'down' as const },
        { atUs: 1_000 + heldUs, controlId: 'b1', what: 'up' as const },
      ];
      const trace = replay(gadget, stimuli, untilUs, 1);
      return sayWhy(gadget, trace, mostTelling(trace));
    };
    const sound = gadget('2-at-the-night-market.json');
    expect(play(sound, 90_000, 5_000_000)).toBe('Stir pressed. Rule 1 of Ready answered.');
    const slow = {
      ...sound,
      controls: [{ ...(sound.controls[0] as Button), debounce: setting('stable', { settleUs: 150_000 }) }],
    };
    expect(play(slow, 90_000, 5_000_000)).toMatch(/^This press of Stir was swallowed: it lasted 90\sms/);
    const [, dialEnds] = addPartEdit(sound, 'encoder', { name: 'Dial' }).args;
    const dial = { ...dialEnds[0]!, id: 'b9', name: 'Dial' } as Control;
    const turned = { ...sound, controls: [...sound.controls, dial], loop: { periodUs: 5_000 } };
    const spun = replay(
      turned,
      [{ atUs: 10_000, controlId: 'b9', what: 'turn', detents: 9, overUs: 90_000 }],
      900_000,
      1,
    );
    const sayings = spun.map((_, index) => sayWhy(turned, spun, index));
    expect(sayings).toContainEqual(expect.stringMatching(/^A hand turned Dial on by 9/));
    expect(sayings).toContainEqual(expect.stringMatching(/^Missed: both channels of Dial had changed/));
    for (const saying of sayings) expect(saying).not.toMatch(/undefined|something removed/);
    // That somebody is still there on the wire buries nothing; what he plays is another thing.
    const midi = (atUs: number, ...bytes: number[]) =>
      ({ atUs, controlId: wholeGadget, what: 'midi', bytes }) as const;
    const press = { atUs: 1_000, controlId: 'b1', what: 'down' } as const;
    const said = (...more: ReturnType<typeof midi>[]) => {
      const trace = replay(sound, [press, ...more], 900_000, 1);
      return sayWhy(sound, trace, mostTelling(trace));
    };
    expect(said(midi(300_000, 0xfe), midi(570_000, 0xfe))).toBe('Stir pressed. Rule 1 of Ready answered.');
    expect(said(midi(300_000, 0x90, 60, 1), midi(570_000, 0xfe))).toMatch(/^MIDI came in: 90 3c 01/);
    expect(mostTelling([])).toBe(-1);
    expect(sayWhy(sound, replay(sound, [], 1_000, 1), mostTelling(replay(sound, [], 1_000, 1)))).toBe(
      'Now in Ready.',
    );
  });
});

describe('a press that a layer of keys answers', () => {
  const pad = gadget('2-at-the-box-office.json', 'prompt-pad');
  const pressed = (name: string, then: 'press' | 'release' | 'tap'): string => {
    const { id } = pad.controls.find((one) => one.name === name)!;
    const touches = [
      { atUs: 50_000, controlId: id, what: 'down' as const },
      { atUs: 150_000, controlId: id, what: 'up' as const },
    ];
    const trace = replay(pad, touches, 300_000, 1);
    return sayWhy(
      pad,
      trace,
      trace.findIndex((entry) => entry.lane === 'gesture' && entry.gesture === then),
    );
  };
  it('is not said to be unanswered', () => {
    expect(pressed('Welcome', 'press')).toBe('Welcome pressed. Layer “Words” says what that does.');
    expect(pressed('Welcome', 'tap')).toBe('Welcome tapped. Layer “Words” answered the press.');
    expect(pressed('Plan', 'press')).toBe(
      'Plan pressed. While it is held, keys mean what layer “Seat plan” says.',
    );
    expect(pressed('Plan', 'release')).toBe('Plan let go. Layer “Seat plan” ends.');
    // Nothing in a layer for letting go of it.
    expect(pressed('Welcome', 'release')).toBe('Welcome let go. No rule answered.');
  });
});
