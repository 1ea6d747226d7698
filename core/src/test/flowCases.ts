import { contactOf } from '../contact/index.ts';
import { freshEncoder } from '../drawer/index.ts';
import {
  emptyFlow,
  type Action,
  type Gadget,
  type LightColour,
  type Rule,
  type Snag,
  type State,
  type Trigger,
} from '../gadget/index.ts';
import { outputOf } from './toldGadget.ts';
import { button, numberVariable, partsFor, pressToLight, rule, state, unwired } from './fixtures.ts';

const press: Trigger = { kind: 'gesture', controlId: 'b1', gesture: 'press' };
const set = (value: string, variableId = 'v1'): Action => ({ kind: 'set', variableId, index: null, value });
const line = (text: string): Action => ({ kind: 'text', outputId: 'o2', row: 0, text });
const light = (mode: 'on' | 'off'): Action => ({ kind: 'light', outputId: 'o1', light: { mode } });
const to = (id: string, trigger: Trigger, targetIds: string[], patch: Partial<Rule> = {}): Rule =>
  rule(id, { trigger, targetIds, ...patch });
const other: Trigger = { kind: 'gesture', controlId: 'b2', gesture: 'press' };
const after = (ms: number): Trigger => ({ kind: 'after', delay: ms * 1_000 });

const colour = (paint: LightColour): Action => ({ kind: 'colour', outputId: 'o1', colour: paint });

/** The same with a light that can be told its colour. */
export function coloured(states: State[]): Gadget {
  const gadget = game(states);
  const parts = gadget.parts.map((part) =>
    part.plays.includes('o1') ? { ...part, kind: 'rgb-light' } : part,
  );
  return { ...gadget, parts };
}

