import { freshKnob } from '../drawer/index.ts';
import { readRule } from '../flow/index.ts';
import type { Gadget, Knob, Neighbour, OutputOf, Snag, Variable } from '../gadget/index.ts';
import { button, numberVariable, part, partsFor, pressToLight, rule, state } from './fixtures.ts';

export type Midi = OutputOf<'midi'>;
export const wired: Midi = {
  id: 'o4',
  kind: 'midi',
  name: 'Out',
  transport: 'wire',
  runningStatus: false,
  queueBytes: 64,
  overload: 'wait',
  shared: 'last',
  passes: 'nothing',
  passedChannels: [],
};

/** A key and a knob whose rules are as they are typed. */
export function telling(
  rules: readonly string[],
  patch: Partial<Midi> = {},
  reading: Partial<Knob['reading']> = {},
  variables: Variable[] = [],
): Gadget {
  const usual = pressToLight();
  const fresh = freshKnob({ kind: 'potentiometer', figures: {} }, 'Breath', null, null);
  const knob: Knob = { ...fresh, id: 'b2', reading: { ...fresh.reading, ...reading } };
  const keys = [button({ name: 'Key' }), button({ id: 'b3', name: 'Other', key: null })];
  const outputs = [...usual.outputs, { ...wired, ...patch }];
  const gadget: Gadget = {
    ...usual,
    flow: { ...usual.flow, variables },
    controls: [...keys, knob],
    outputs,
    parts: [...partsFor({ controls: keys, outputs }), part('p9', 'potentiometer', ['b2'])],
  };
  const read = rules.map((text, n) => rule(`r${n + 1}`, readRule(text, gadget)));
  const states = [state('s1', { name: 'Playing', rules: read })];
  return { ...gadget, flow: { ...gadget.flow, initialId: 's1', states } };
}
export const chord = (notes: number): string =>
  Array.from({ length: notes }, (_, n) => `Out noteOn 1, ${60 + n}, 100`).join('; ');

/** Up to eight octaves. */
export const octave = numberVariable({ id: 'v1', name: 'octave', initial: 0, min: 0, max: 8 });

/** Rows of so many notes from 60 up: the first has one, the second all. */
export const rowsOf = (notes: number): Variable => ({
  id: 'v2',
  kind: 'table',
  name: 'chords',
  saved: null,
  columns: notes,
  numbers: [60, ...Array<number>(notes - 1).fill(255), ...Array.from({ length: notes }, (_, n) => 60 + n)],
});

/** Rule, a gadget that has the snag, part of what it says, and whether its mend must clear it. */
/** The same beside equipment: each as what it hears of the output, or (null) sends. */
export const beside = (rules: readonly string[], ...neighbours: Partial<Neighbour>[]): Gadget => ({
  ...telling(rules),
  neighbours: neighbours.map((patch, n) => ({
    id: `l${n + 1}`, name: `Box ${n + 1}`, outputId: 'o4', channels: [], kinds: ['notes'], ...patch,
  })), // prettier-ignore
});

export const midiSnagCases: [string, string, Gadget, Partial<Snag>, boolean][] = [
  [
    'M02',
    'a chord of twelve notes, the last 10.56 ms behind the first',
    telling([`when Key press do ${chord(12)}`]),
    {
      level: 'likely',
      place: { kind: 'rule', id: 'r1' },
      values: { name: 'Out', state: 'Playing', notes: 12, smearUs: 10_560, limitUs: 10_000 },
    },
    true,
  ],
  [
    'M02',
    'a chord that no running status brings together',
    telling([`when Key press do ${chord(17)}`]),
    { values: expect.objectContaining({ notes: 17, smearUs: 15_360 }) as never },
    false,
  ],
  [
    'M02',
    'a row of twelve notes among others',
    telling(['when Key press do Out play 1, 0, chords[octave], 100'], {}, {}, [octave, rowsOf(12)]),
    { values: expect.objectContaining({ notes: 12, smearUs: 10_560 }) as never },
    true,
  ],
  [
    'M03',
    'notes on a channel that nothing at the other end hears',
    beside(['when Key press do Out noteOn 1, 60, 100', 'when Other press do Out noteOn 10, 36, 100'], {
      channels: [2, 10],
    }),
    {
      level: 'likely',
      place: { kind: 'rule', id: 'r1' },
      values: {
        way: 'out',
        name: 'Out',
        state: 'Playing',
        channel: 1,
        channels: 1,
        neighbours: 1,
        neighbour: 'Box 1',
        hears: '2, 10',
      },
    },
    false,
  ],
  [
    'M05',
    'notes for equipment that changes its program, and no more',
    beside(['when Key press do Out noteOn 1, 60, 100'], { channels: [1], kinds: ['programs'] }),
    {
      level: 'likely',
      place: { kind: 'rule', id: 'r1' },
      values: {
        way: 'out',
        name: 'Out',
        state: 'Playing',
        channel: 1,
        kind: 'notes',
        neighbour: 'Box 1',
        takes: 'programs',
      },
    },
    false,
  ],
  [
    'M04',
    'a knob of a thousand steps, each told in three bytes',
    telling(['when Breath up do Out control 1, 2, value(Breath)'], {}, { steps: 1_001 }),
    {
      level: 'likely',
      place: { kind: 'control', id: 'b2' },
      values: { control: 'Breath', name: 'Out', steps: 1_000, sweepUs: 300_000, wireUs: 960_000 },
    },
    true,
  ],
  [
    'M04',
    'a knob that is told finely: two messages for each step',
    telling(['when Breath up do Out fine 1, 2, value(Breath)'], {}, { steps: 401 }),
    { values: { control: 'Breath', name: 'Out', steps: 400, sweepUs: 300_000, wireUs: 768_000 } },
    true,
  ],
  [
    'M06',
    'a controller beyond those that are told finely',
    telling(['when Key press do Out fine 1, 40, 5000']),
    { level: 'likely', values: expect.objectContaining({ value: 40, held: 31, most: 31 }) as never },
    false,
  ],
  [
    'M06',
    'a note that is always too high',
    telling(['when Key press do Out noteOn 1, 200, 100']),
    {
      level: 'likely',
      place: { kind: 'rule', id: 'r1' },
      values: expect.objectContaining({ always: 1, value: 200, held: 127, most: 127 }) as never,
    },
    false,
  ],
  [
    'M06',
    'a note that its octave can carry too high',
    telling(['when Key press do Out noteOn 1, 60 + 12 * octave, 100'], {}, {}, [octave]),
    { level: 'note', values: expect.objectContaining({ always: 0, value: 156, held: 127 }) as never },
    false,
  ],
  [
    'M06',
    'rows of notes that their octave moves beyond the last note',
    telling(['when Key press do Out play 1, 0, chords[0] by 12 * octave, 100'], {}, {}, [octave, rowsOf(3)]),
    {
      level: 'note',
      place: { kind: 'rule', id: 'r1' },
      values: { name: 'Out', state: 'Playing', message: 'play', always: 0, value: 156, held: -1, most: 127 },
    },
    false,
  ],
  [
    'M09',
    'two keys that begin one note',
    telling(['when Key press do Out noteOn 1, 60, 100', 'when Other press do Out noteOn 1, 60, 90']),
    {
      level: 'note',
      place: { kind: 'rule', id: 'r2' },
      values: { state: 'Playing', first: 'Key', second: 'Other', number: 60, channel: 1 },
    },
    false,
  ],
];
