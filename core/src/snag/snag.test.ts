import { readdirSync } from 'node:fs';
import { join } from 'node:path';
import { contactOf } from '../contact/index.ts';
import {
  applyEdit,
  type Action,
  type Gadget,
  type GestureSetting,
  type Snag,
  emptyFlow,
} from '../gadget/index.ts';
import { button, frozen, gestures, ideal, pressToLight, rule, setting, state } from '../test/fixtures.ts';
import { checkGadget, snagRules } from './index.ts';
import { feelCases } from '../test/feelCases.ts';
import { replay, type Stimulus } from '../machine/index.ts';
import { flowCases } from '../test/flowCases.ts';
import { menuSnagCases } from '../test/menuSnagCases.ts';
import { midiSnagCases } from '../test/midiCases.ts';
import { soundSnagCases } from '../test/soundCases.ts';
import { saneGadgets } from '../test/saneGadgets.ts';
import { screenCases } from '../test/screenCases.ts';
import { wiringCases } from '../test/wiringCases.ts';
import { edited } from '../test/wiringFixtures.ts';
import { addPartEdit } from '../drawer/index.ts';

const of = (gadget: Gadget, id: string) =>
  checkGadget(
    frozen(gadget),
    snagRules.filter((rule) => rule.id === id),
  ).snags;
const clean = pressToLight();
const set0 = { kind: 'set', variableId: 'v1', index: null, value: '0' } as const;
const flowWith = (change: (flow: Gadget['flow']) => void): Gadget => {
  const gadget = structuredClone(clean);
  change(gadget.flow);
  return gadget;
};
const feel = (patch: Parameters<typeof pressToLight>[0]) => pressToLight(patch);
const listeningTo = (gesture: 'tap' | 'hold', given: Partial<GestureSetting>) => {
  const gadget = feel({ gestures: gestures(given) });
  gadget.flow.states[0]!.rules[0]!.trigger = { kind: 'gesture', controlId: 'b1', gesture };
  return gadget;
};

