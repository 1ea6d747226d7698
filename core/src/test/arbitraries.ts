import * as fc from 'fast-check';
import { switchModels, contactOf, type SwitchModel } from '../contact/index.ts';
import { algorithms } from '../debounce/index.ts';
import {
  codeGestures,
  emptyGadget,
  gestureKinds,
  type Action,
  type Button,
  type Control,
  type DebounceSetting,
  type Chord,
  type ContactFigures,
  type Edge,
  type Gadget,
  type GestureSetting,
  type Rule,
  blankState,
  emptyFlow,
} from '../gadget/index.ts';
import type { Stimulus } from '../machine/index.ts';
import { freshEncoder, freshKnob } from '../drawer/index.ts';
import { partsFor, numberVariable } from './fixtures.ts';

const protectUs = fc.integer({ min: 0, max: 30 }).map((n) => n * 700);

/** Any setting of any algorithm that protects for a time which is small enough to matter, apart for both ways. */
export const settingArbitrary: fc.Arbitrary<DebounceSetting> = fc
  .tuple(fc.constantFrom(...algorithms), protectUs, protectUs, fc.boolean())
  .map(([{ id, protecting, defaults, port }, pressUs, releaseUs, shared]) => ({
    algorithm: id,
    params: protecting(pressUs, releaseUs, 1_000) ?? { ...defaults },
    wholePort: shared && port !== undefined,
  }));

/** Raw edges: alternating, strictly later, from open. */
export const edgesArbitrary: fc.Arbitrary<Edge[]> = fc
  .array(fc.oneof(fc.integer({ min: 1, max: 900 }), fc.integer({ min: 1_000, max: 60_000 })), {
    maxLength: 40,
  })
  .map((gaps) => {
    let atUs = 0;
    return gaps.map((gap, index) => ({ atUs: (atUs += gap), level: index % 2 === 0 ? 1 : 0 }) as Edge);
  });

const controlIds = ['b1', 'b2', 'b3'];
const otherIds = ['b4', 'b5', 'b6'];
const stateIds = ['s1', 's2', 's3', 's4'];
const delay = fc.integer({ min: 1_000, max: 400_000 });
const expression = fc.constantFrom(
  'v1 + 1',
  'v1 - v2',
  'random(7)',
  'v1 > 3 && v2 < 2',
  '!v1',
  '1',
  '(v1 * 3) % 5',
  '0',
);

const actionArbitrary: fc.Arbitrary<Action> = fc.oneof(
  fc.record({
    kind: fc.constant('set' as const),
    variableId: fc.constantFrom('v1', 'v2'),
    index: fc.constant(null),
    value: expression,
  }),
  fc.record({
    kind: fc.constant('light' as const),
    outputId: fc.constant('o1'),
    light: fc.oneof(
      fc.record({ mode: fc.constantFrom('on' as const, 'off' as const) }),
      fc.record({ mode: fc.constant('blink' as const), periodUs: delay.map((us) => us + 9_000) }),
      fc.record({
        mode: fc.constant('fade' as const),
        levelPercent: fc.integer({ min: 0, max: 100 }),
        overUs: delay,
      }),
    ),
  }),
  fc.record({
    kind: fc.constant('text' as const),
    outputId: fc.constant('o2'),
    row: fc.integer({ min: 0, max: 1 }),
    text: fc.constantFrom('Heat {v1}', 'plain', '{random(9)}-{v2}'),
  }),
  fc.record({
    kind: fc.constant('tone' as const),
    outputId: fc.constant('o3'),
    hz: fc.constantFrom('440', '200 + v1', '0'),
    lengthUs: fc.oneof(fc.constant(0), delay),
  }),
  fc.record({ kind: fc.constant('silence' as const), outputId: fc.constant('o3') }),
  fc.record({ kind: fc.constant('wait' as const), lengthUs: delay }),
);
const actions = fc.array(actionArbitrary, { maxLength: 3 });

