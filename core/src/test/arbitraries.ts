import * as fc from 'fast-check';
import { switchModels, contactOf, type SwitchModel } from '../contact/index.ts';
import { algorithms } from '../debounce/index.ts';
import {
  emptyGadget,
  gestureKinds,
  type Action,
  type Button,
  type Edge,
  type Gadget,
  type Rule,
} from '../gadget/index.ts';
import type { Stimulus } from '../machine/index.ts';
import { partsFor } from './fixtures.ts';

/** Any number that debounce parameters accept, small enough to matter. */
export const settingArbitrary = fc.constantFrom(...algorithms.map(({ id }) => id)).chain((algorithm) =>
  fc.record({
    algorithm: fc.constant(algorithm),
    params: fc.integer({ min: 1, max: 30 }).map((n): Record<string, number> => {
      if (algorithm === 'stable') return { settleUs: n * 700 };
      if (algorithm === 'lockout') return { lockUs: n * 700 };
      return algorithm === 'integrator' ? { steps: n } : {};
    }),
  }),
);

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
      controlId: fc.constantFrom(...controlIds),
      gesture: fc.constantFrom(...gestureKinds),
    }),
    fc.record({ kind: fc.constant('after' as const), delayUs: delay }),
  ),
  guard: fc.option(expression),
  actions,
  targetId: fc.option(fc.constantFrom(...stateIds)),
});

const buttonArbitrary = (id: string): fc.Arbitrary<Button> =>
  fc.record({
    id: fc.constant(id),
    kind: fc.constant('button' as const),
    name: fc.constant(id),
    key: fc.constant(null),
    contact: fc.constantFrom(...(Object.keys(switchModels) as SwitchModel[])).map(contactOf),
    debounce: settingArbitrary,
    gestures: fc.record({
      holdUs: fc.option(delay),
      doubleWindowUs: fc.option(delay),
      repeat: fc.option(fc.record({ delayUs: delay, everyUs: delay })),
    }),
  });

/** Valid gadgets of three buttons, three outputs, two variables and four states with anything in them. */
export const gadgetArbitrary: fc.Arbitrary<Gadget> = fc
  .record({
    periodUs: fc.constantFrom(250, 1_000, 3_000, 17_000),
    controls: fc.tuple(...controlIds.map(buttonArbitrary)),
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
  .map(({ periodUs, controls, states }): Gadget => ({
    ...emptyGadget('Any'),
    loop: { periodUs },
    controls,
    outputs: [
      { id: 'o1', kind: 'light', name: 'Lamp', colour: 'red' },
      { id: 'o2', kind: 'text', name: 'Screen', columns: 12, rows: 2 },
      { id: 'o3', kind: 'tone', name: 'Piezo', lowHz: 100, highHz: 5_000 },
    ],
    flow: {
      variables: [
        { id: 'v1', name: 'heat', initial: 2, min: -10, max: 50 },
        { id: 'v2', name: 'wind', initial: 0, min: 0, max: 9 },
      ],
      initialId: 's1',
      states: states.map((state, s) => ({
        ...state,
        rules: state.rules.map((rule, r) => ({ ...rule, id: `r${s * 100 + r}` })),
      })),
    },
  }))
  .map((gadget) => ({ ...gadget, parts: partsFor(gadget) }));

/** Fingers on the buttons of `gadgetArbitrary`, in order of time, within two seconds. */
export const stimuliArbitrary: fc.Arbitrary<Stimulus[]> = fc
  .array(
    fc.record({
      atUs: fc.integer({ min: 0, max: 2_000_000 }),
      controlId: fc.constantFrom(...controlIds),
      what: fc.constantFrom('down' as const, 'up' as const),
    }),
    { maxLength: 30 },
  )
  .map((stimuli) => stimuli.sort((a, b) => a.atUs - b.atUs));