/** Rule, a gadget that has the snag, part of what it says, and whether its mend must clear it. */
const pathCases: [string, string, Gadget, Partial<Snag>, boolean][] = [
  [
    'F01',
    'a lockout shorter than the bounce',
    feel({ contact: contactOf('leaf'), debounce: setting('lockout', { lockUs: 2_000 }) }),
    { level: 'stop' },
    true,
  ],
  [
    'F01',
    'no debouncing at all',
    feel({ contact: contactOf('worn'), debounce: setting('none', {}) }),
    { level: 'stop' },
    true,
  ],
  [
    'F01',
    'an integrator that counts too little',
    feel({ contact: contactOf('worn'), debounce: setting('integrator', { steps: 1 }) }),
    {},
    true,
  ],
  [
    'F02',
    'a wait longer than the shortest press',
    feel({ debounce: setting('stable', { settleUs: 70_000 }) }),
    { level: 'stop', values: { name: 'Stir', lost: 5, pressUs: 60_000, repeatUs: 100_000 } },
    true,
  ],
  [
    'F02',
    'a lockout longer than the fastest repeat',
    feel({ debounce: setting('lockout', { lockUs: 120_000 }) }),
    { level: 'likely' },
    true,
  ],
  [
    'F03',
    'a double window that no rule needs',
    listeningTo('tap', { doubleWindowUs: 250_000 }),
    { level: 'likely', values: { name: 'Stir', windowUs: 250_000, needed: 0 } },
    true,
  ],
  [
    'F04',
    'a hold that a tap reaches',
    listeningTo('hold', { holdUs: 200_000 }),
    { values: { name: 'Stir', holdUs: 200_000, longTapUs: 350_000 } },
    true,
  ],
  [
    'F12',
    'a wait in a rule',
    flowWith(({ states }) => void (states[0]!.rules[0]!.actions = [{ kind: 'wait', lengthUs: 150_000 }])),
    { values: { name: 'Dark', blockedUs: 150_000, pressUs: 60_000, lostPerMille: 600 } },
    true,
  ],
  [
    'F12',
    'a wait on entering',
    flowWith(({ states }) => void states[0]!.entry.push({ kind: 'wait', lengthUs: 150_000 })),
    { place: { kind: 'state', id: 's1' } },
    false,
  ],
  [
    'L01',
    'a state nothing leads to',
    flowWith(({ states }) => void states.push(state('s3', { rules: [rule('r3', { targetIds: ['s1'] })] }))),
    { place: { kind: 'state', id: 's3' }, values: { name: 's3', reached: 2, states: 3 } },
    true,
  ],
  [
    'L01',
    'a state behind a guard that is never true',
    flowWith(({ states }) => void (states[0]!.rules[0]!.guard = '1 > 2')),
    { place: { kind: 'state', id: 's2' } },
    true,
  ],
  [
    'L01',
    'a state behind a condition that its variables never meet',
    flowWith(({ states }) => void (states[0]!.rules[0]!.guard = 'v1 > 120')),
    { place: { kind: 'state', id: 's2' } },
    true,
  ],
  [
    'L01',
    'a state behind a condition that nothing that happens ever makes true',
    flowWith(({ states }) => void (states[0]!.rules[0]!.guard = 'v1 == 7')),
    { place: { kind: 'state', id: 's2' }, values: { name: 'Lit', reached: 1, states: 2 } },
    true,
  ],
  [
    'L02',
    'a state that nothing leaves',
    flowWith(({ states }) => void (states[1]!.rules = [])),
    { level: 'stop', place: { kind: 'state', id: 's2' } },
    true,
  ],
  [
    'L03',
    'a control nothing answers',
    flowWith(
      ({ states }) =>
        void (states[1]!.rules = [
          rule('r2', { trigger: { kind: 'after', delay: 1_000 }, targetIds: ['s1'] }),
        ]),
    ),
    { level: 'note', values: { name: 'Lit', count: 1, controls: 'Stir' } },
    false,
  ],
  [
    'L05',
    'a guard that is never true',
    flowWith(({ states }) => void states[0]!.rules.push(rule('r3', { guard: '0' }))),
    { place: { kind: 'rule', id: 'r3' } },
    true,
  ],
  [
    'L05',
    'a rule for what never comes',
    flowWith(
      ({ states }) =>
        void states[0]!.rules.push(rule('r3', { trigger: { kind: 'always' }, guard: 'v1 == 7 && v1 == 8' })),
    ),
    { place: { kind: 'rule', id: 'r3' }, values: { state: 'Dark', number: 2, reason: 'walked' } },
    true,
  ],
  [
    'L05',
    'a rule behind one that always fires',
    flowWith(
      ({ states }) =>
        void ((states[0]!.rules[0]!.guard = 'random(2) == 0'), states[0]!.rules.push(rule('r3'), rule('r4'))),
    ),
    { place: { kind: 'rule', id: 'r4' }, values: { state: 'Dark', number: 3, reason: 'shadowed', by: 2 } },
    false,
  ],
  [
    'L05',
    'a gesture that is not listened for',
    flowWith(
      ({ states }) =>
        void states[0]!.rules.push(
          rule('r3', { trigger: { kind: 'gesture', controlId: 'b1', gesture: 'hold' } }),
        ),
    ),
    { values: { state: 'Dark', number: 2, reason: 'unheard', gesture: 'hold', control: 'Stir' } },
    true,
  ],
  [
    'L05',
    'a timer that its state does not live to see',
    flowWith(
      ({ states }) =>
        void states[0]!.rules.push(
          rule('r3', { trigger: { kind: 'after', delay: 5_000 }, targetIds: ['s2'] }),
          rule('r4', { trigger: { kind: 'after', delay: 9_000 } }),
        ),
    ),
    { values: { state: 'Dark', number: 3, reason: 'outlived', delayUs: 9_000, earlierUs: 5_000 } },
    true,
  ],
  [
    'L13',
    'a change that nothing shows',
    flowWith(({ states }) => void (states[1]!.entry = [])),
    { place: { kind: 'rule', id: 'r1' }, values: { from: 'Dark', to: 'Lit' } },
    false,
  ],
  [
    'S01',
    'a text too wide at its widest',
    flowWith(
      ({ states }) =>
        void states[0]!.entry.push({ kind: 'text', outputId: 'o2', row: 0, text: 'Counts {v1}' }),
    ),
    {
      place: { kind: 'state', id: 's1' },
      values: {
        state: 'Dark',
        display: 'Screen',
        text: 'Counts {count}',
        length: 9,
        columns: 8,
        rows: 1,
        reason: 'width',
      },
    },
    true,
  ],
  [
    'S01',
    'a row that is not there',
    flowWith(
      ({ states }) =>
        void states[0]!.rules[0]!.actions.push({ kind: 'text', outputId: 'o2', row: 3, text: 'x' }),
    ),
    { place: { kind: 'rule', id: 'r1' } },
    false,
  ],
  [
    'X01',
    'an expression that cannot be read',
    flowWith(({ states }) => void (states[0]!.rules[0]!.guard = 'v1 +')),
    { level: 'stop', place: { kind: 'rule', id: 'r1' } },
    false,
  ],
];