const ruleArbitrary: fc.Arbitrary<Omit<Rule, 'id'>> = fc.record({
  trigger: fc.oneof(
    fc.record({
      kind: fc.constant('gesture' as const),
      controlId: fc.constantFrom(...controlIds, ...otherIds),
      gesture: fc.constantFrom(...gestureKinds),
    }),
    fc.record({ kind: fc.constant('after' as const), delay }),
    fc.record({ kind: fc.constant('every' as const), delay: delay.map((us) => us + 20_000) }),
    fc.constant({ kind: 'turn' as const, controlId: 'b4', by: 2 }),
    fc.constant({ kind: 'chord' as const, chordId: 'c1' }),
    fc.record({
      kind: fc.constant('code' as const),
      codeId: fc.constantFrom('d1', 'd2'),
      gesture: fc.constantFrom(...codeGestures),
    }),
  ),
  guard: fc.option(expression),
  actions,
  targetIds: fc.option(fc.constantFrom(...stateIds)).map((id): string[] => (id === null ? [] : [id])),
  internal: fc.constant(false),
});

/** Anything that a button can listen for, together. */
export const gesturesArbitrary: fc.Arbitrary<GestureSetting> = fc
  .record({
    holdUs: fc.option(delay),
    longer: fc.boolean(),
    doubleWindowUs: fc.option(delay),
    triple: fc.boolean(),
    repeat: fc.option(
      fc.record({
        delayUs: delay,
        everyUs: delay,
        quickenPercent: fc.constantFrom(100, 80),
        fastestUs: fc.constant(1_000),
      }),
    ),
  })
  .map(({ longer, triple, ...rest }) => ({
    ...rest,
    longerHoldsUs: longer && rest.holdUs !== null ? [rest.holdUs + 200_000, rest.holdUs + 300_000] : [],
    triple: triple && rest.doubleWindowUs !== null,
  }));

const buttonArbitrary = (id: string): fc.Arbitrary<Button> =>
  fc.record({
    id: fc.constant(id),
    kind: fc.constant('button' as const),
    name: fc.constant(id),
    key: fc.constant(null),
    contact: fc
      .tuple(fc.constantFrom(...(Object.keys(switchModels) as SwitchModel[])), fc.boolean())
      .map(([model, spikes]) => restless(contactOf(model), spikes)),
    debounce: settingArbitrary,
    gestures: gesturesArbitrary,
    wants: fc.constant({ purpose: 'game' as const, latestUs: null, wrongPerMillion: null }),
  });

/** Contacts that chatter, and spikes on the wire, often enough to meet. */
const restless = (contact: ContactFigures, spikes: boolean): ContactFigures =>
  spikes ? { ...contact, glitchPerHour: 36_000, glitchMaxUs: 3_000, chatterPerMinute: 300 } : contact;

const othersArbitrary: fc.Arbitrary<Control[]> = fc
  .record({
    method: fc.constantFrom('table' as const, 'edge' as const),
    countsPerStep: fc.constantFrom(1 as const, 2 as const, 4 as const),
    filter: fc.constantFrom('none' as const, 'mean' as const, 'exponential' as const, 'median' as const),
    noisePpm: fc.constantFrom(0, 700, 9_000),
    hysteresisCounts: fc.constantFrom(0, 5, 20),
  })
  .map(({ method, countsPerStep, filter, noisePpm, hysteresisCounts }) => {
    const keys = { key: null, backKey: null };
    const dial = freshEncoder({ kind: 'encoder', figures: {} }, 'b4', null, null);
    const knob = freshKnob({ kind: 'potentiometer', figures: {} }, 'b5', null, null);
    const code = (id: string, number: number) => ({
      id,
      name: id,
      code: number,
      wrongPerMille: 200,
      latencyUs: 40_000,
    });
    return [
      { ...dial, ...keys, id: 'b4', reading: { ...dial.reading, method, countsPerStep } },
      {
        ...knob,
        ...keys,
        id: 'b5',
        wiper: { ...knob.wiper, noisePpm, cracklePerMille: 30, sagPpm: 5_000 },
        // Few steps: many would only make traces long.
        reading: { ...knob.reading, filter, hysteresisCounts, steps: 21 },
      },
      {
        id: 'b6',
        kind: 'codes',
        name: 'b6',
        key: null,
        codes: [code('d1', 16), code('d2', 17)],
        repeatsEveryUs: 110_000,
        heldGapUs: 150_000,
      },
    ];
  });

