import { freshEncoder, freshKnob } from '../drawer/index.ts';
import {
  emptyFlow,
  type Button,
  type Encoder,
  type EncoderReading,
  type Gadget,
  type Knob,
  type KnobReading,
  type Snag,
} from '../gadget/index.ts';
import { schemeOf } from '../scan/index.ts';
import { button, part, partsFor, pressToLight, rule, state } from './fixtures.ts';
import { edited, gadgetOf } from './wiringFixtures.ts';

type Case = [string, string, Gadget, Partial<Snag>, boolean];

/** The usual gadget with an encoder, b2, of these figures and readings. */
function dial(
  reading: Partial<EncoderReading>,
  figures: Record<string, number> = {},
  periodUs = 500,
): Gadget {
  const gadget = pressToLight();
  const fresh = freshEncoder({ kind: 'encoder', figures: { countsPerDetent: 4 } }, 'Dial', null, null);
  const encoder: Encoder = { ...fresh, id: 'b2', reading: { ...fresh.reading, ...reading } };
  return {
    ...gadget,
    loop: { periodUs },
    controls: [...gadget.controls, encoder],
    parts: [...gadget.parts, part('p9', 'encoder', ['b2'], { figures })],
  };
}

/** The usual gadget with a knob, b2. */
function knob(
  reading: Partial<KnobReading>,
  more: Partial<Knob> = {},
  kind = 'potentiometer',
  taper = 0,
): Gadget {
  const gadget = pressToLight();
  const fresh = freshKnob({ kind, figures: {} }, 'Volume', null, null);
  const made: Knob = { ...fresh, id: 'b2', ...more, reading: { ...fresh.reading, ...reading } };
  return {
    ...gadget,
    controls: [...gadget.controls, made],
    parts: [...gadget.parts, part('p9', 'potentiometer', ['b2'], { figures: { taper } })],
  };
}

/** Rules by which the dial moves a variable: up does the first, down the second. */
function turning(gadget: Gadget, up: string, down: string): Gadget {
  const clone = structuredClone(gadget);
  const on = (id: string, gesture: 'up' | 'down', value: string) =>
    rule(id, {
      trigger: { kind: 'gesture', controlId: 'b2', gesture },
      actions: [{ kind: 'set', variableId: 'v1', index: null, value }],
    });
  for (const { id, rules } of clone.flow.states)
    rules.push(on(`r${id}1`, 'up', up), on(`r${id}2`, 'down', down));
  clone.flow.states.forEach(({ rules }, s) => rules.forEach((one, r) => (one.id = `r${s * 10 + r + 1}`)));
  return clone;
}

/** Two buttons of two players; whoever is first decides where it goes. */
export function race(periodUs: number): Gadget {
  const controls: Button[] = [button(), button({ id: 'b2', name: 'Fan', key: null })];
  const to = (id: string, controlId: string, targetId: string) =>
    rule(id, { trigger: { kind: 'gesture', controlId, gesture: 'press' }, targetIds: [targetId] });
  const gadget: Gadget = {
    ...pressToLight(),
    loop: { periodUs },
    controls,
    flow: {
      ...emptyFlow(),
      initialId: 's0',
      states: [
        state('s0', {
          rules: [
            rule('r0', {
              trigger: { kind: 'after', delay: { ms: '1000 + random(2000)' } },
              targetIds: ['s1'],
            }),
          ],
        }),
        state('s1', {
          name: 'Go',
          entry: [{ kind: 'light', outputId: 'o1', light: { mode: 'on' } }],
          rules: [to('r1', 'b1', 's2'), to('r2', 'b2', 's3')],
        }),
        state('s2', { rules: [to('r3', 'b1', 's0'), to('r5', 'b2', 's0')] }),
        state('s3', { rules: [to('r4', 'b2', 's0'), to('r6', 'b1', 's0')] }),
      ],
    },
  };
  return { ...gadget, parts: partsFor(gadget) };
}

/** A key that wakes from a state that is marked as asleep: its press leads to one that answers the rest of the press. */
function waker(change: (flow: Gadget['flow']) => void = () => undefined): Gadget {
  const gadget = structuredClone(pressToLight());
  gadget.parts[0]!.figures = { wakes: 1 };
  gadget.flow.marks = [{ placeId: 's1', means: 'asleep' }];
  gadget.flow.states[0]!.rules[0]!.actions = [];
  gadget.flow.states[1]!.rules = [
    rule('r2', { trigger: { kind: 'gesture', controlId: 'b1', gesture: 'tap' }, targetIds: ['s1'] }),
  ];
  change(gadget.flow);
  return gadget;
}