const cases = [
  ...pathCases,
  ...feelCases,
  ...flowCases,
  ...wiringCases,
  ...screenCases(button()),
  ...menuSnagCases,
  ...midiSnagCases,
  ...soundSnagCases,
];

describe('snags', () => {
  it('a light of several colours may be told one', () => {
    const several = addPartEdit(clean, 'rgb-light');
    const gadget = edited(clean, several);
    const light = gadget.outputs.at(-1)!;
    const told = (outputId: string) => {
      const next = structuredClone(gadget);
      next.flow.states[0]!.entry.push({ kind: 'colour', outputId, colour: 'blue' });
      return of(next, 'X02').map(({ values }) => values.name);
    };
    expect([told(light.id), told('o1')]).toEqual([[], ['Lamp']]);
  });
  it('are none on a gadget without faults', () => {
    expect(checkGadget(clean)).toEqual({ snags: [], failed: [] });
    expect(
      checkGadget({
        ...clean,
        flow: emptyFlow(),
        controls: [],
        outputs: [],
        parts: [],
      }),
    ).toEqual({ snags: [], failed: [] });
  });

  it.each(Object.entries(saneGadgets))('accuse nothing in %s', (_what, gadget) => {
    const { snags, failed } = checkGadget(frozen(gadget));
    expect(snags.map(({ rule: id, values }) => [id, values])).toEqual([]);
    expect(failed).toEqual([]);
  });
  it('of states that are still empty is one quiet line', () => {
    const states = ['s1', 's2', 's3', 's4', 's5'].map((id) => state(id));
    const five = flowWith((flow) => Object.assign(flow, { states, initialId: 's1' }));
    expect(checkGadget(five).snags.map(({ rule: id }) => id)).toEqual(['X05']);
    const led = structuredClone(five);
    led.flow.states[0]!.rules.push(rule('r1', { targetIds: ['s2'] }));
    const ids = checkGadget(led).snags.map(({ rule: id }) => id);
    expect(ids).toEqual(['X05']);
  });
  it('of a button that listens for no hold is one, with the cure, whatever hangs on it', () => {
    const held = { kind: 'gesture', controlId: 'b1', gesture: 'hold' } as const;
    const menu = flowWith(({ states }) => {
      for (const { rules } of states) rules[0]!.trigger = { ...held, gesture: 'tap' };
      states[0]!.rules.push(rule('r3', { trigger: held, targetIds: ['s3'] }));
      states[1]!.rules.push(rule('r4', { trigger: held, targetIds: ['s3'] }));
      states.push(
        state('s3', {
          entry: [{ kind: 'text', outputId: 'o2', row: 0, text: 'Menu' }],
          rules: [
            rule('r5', { trigger: held, targetIds: ['s1'] }),
            rule('r6', { trigger: { ...held, gesture: 'tap' }, targetIds: ['s2'] }),
          ],
        }),
      );
    });
    const [first, ...more] = checkGadget(menu).snags;
    expect(first).toMatchObject({
      rule: 'L05',
      values: { reason: 'unheard', control: 'Stir', gesture: 'hold' },
      mend: { key: 'listen' },
    });
    expect(more).toEqual([]);
    expect(checkGadget(applyEdit(menu, first!.mend!.edit)).snags).toEqual([]);
  });
  it('say nothing twice in the same words', () => {
    const found = (id: string, name: string): Snag => ({
      rule: 'F01',
      level: 'note',
      place: { kind: 'rule', id },
      values: { name },
    });
    const repeats = { id: 'F01', check: () => [found('r1', 'a'), found('r2', 'a'), found('r3', 'b')] };
    expect(checkGadget(clean, [repeats]).snags.map(({ place }) => place.id)).toEqual(['r1', 'r3']);
  });

  it.each(cases)('%s finds %s', (id, _what, gadget, part, cleared) => {
    const found = of(gadget, id);
    expect(found).toHaveLength(1);
    expect(found[0]).toMatchObject(part);
    if (!cleared) return;
    expect(of(applyEdit(gadget, found[0]!.mend!.edit), id)).toEqual([]);
  });

  it('a needed double window is a note of what it costs, without a mend', () => {
    const gadget = listeningTo('tap', { doubleWindowUs: 250_000 });
    gadget.flow.states[1]!.rules.push(
      rule('r3', { trigger: { kind: 'gesture', controlId: 'b1', gesture: 'double' } }),
    );
    expect(of(gadget, 'F03')).toMatchObject([{ level: 'note' }]);
    expect(of(gadget, 'F03')[0]!.mend).toBeUndefined();
  });

  it('a change that a signal has shown at once is no change that nothing shows', () => {
    const accused = (delay: number | null, shows: Action[]) => {
      const gadget = flowWith(({ signals, states }) => {
        signals.push({ id: 'g8', name: 'step' }, { id: 'g9', name: 'more' });
        states[1]!.entry = [{ kind: 'raise', signalId: 'g8', delay }];
        const hears = (id: string, signalId: string, actions: Action[]) =>
          rule(id, { trigger: { kind: 'signal', signalId }, actions });
        states[1]!.rules.push(
          hears('r8', 'g8', [{ kind: 'raise', signalId: 'g9', delay: null }]),
          hears('r9', 'g9', shows),
        );
      });
      return checkGadget(gadget).snags.some(({ rule: id, place }) => id === 'L13' && place.id === 'r1');
    };
    const light: Action = { kind: 'light', outputId: 'o1', light: { mode: 'on' } };
    expect(accused(null, [light])).toBe(false);
    expect(accused(null, [{ kind: 'save' }])).toBe(true);
    expect(accused(1_000, [light])).toBe(true);
    // Two that raise one another come to an end.
    expect(accused(null, [{ kind: 'raise', signalId: 'g8', delay: null }])).toBe(true);
  });

  it('the mend of a shadowed rule lets it fire', () => {
    const gadget = flowWith(({ states }) => void states[0]!.rules.push(rule('r3', { guard: 'v1 > 5' })));
    const mended = applyEdit(gadget, of(gadget, 'L05')[0]!.mend!.edit);
    expect(mended.flow.states[0]!.rules.map(({ id }) => id)).toEqual(['r3', 'r1']);
    expect(of(mended, 'L05')).toEqual([]);
  });

  it('of an ideal contact need no debouncing', () => {
    expect(of(feel({ contact: ideal, debounce: setting('none', {}) }), 'F01')).toEqual([]);
  });

  it('every rule has its file, and some case above', () => {
    const files = readdirSync(join(__dirname, '..'), { recursive: true })
      .map(String)
      .filter((file) => file.endsWith('.snag.ts'));
    const ids = snagRules.map((one) => one.id).sort();
    expect(files.map((file) => file.split('/').at(-1)!.replace('.snag.ts', '')).sort()).toEqual(ids);
    expect([...new Set(cases.map(([id]) => id))].sort()).toEqual(ids);
  });

  it('one failing rule does not hide the others, and the worst come first', () => {
    const broken = { id: 'BAD', check: () => { throw new Error('broken'); } }; // prettier-ignore
    const gadget = flowWith(
      ({ states }) =>
        void (
          (states[1]!.entry = states[1]!.entry.slice(0, 0)),
          (states[1]!.rules = []),
          (states[1]!.exit = [set0])
        ),
    );
    const report = checkGadget(gadget, [broken, ...snagRules]);
    expect(report.failed).toEqual([{ rule: 'BAD', message: 'broken' }]);
    expect(report.snags.map(({ level }) => level)).toEqual(['stop', 'likely', 'likely', 'note']);
  });
});

describe('the way to a snag', () => {
  it('plays on the machine, and comes to where it is', () => {
    const [, , gadget] = flowCases.find(([id, what]) => id === 'L10' && what.includes('nothing stops'))!;
    const [snag] = of(gadget, 'L10');
    const { seed, stimuli, endUs } = snag!.way!;
    const trace = replay(gadget, stimuli as Stimulus[], endUs, seed);
    expect(trace.findLast(({ lane }) => lane === 'state')).toMatchObject({ id: snag!.place.id });
  });
});