/** One game button, one light and one text over these states. */
function game(states: State[], patch: Partial<Gadget['flow']> = {}, more: Partial<Gadget> = {}): Gadget {
  const gadget: Gadget = {
    ...pressToLight({ contact: contactOf('dome') }),
    flow: { ...emptyFlow(), variables: [numberVariable({})], initialId: 's1', states, ...patch },
    ...more,
  };
  return { ...gadget, parts: partsFor(gadget) };
}
const dialled = (states: State[], patch: Partial<Gadget['flow']>): Gadget => {
  const controls = [
    button(),
    { ...freshEncoder({ kind: 'encoder', figures: {} }, 'Dial', null, null), id: 'b2' },
  ];
  return game(states, patch, { controls });
};
/** A key that types into a computer while it is down. */
type Key = { key: string; how: 'down' | 'up' | 'tap' };
function keyed(onPress: Key[], onRelease: Key[]): Gadget {
  const keys = (all: Key[]): Action[] => all.map((one) => ({ kind: 'key', outputId: 'o4', ...one }));
  const release: Trigger = { kind: 'gesture', controlId: 'b1', gesture: 'release' };
  const outputs = [...pressToLight().outputs, { id: 'o4', kind: 'typist' as const, name: 'Pad' }];
  const rules = [
    to('r1', press, [], { actions: keys(onPress) }),
    to('r2', release, [], { actions: keys(onRelease) }),
  ];
  return game([state('s1', { rules })], {}, { outputs });
}
/** An arrow is down while a key is; another key leads to where the first is not heard. @param leaving done on the way */
export function steering(leaving: Action[]): Gadget {
  const arrow = (how: 'down' | 'up'): Action => ({ kind: 'key', outputId: 'o4', key: 'left', how });
  const release: Trigger = { kind: 'gesture', controlId: 'b1', gesture: 'release' };
  const outputs = [...pressToLight().outputs, { id: 'o4', kind: 'typist' as const, name: 'Pad' }];
  const controls = [button({ name: 'GO' }), button({ id: 'b2', name: 'BACK', key: null })];
  const states = [
    state('s1', {
      rules: [
        to('r1', press, [], { actions: [arrow('down')] }),
        to('r2', release, [], { actions: [arrow('up')] }),
        to('r3', other, ['s2'], { actions: leaving }),
      ],
    }),
    state('s2', { rules: [to('r4', other, ['s1']), to('r5', press, [])] }),
  ];
  return game(states, {}, { outputs, controls });
}
/** A key sounds a note that a dial moves. @param ends the note that is ended as the key is let go */
export function transposing(ends: string, more: Partial<Gadget['flow']['states'][number]> = {}): Gadget {
  const note = (message: 'noteOn' | 'noteOff', first: string): Action => ({
    kind: 'midi', outputId: 'o4', message, channel: 3, first, second: '100',
  }); // prettier-ignore
  const release: Trigger = { kind: 'gesture', controlId: 'b1', gesture: 'release' };
  const outputs = [...pressToLight().outputs, { id: 'o4', kind: 'midi' as const, name: 'Out', ...unwired }];
  const controls = [button({ name: 'GO' }), button({ id: 'b2', name: 'BACK', key: null })];
  const variables = [
    numberVariable({ name: 'up', initial: 0, min: 0, max: 2 }),
    numberVariable({ id: 'v2', name: 'began', initial: 0, min: 0, max: 127 }),
  ];
  const states = [
    state('s1', {
      rules: [
        to('r1', press, [], { actions: [set('60 + 12 * v1', 'v2'), note('noteOn', '60 + 12 * v1')] }),
        to('r2', release, [], { actions: [note('noteOff', ends)] }),
        to('r3', other, [], { actions: [set('v1 + 1')] }),
      ],
      ...more,
    }),
  ];
  return game(states, { variables }, { outputs, controls });
}
/** A panel's characters are gathered, and shown when their line ends. */
function spelling(): Gadget {
  const panel = { ...(outputOf('serial', 'Panel') as object), id: 'o4' } as Gadget['outputs'][number];
  const line = { id: 'v1', kind: 'text', name: 'line', saved: null, length: 8, initial: '' } as const;
  const rules = [
    to('r1', { kind: 'character', outputId: 'o4' }, [], {
      actions: [{ kind: 'append', variableId: 'v1', index: null, text: '{char(heard(0))}' }],
    }),
    to('r2', { kind: 'line', outputId: 'o4', word: null }, [], {
      actions: [
        { kind: 'text', outputId: 'o2', row: 0, text: '{v1}' },
        { kind: 'setText', variableId: 'v1', index: null, text: '' },
      ],
    }),
    to('r3', press, []),
  ];
  const outputs = [...pressToLight().outputs, panel];
  return game([state('s1', { rules })], { variables: [line] }, { outputs });
}
const up: Trigger = { kind: 'gesture', controlId: 'b2', gesture: 'up' };
const win = (patch: Partial<Gadget['brief']['tasks'][number]> = {}): Gadget['brief'] => ({
  ...pressToLight().brief,
  tasks: [
    {
      id: 't1', name: 'Win', startStateId: null, goalStateId: 's3', doneWhen: null,
      budgetPresses: null, budgetUs: null, circumstances: [], ...patch,
    },
  ],
}); // prettier-ignore

/** Two keys after one another lead to where it is won. */
const toWin = (budget: Parameters<typeof win>[0]): Gadget =>
  game(
    [
      state('s1', { rules: [to('r1', press, ['s2'])] }),
      state('s2', { rules: [to('r2', { kind: 'gesture', controlId: 'b2', gesture: 'press' }, ['s3'])] }),
      state('s3', { rules: [to('r3', press, ['s1'])] }),
    ],
    {},
    { brief: win(budget), controls: [button(), button({ id: 'b2', name: 'Other', key: null })] },
  );