/** Four keys in a set, on a loop of that period. */
function keypad(periodUs: number, scheme = 'matrix', params: Record<string, number> = { rows: 2 }): Gadget {
  const four = gadgetOf(null, ['push-button'], ['push-button'], ['push-button'], ['push-button']);
  four.loop.periodUs = periodUs;
  const controlIds = four.controls.map(({ id }) => id);
  const set = { name: 'Keys', controlIds, scheme, params, chords: [] };
  return edited(four, { name: 'addKeySet', args: [set] });
}

/** Rule, a gadget that has the snag, part of what it says, and whether its mend must clear it. */
export const feelCases: Case[] = [
  ['F05', 'an encoder that is read too seldom', dial({}, {}, 8_000), { level: 'stop' }, true],
  [
    'F06',
    'two clicks for one step',
    dial({ countsPerStep: 4 }, { countsPerDetent: 2 }),
    {
      level: 'stop',
      values: { name: 'Dial', reason: 'several', countsPerDetent: 2, countsPerStep: 4, extraPerMille: 0 },
    },
    true,
  ],
  ['F06', 'half steps', dial({ countsPerStep: 2 }), { level: 'stop' }, true],
  ['F06', 'the shortcut, which counts bounce', dial({ method: 'edge' }, {}, 100), { level: 'likely' }, true],
  [
    'F07',
    'steps narrower than the noise',
    knob({ steps: 205, hysteresisCounts: 0 }),
    { level: 'likely' },
    true,
  ],
  [
    'F07',
    'values that each matter, behind noise',
    // A mean keeps all of them; fewer steps would not be what the knob is for.
    knob(
      { steps: 206, low: 0, high: 205, hysteresisCounts: 0, everyUs: 5_000 },
      { wiper: { bits: 10, noisePpm: 800, cracklePerMille: 0, cracklePpm: 0, sagPpm: 0 } },
    ),
    { mend: { key: 'steadier', values: { steps: 206 } } as never },
    true,
  ],
  ['F07', 'steps too narrow for any hysteresis', knob({ steps: 1_000, hysteresisCounts: 0 }), {}, true],
  [
    'F08',
    'an even knob for a level',
    knob({}, { sets: 'level' }),
    { values: { name: 'Volume', sets: 'level', taper: 'linear', middlePercent: 50 } },
    true,
  ],
  ['F08', 'a log knob for a position', knob({}, {}, 'potentiometer', 1), {}, true],
  ['F09', 'a knob that is read the wrong way round', knob({ reversed: true }), {}, true],
  [
    'F09',
    'an encoder whose steps upwards lower a variable',
    turning(dial({}), 'v1 - 1', 'v1 + 1'),
    { values: { name: 'Dial', reason: 'flow' } },
    true,
  ],
  [
    'F10',
    'an axis without a dead band',
    knob({ centreBandCounts: 0 }, { returns: true }),
    { level: 'likely' },
    true,
  ],
  ['F10', 'ends that noise keeps away', knob({ endBandCounts: 0 }), { level: 'note' }, true],
  ['F11', 'a press that wakes and whose tap acts', waker(), { place: { kind: 'rule', id: 'r1' } }, true],
  [
    'F11',
    'a press that wakes and turns the page',
    waker(({ states }) => {
      states[0]!.rules[0]!.actions = [{ kind: 'set', variableId: 'v1', index: null, value: 'v1 + 1' }];
      states[1]!.rules = [rule('r2', { trigger: { kind: 'after', delay: 900_000 }, targetIds: ['s1'] })];
    }),
    { place: { kind: 'rule', id: 'r1' }, values: { reason: 'same', asleep: 'Dark', state: 'Lit' } as never },
    true,
  ],
  [
    'F11',
    'a state that goes dark by itself, and whose hold acts',
    waker((flow) => {
      flow.marks = [];
      flow.states[0]!.entry = [{ kind: 'light', outputId: 'o1', light: { mode: 'off' } }];
      flow.states[1]!.rules = [
        rule('r2', { trigger: { kind: 'gesture', controlId: 'b1', gesture: 'release' }, targetIds: ['s2'] }),
        rule('r3', { trigger: { kind: 'after', delay: 900_000 }, targetIds: ['s1'] }),
      ];
    }),
    { values: { reason: 'later', gesture: 'release' } as never },
    true,
  ],
  [
    'F13',
    'two players on a slow loop',
    race(10_000),
    // As a million rounds of people come out: 5.8 %.
    { level: 'likely', place: { kind: 'state', id: 's1' }, values: { tiesPerMille: 58 } as never },
    true,
  ],
  ['K02', 'a keypad on a loop slower than a press', keypad(80_000), { level: 'stop' }, true],
  [
    'K02',
    'a scan that its turn has no time for',
    keypad(100, 'expander', schemeOf('expander').defaults(4)),
    { level: 'likely' },
    true,
  ],
];