const chordArbitrary: fc.Arbitrary<Chord> = fc.record({
  id: fc.constant('c1'),
  name: fc.constant('c1'),
  controlIds: fc.constantFrom(['b1', 'b2'], ['b3', 'b1']),
  windowUs: delay,
  ordered: fc.boolean(),
  holdUs: fc.option(delay),
  waits: fc.boolean(),
});

/** Valid gadgets of three buttons, an encoder, a knob, a receiver, three outputs, two variables and four states with anything in them. */
export const gadgetArbitrary: fc.Arbitrary<Gadget> = fc
  .record({
    periodUs: fc.constantFrom(250, 1_000, 3_000, 17_000),
    buttons: fc.tuple(...controlIds.map(buttonArbitrary)),
    others: othersArbitrary,
    chord: chordArbitrary,
    states: fc.tuple(
      ...stateIds.map((id) =>
        fc.record({
          id: fc.constant(id),
          name: fc.constant(id),
          entry: actions,
          exit: actions,
          rules: fc.array(ruleArbitrary, { maxLength: 5 }),
        }),
      ),
    ),
  })
  .map(({ periodUs, buttons, others, chord, states }): Gadget => ({
    ...emptyGadget('Any'),
    loop: { periodUs },
    controls: [...buttons, ...others],
    chords: [chord],
    outputs: [
      { id: 'o1', kind: 'light', name: 'Lamp', colour: 'red' },
      { id: 'o2', kind: 'text', name: 'Screen', columns: 12, rows: 2 },
      { id: 'o3', kind: 'tone', name: 'Piezo', lowHz: 100, highHz: 5_000 },
    ],
    flow: {
      ...emptyFlow(),
      variables: [
        numberVariable({ id: 'v1', name: 'heat', initial: 2, min: -10, max: 50 }),
        numberVariable({ id: 'v2', name: 'wind', initial: 0, min: 0, max: 9 }),
      ],
      initialId: 's1',
      states: states.map((state, s) => ({
        ...blankState(),
        ...state,
        rules: state.rules.map((rule, r) => ({ ...rule, id: `r${s * 100 + r}` })),
      })),
    },
  }))
  .map((gadget) => ({ ...gadget, parts: partsFor(gadget) }));

/** Hands on the controls of `gadgetArbitrary`, in order of time, within two seconds. */
export const stimuliArbitrary: fc.Arbitrary<Stimulus[]> = fc
  .array(
    fc.tuple(
      fc.integer({ min: 0, max: 2_000_000 }),
      fc.oneof(
        {
          weight: 6,
          arbitrary: fc.record({
            controlId: fc.constantFrom(...controlIds),
            what: fc.constantFrom('down' as const, 'up' as const),
          }),
        },
        fc.record({
          controlId: fc.constant('b4'),
          what: fc.constant('turn' as const),
          detents: fc.integer({ min: -5, max: 5 }),
          overUs: fc.integer({ min: 0, max: 300_000 }),
        }),
        fc.record({
          controlId: fc.constant('b5'),
          what: fc.constant('move' as const),
          perMille: fc.integer({ min: 0, max: 1_000 }),
          overUs: fc.integer({ min: 0, max: 300_000 }),
        }),
        fc.record({
          controlId: fc.constant('b6'),
          what: fc.constant('send' as const),
          codeId: fc.constantFrom('d1', 'd2'),
          heldUs: fc.integer({ min: 0, max: 500_000 }),
        }),
      ),
    ),
    { maxLength: 30 },
  )
  .map((stimuli) => stimuli.map(([atUs, touch]) => ({ atUs, ...touch }) as Stimulus))
  .map((stimuli) => stimuli.sort((a, b) => a.atUs - b.atUs));