/** Rule, a gadget that has the snag, part of what it says, and whether its mend must clear it. */
export const flowCases: [string, string, Gadget, Partial<Snag>, boolean][] = [
  [
    'G03',
    'more presses than were to do',
    toWin({ budgetPresses: 1, budgetUs: 60_000_000 }),
    {
      level: 'likely',
      place: { kind: 'task', id: 't1' },
      // Two presses of two keys, each with a thought before it.
      values: {
        task: 'Win', over: 'presses', presses: 2, timeUs: 3_260_000, budgetPresses: 1, budgetUs: 60_000_000,
      }, // prettier-ignore
    },
    false,
  ],
  [
    'G03',
    'longer than was to do',
    toWin({ budgetUs: 3_000_000 }),
    { values: { over: 'time' } as never },
    false,
  ],
  [
    'L04',
    'two conditions that overlap',
    game([
      state('s1', {
        rules: [
          to('r1', press, ['s2'], { guard: 'v1 > 3' }),
          to('r2', press, [], { guard: 'v1 < 9', actions: [set('v1 + 1')] }),
        ],
      }),
      state('s2', { rules: [to('r3', press, ['s1'], { actions: [set('0')] })] }),
    ]),
    { level: 'likely', values: { state: 's1', first: 1, second: 2 } },
    true,
  ],
  [
    'L05',
    'a wait for a key that is only heard as another',
    game(
      [
        state('s1', {
          rules: [
            to('r1', { kind: 'gesture', controlId: 'b2', gesture: 'press' }, ['s2']),
            to('r4', { kind: 'after', delay: 900_000 }, ['s2']),
          ],
        }),
        state('s2', { rules: [to('r2', press, ['s1'])] }),
      ],
      {},
      {
        controls: [button(), button({ id: 'b2', name: 'Pedal', key: null })],
        wiring: {
          ...pressToLight().wiring,
          sets: [
            {
              id: 'k1',
              name: 'Socket',
              controlIds: ['b1', 'b2'],
              scheme: 'one-line',
              params: {},
              chords: [],
            },
          ],
        },
      },
    ),
    { values: { state: 's1', number: 1, reason: 'oneLine', control: 'Pedal', as: button().name } },
    true,
  ],
  [
    'L06',
    'rules that raise one another',
    game(
      [
        state('s1', {
          rules: [
            to('r1', press, [], { actions: [{ kind: 'raise', signalId: 'g1', delay: null }] }),
            to('r2', { kind: 'signal', signalId: 'g1' }, [], {
              actions: [{ kind: 'raise', signalId: 'g1', delay: null }],
            }),
          ],
        }),
      ],
      { signals: [{ id: 'g1', name: 'Again' }] },
    ),
    { level: 'stop', values: { name: 's1', steps: 1 } },
    false,
  ],
  [
    'L07',
    'a chain of presses',
    game(
      ['s1', 's2', 's3', 's4', 's5', 's6'].map((id, n, all) =>
        state(id, { rules: [to(`r${n + 1}`, press, [all[(n + 1) % all.length]!])] }),
      ),
    ),
    { level: 'likely', values: { name: 's2', home: 's1', presses: 5, most: 3 } },
    false,
  ],
  [
    'L07',
    'two states that only lead to one another',
    game([
      state('s1', { rules: [to('r1', press, ['s2']), to('r5', after(9_000), ['s1'])] }),
      state('s2', { rules: [to('r2', press, ['s3'])] }),
      state('s3', { rules: [to('r3', press, ['s2'])] }),
      state('s4', { rules: [to('r4', press, ['s1'])] }),
    ]),
    { level: 'stop' },
    false,
  ],
  [
    'L08',
    'a press that wipes what is kept',
    game([state('s1', { rules: [to('r1', press, [], { actions: [set('0')] })] })], {
      variables: [numberVariable({ name: 'best', saved: { when: 'asked' } })],
    }),
    { level: 'likely', values: { state: 's1', control: 'Stir', lost: 'best' } },
    true,
  ],
  [
    'L08',
    'a press to where nothing can be undone',
    game(
      [
        state('s1', { rules: [to('r1', press, ['s2'])] }),
        state('s2', { name: 'Erased', rules: [to('r2', press, ['s1'])] }),
      ],
      { marks: [{ placeId: 's2', means: 'lasting' }] },
    ),
    {
      place: { kind: 'rule', id: 'r1' },
      values: { reason: 'state', lost: 'Erased', state: 's1', control: 'Stir' },
    },
    true,
  ],
  [
    'L08',
    'a rule that its maker has marked',
    game([state('s1', { rules: [to('r1', press, [], { actions: [light('on')] })] })], {
      marks: [{ placeId: 'r1', means: 'lasting' }],
    }),
    { values: { reason: 'rule' } as never },
    true,
  ],
  [
    'L09',
    'a sum that grows past its end',
    game([state('s1', { rules: [to('r1', press, [], { actions: [set('v1 + 40')] })] })]),
    { level: 'note', values: { name: 'count', wanted: 120, low: 0, high: 99 } },
    false,
  ],
  [
    'L10',
    'a timer that nothing stops',
    game(
      [
        state('s1', {
          rules: [
            to('r1', press, ['s2'], {
              actions: [{ kind: 'start', timerId: 'm1', length: 5_000_000, every: false }],
            }),
          ],
        }),
        state('s2', { rules: [to('r2', { kind: 'timer', timerId: 'm1' }, ['s1']), to('r3', press, ['s1'])] }),
      ],
      { timers: [{ id: 'm1', name: 'Fuse' }] },
    ),
    { level: 'likely', values: { timer: 'Fuse', state: 's1' } },
    true,
  ],
  [
    'L11',
    'a reaction game that forgives an early press',
    game([
      state('s1', { rules: [to('r1', press, ['s2'])] }),
      state('s2', { rules: [to('r2', { kind: 'after', delay: { ms: '1000 + random(3000)' } }, ['s3'])] }),
      state('s3', { entry: [light('on')], rules: [to('r3', press, ['s1']), to('r4', after(700), ['s1'])] }),
    ]),
    { level: 'likely', values: { name: 's2', control: 'Stir', count: 1, next: 's3' } },
    true,
  ],
  [
    'L12',
    'a game that doing nothing wins',
    game(
      [
        state('s1', { rules: [to('r1', press, ['s2'])] }),
        state('s2', { rules: [to('r2', after(5_000), ['s3']), to('r3', press, ['s4'])] }),
        state('s3', { rules: [to('r4', press, ['s1'])] }),
        state('s4', { rules: [to('r5', press, ['s1'])] }),
      ],
      {},
      { brief: win({ startStateId: 's2' }) },
    ),
    { level: 'likely', values: { task: 'Win', player: 'idle', control: '', percent: 100, rounds: 20 } },
    false,
  ],
  [
    'L12',
    'a game that mashing wins',
    game(
      [
        state('s1', { rules: [to('r1', press, ['s2'], { actions: [set('0')] })] }),
        state('s2', {
          rules: [
            to('r2', press, [], { actions: [set('min(99, v1 + 1)')] }),
            to('r3', after(3_000), ['s3'], { guard: 'v1 > 10' }),
            to('r6', after(3_000), ['s4']),
          ],
        }),
        state('s3', { rules: [to('r4', press, ['s1'])] }),
        state('s4', { rules: [to('r5', press, ['s1'])] }),
      ],
      {},
      { brief: win({ startStateId: 's2' }) },
    ),
    { values: { task: 'Win', player: 'mash', control: 'Stir', percent: 100, rounds: 20 } },
    false,
  ],
  [
    'S10',
    'two states that only a colour tells apart',
    coloured([
      state('s1', { entry: [light('on'), colour('red')], rules: [to('r1', press, ['s2'])] }),
      state('s2', { entry: [light('on'), colour('green')], rules: [to('r2', press, ['s1'])] }),
    ]),
    {
      level: 'likely',
      place: { kind: 'state', id: 's2' },
      values: expect.objectContaining({
        ...{ name: 's2', twin: 's1', here: 'green', there: 'red' },
        alikeFor: 'protanopia deuteranopia',
      }),
    },
    true,
  ],
  [
    'S11',
    'a number that an encoder turns, and of which nothing is ever noticed',
    dialled(
      [
        state('s1', {
          rules: [
            to('r1', { kind: 'gesture', controlId: 'b2', gesture: 'up' }, [], { actions: [set('v1 + 1')] }),
          ],
        }),
      ],
      {},
    ),
    { level: 'note', place: { kind: 'variable', id: 'v1' }, values: { variable: 'count' } },
    false,
  ],
  [
    'S07',
    'a text that is one and another ten times a second',
    game([
      state('s1', {
        name: 'Ready',
        entry: [line('Steady')],
        rules: [
          to('r1', { kind: 'every', delay: 100_000 }, [], { actions: [set('1 - v1'), line('{v1} of 8')] }),
          to('r2', press, ['s2']),
        ],
      }),
      state('s2', { entry: [line('Still')] }),
    ]),
    {
      level: 'likely',
      place: { kind: 'state', id: 's1' },
      values: { display: 'Screen', one: '0 of 8', other: '1 of 8', perSecond: 10, state: 'Ready' },
    },
    false,
  ],
  [
    'L14',
    'two states that show the same',
    game([
      state('s1', { entry: [light('on')], rules: [to('r1', press, ['s2'])] }),
      state('s2', { entry: [light('on')], rules: [to('r2', press, ['s3'])] }),
      state('s3', { entry: [light('off')], rules: [to('r3', press, ['s1'])] }),
    ]),
    { level: 'likely', values: { name: 's2', twin: 's1' } },
    false,
  ],
  [
    'L15',
    'a dialled setting that is forgotten',
    dialled([state('s1', { rules: [to('r1', up, [], { actions: [set('min(99, v1 + 1)')] })] })], {}),
    { level: 'likely', values: { name: 'count' } },
    true,
  ],
  [
    'L16',
    'a tick that is written down each time',
    dialled(
      [
        state('s1', {
          rules: [to('r1', { kind: 'every', delay: 1_000_000 }, [], { actions: [set('min(99, v1 + 1)')] })],
        }),
      ],
      { variables: [numberVariable({ saved: { when: 'change' } })] },
    ),
    // 100,000 / (3,600 a day): 27.8 days.
    { level: 'likely', values: { name: 'count', writes: 3_600, days: 28, endurance: 100_000 } },
    true,
  ],
  [
    'L17',
    'a round that ticks for ever',
    game([
      state('s1', { rules: [to('r1', press, ['s2'])] }),
      state('s2', {
        rules: [
          to('r2', { kind: 'every', delay: 500_000 }, [], { actions: [set('min(99, v1 + 1)')] }),
          to('r3', press, ['s1']),
        ],
      }),
    ]),
    { level: 'likely', values: { name: 's2', minutes: 10 } },
    false,
  ],
  [
    'L18',
    'chance that is always the same',
    game([state('s1', { rules: [to('r1', press, [], { actions: [set('random(6)')] })] })], {
      chance: 'same',
    }),
    { level: 'likely', values: { uses: 1 } },
    true,
  ],
  [
    'L19',
    'a menu that goes home just before the press lands',
    game([
      state('s1', { name: 'Home', rules: [to('r1', press, ['s2'])] }),
      state('s2', { name: 'Menu', rules: [to('r2', press, ['s3']), to('r3', after(8_000), ['s4'])] }),
      state('s3', { rules: [to('r4', press, ['s1'])] }),
      state('s4', { name: 'Start', rules: [to('r5', press, ['s1'])] }),
    ]),
    {
      level: 'note',
      place: { kind: 'rule', id: 'r5' },
      values: {
        control: 'Stir', by: '', from: 'Menu', to: 'Start', meant: 's3', leads: 'Home', afterUs: 8_000_000,
        reactionUs: 255_000,
      }, // prettier-ignore
    },
    true,
  ],
  [
    'L19',
    'the press of one who loses, which begins the next round',
    game(
      [
        state('s1', { name: 'Go', rules: [to('r1', press, ['s2']), to('r2', other, ['s3'])] }),
        state('s2', { name: 'Red wins', rules: [to('r3', other, ['s1'])] }),
        state('s3', { name: 'Blue wins', rules: [to('r4', other, ['s1'])] }),
      ],
      {},
      { controls: [button(), button({ id: 'b2', name: 'Blue', key: null })] },
    ),
    {
      level: 'likely',
      place: { kind: 'rule', id: 'r3' },
      values: { control: 'Blue', by: 'Stir', from: 'Go', to: 'Red wins', leads: 'Go' } as never,
    },
    false,
  ],
  [
    'L20',
    'a light that blinks ten times a second',
    game([
      state('s1', {
        entry: [{ kind: 'light', outputId: 'o1', light: { mode: 'blink', periodUs: 100_000 } }],
      }),
    ]),
    { level: 'likely', values: { light: 'Lamp', where: 's1', centiHz: 1_000, by: 'blink' } },
    true,
  ],
  [
    'L20',
    'a pattern of a rule that flashes five times a second',
    game([
      state('s1', {
        rules: [
          to('r1', press, [], {
            actions: [
              { kind: 'light', outputId: 'o1', light: { mode: 'pattern', steps: '#.#.', stepUs: 100_000 } },
            ],
          }),
        ],
      }),
    ]),
    { place: { kind: 'rule', id: 'r1' }, values: { centiHz: 500 } as never },
    true,
  ],
  [
    'L20',
    'rules that switch a light to and fro',
    game([
      state('s1', { rules: [to('r1', press, ['s2'])] }),
      state('s2', { entry: [light('on')], rules: [to('r2', after(60), ['s3']), to('r4', press, ['s1'])] }),
      state('s3', { entry: [light('off')], rules: [to('r3', after(60), ['s2']), to('r5', press, ['s1'])] }),
    ]),
    // 120 ms each, and a turn of the loop for each change.
    { level: 'likely', values: { light: 'Lamp', by: 'rules' } as never },
    false,
  ],
  [
    'S08',
    'characters that come in are shown when the line ends',
    spelling(),
    { level: 'note', place: { kind: 'rule', id: 'r2' }, values: { name: 'Panel', text: 'line' } },
    true,
  ],
  [
    'X06',
    'a key of the computer that nothing lets go, beside one that is let go',
    keyed(
      [
        { key: 'shift', how: 'down' },
        { key: 'x', how: 'tap' },
        { key: 'y', how: 'down' },
      ],
      [{ key: 'y', how: 'up' }],
    ),
    { level: 'likely', place: { kind: 'rule', id: 'r1' }, values: { key: 'shift', name: 'Pad' } as never },
    false,
  ],
  [
    'X07',
    'an arrow that is held while a key is, and a state in between that does not hear the key let go',
    steering([]),
    {
      level: 'likely',
      place: { kind: 'state', id: 's2' },
      values: { key: 'left', name: 'Pad', control: 'GO', state: 's2' },
    },
    false,
  ],
  [
    'M01',
    'a note that is ended an octave above where it began, as the octave was changed while its key was held',
    transposing('60 + 12 * v1'),
    {
      level: 'likely',
      place: { kind: 'state', id: 's1' },
      values: { channel: '3', name: 'Out', control: 'GO', state: 's1' },
    },
    false,
  ],
  [
    'X05',
    'two states that are still empty',
    game([state('s1', { rules: [to('r1', press, ['s2'])] }), state('s2'), state('s3')]),
    { level: 'note', place: { kind: 'state', id: 's2' }, values: { names: 's2, s3', count: 2 } },
    false,
  ],
  [
    'X03',
    'a signal that raises two a millisecond later',
    game(
      [
        state('s1', {
          rules: [
            to('r1', press, [], { actions: [{ kind: 'raise', signalId: 'g1', delay: 0 }] }),
            to('r2', { kind: 'signal', signalId: 'g1' }, [], {
              actions: [1_000, 1_000].map((delay) => ({ kind: 'raise', signalId: 'g1', delay })),
            }),
          ],
        }),
      ],
      { signals: [{ id: 'g1', name: 'Again' }] },
    ),
    {
      level: 'stop',
      place: { kind: 'rule', id: 'r2' },
      values: { excess: 'planned', cause: 'signal', name: 'Again', number: 0 },
    },
    false,
  ],
  [
    'X04',
    'two hundred rules each millisecond',
    game([
      state('s1', {
        rules: Array.from({ length: 200 }, (_, n) => to(`r${n + 1}`, { kind: 'every', delay: 1_000 }, [])),
      }),
    ]),
    {
      level: 'note',
      place: { kind: 'rule', id: 'r1' },
      values: { cause: 'rule', name: 's1', number: 1, perSecond: 1_000 },
    },
    false,
  ],
];
