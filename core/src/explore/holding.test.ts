import * as fc from 'fast-check';
import type { Action, Flow, Gadget, Layer, Rule, State, Trigger, Variable } from '../gadget/index.ts';
import { asMeant } from '../gesture/index.ts';
import { holdingBy, replay, type Stimulus } from '../machine/index.ts';
import { deriveFor } from '../snag/derive.ts';
import { numberVariable, state } from '../test/fixtures.ts';
import { anyKey, doing, keyboard, note, ofControl } from '../test/keyboard.ts';
import { runs } from '../test/runs.ts';
import { Explorer } from './explorer.ts';
import { heldVerdicts } from './holding.ts';

/* What is meant to be on while a key is down: looked at key by key, with only what it depends on. */

const verdictsOf = (gadget: Gadget) => heldVerdicts(gadget, deriveFor(gadget));
const transposed = (up: string) => `48 + heard(0) + 12 * ${up}`;
const octave = numberVariable({ id: 'v1', name: 'octave', initial: 1, min: 0, max: 4 });
const turning = [
  doing('r8', ofControl('e1', 'up'), [{ kind: 'set', variableId: 'v1', index: null, value: 'v1 + 1' }]),
  doing('r9', ofControl('e1', 'down'), [{ kind: 'set', variableId: 'v1', index: null, value: 'v1 - 1' }]),
];
const began = (length: number): Flow['variables'][number] => ({
  id: 'v2', kind: 'list', name: 'began', saved: null, initial: 0, min: 0, max: 127, overflow: 'hold', length, columns: 1,
}); // prettier-ignore

/** Two regions: keys, and something else that changes by itself and by hand. */
const withRegion = (rules: Rule[]): State[] => [
  state('s1', { kind: 'parallel' }),
  state('s2', { parentId: 's1', rules }),
  state('s3', { parentId: 's1' }),
  state('s4', { parentId: 's3', rules: [doing('r20', ofControl('m1', 'press'), [], { targetIds: ['s5'] })] }),
  state('s5', {
    parentId: 's3',
    rules: [doing('r21', { kind: 'after', delay: 500_000 }, [], { targetIds: ['s4'] })],
  }),
];

describe('a note of each of many keys', () => {
  it('is proved for 60 keys that remember what they sent, in as many moments as one key takes', () => {
    const rules = [
      doing('r1', anyKey('press'), [
        { kind: 'set', variableId: 'v2', index: 'heard(0)', value: transposed('v1') },
        note('noteOn', transposed('v1')),
      ]),
      doing('r2', anyKey('release'), [note('noteOff', 'v2[heard(0)]')]),
      ...turning,
    ];
    const whole = (keys: number) =>
      keyboard(keys, { initialId: 's1', variables: [octave, began(keys)], states: withRegion(rules) });
    const [two] = verdictsOf(whole(2));
    const [all] = verdictsOf(whole(60));
    expect(two).toMatchObject({ verdict: 'never', kinds: 2 });
    // Five octaves; never pressed, or up or down since one of them.
    expect(two!.states).toBe(2 * 5 * 11);
    expect(all).toMatchObject({ verdict: 'never', kinds: 60 });
    // The highest keys have no higher note than 127 in several octaves.
    expect(all!.states).toBeLessThanOrEqual(30 * two!.states);
  });

  it('is found where what is sent as it is let go has moved on meanwhile, with a way that plays', () => {
    const rules = [
      doing('r1', anyKey('press'), [note('noteOn', transposed('v1'))]),
      doing('r2', anyKey('release'), [note('noteOff', transposed('v1'))]),
      ...turning,
    ];
    const gadget = keyboard(12, { initialId: 's1', variables: [octave], states: withRegion(rules) });
    const [found] = verdictsOf(gadget);
    expect(found).toMatchObject({ verdict: 'stuck', kinds: 12 });
    const { seed, stimuli, endUs } = found!.stuck!.way;
    const sent = replay(gadget, stimuli as Stimulus[], endUs, seed).flatMap((entry) =>
      entry.lane === 'midi' ? [entry.bytes] : [],
    );
    expect(sent.map(([status]) => status! >> 4)).toEqual([9, 8]);
    expect(sent[0]![1]).not.toBe(sent[1]![1]);
  });

  it('is found where only one key of many is left out', () => {
    const rules = [
      doing('r3', ofControl('b7', 'release'), [note('noteOff', '48')]),
      doing('r1', anyKey('press'), [note('noteOn', '48 + heard(0)')]),
      doing('r2', anyKey('release'), [note('noteOff', '48 + heard(0)')]),
    ];
    const [found] = verdictsOf(keyboard(12, { initialId: 's1', states: [state('s1', { rules })] }));
    expect(found).toMatchObject({ verdict: 'stuck' });
    expect(found!.stuck!.way.stimuli).toMatchObject([{ controlId: 'b7' }, { controlId: 'b7' }]);
  });
});

describe('notes that keys hold', () => {
  const chords: Variable = {
    id: 'v3', kind: 'table', name: 'Chords', saved: null, columns: 3,
    numbers: Array.from({ length: 180 }, (_, n) => 40 + (n % 60)),
  }; // prettier-ignore
  const play: Action = {
    kind: 'play', outputId: 'o1', channel: 1, key: 'heard(0)', variableId: 'v3', row: 'heard(0)',
    by: '12 * v1', velocity: '100', again: 'strike',
  }; // prettier-ignore
  const letGo: Action = { kind: 'letGo', outputId: 'o1', key: 'heard(0)' };
  const instrument = (keys: number, states: State[], layers: Layer[] = []) =>
    keyboard(keys, { initialId: 's1', variables: [octave, chords], states, layers });
  const sounding = [doing('r1', anyKey('press'), [play]), doing('r2', anyKey('release'), [letGo])];

  it('are one kind of key, whatever moves them: 60 keys take as long as one', () => {
    const [found] = verdictsOf(instrument(60, withRegion([...sounding, ...turning])));
    expect(found).toMatchObject({ what: 'keys', verdict: 'never', kinds: 1, states: 2 });
  });
  it('are found where a mode does not hear them let go, and not where leaving it ends all', () => {
    const menu = (exit: Action[]) => [
      state('s1', {
        exit,
        rules: [...sounding, doing('r3', ofControl('m1', 'press'), [], { targetIds: ['s2'] })],
      }),
      state('s2', { rules: [doing('r4', ofControl('m1', 'press'), [], { targetIds: ['s1'] })] }),
    ];
    const [found] = verdictsOf(instrument(12, menu([])));
    expect(found).toMatchObject({ verdict: 'stuck', kinds: 1, stuck: { stateId: 's2' } });
    const { seed, stimuli, endUs } = found!.stuck!.way;
    expect((stimuli as Stimulus[]).map(({ controlId }) => controlId)).toEqual(['b1', 'm1', 'm1', 'b1']);
    const sent = replay(instrument(12, menu([])), stimuli as Stimulus[], endUs, seed);
    expect(sent.filter((entry) => entry.lane === 'midi')).toHaveLength(3);
    expect(verdictsOf(instrument(12, menu([{ kind: 'letAllGo', outputId: 'o1' }])))).toMatchObject([
      { verdict: 'never', kinds: 1 },
    ]);
  });
  it('of a layer are let go by what belongs to it, or stick where that ends another key', () => {
    const above = (release: Action): Layer[] => [
      {
        id: 'l1',
        name: 'Above',
        when: { kind: 'held', controlId: 'm1' },
        keys: [{ setId: 'p1', press: [play], release: [release] }],
      },
    ];
    const states = [state('s1', { rules: turning })];
    expect(verdictsOf(instrument(12, states, above(letGo)))).toMatchObject([{ verdict: 'never' }]);
    const next: Action = { kind: 'letGo', outputId: 'o1', key: 'heard(0) + 1' };
    expect(verdictsOf(instrument(12, states, above(next)))).toMatchObject([{ verdict: 'stuck' }]);
  });
});

/* Small gadgets of all that makers do with notes: the slices against a walk of everything. */

const stateIds = ['s2', 's3', 's4', 's5'];
const pick = fc.constantFrom;
const names = pick(
  '60 + heard(0)',
  '60 + heard(0) + 12 * v1',
  '60',
  '60 + v1',
  '60 + v2[heard(0)]',
  '60 + v2[1]',
  '60 + v2[v1 ? 0 : heard(0)]',
);
const anAction: fc.Arbitrary<Action> = fc.oneof(
  fc
    .tuple(pick('noteOn' as const, 'noteOff' as const), names)
    .map(([message, first]) => note(message, first)),
  fc.constant<Action>({
    kind: 'midi',
    outputId: 'o1',
    message: 'control',
    channel: 1,
    first: '123',
    second: '0',
  }),
  pick('!v1', 'v1', '0').map((value): Action => ({ kind: 'set', variableId: 'v1', index: null, value })),
  fc
    .tuple(pick('v1', 'heard(0)'), pick('heard(0)', '1', '1 - heard(0)'))
    .map(([value, index]): Action => ({ kind: 'set', variableId: 'v2', index, value })),
  fc.constant<Action>({ kind: 'raise', signalId: 'g1', delay: null }),
  fc.constant<Action>({ kind: 'start', timerId: 't1', length: 300_000, every: false }),
);
const actions = fc.array(anAction, { maxLength: 2 });
const aTrigger = pick<Trigger>(
  anyKey('press'),
  anyKey('release'),
  ofControl('b1', 'press'),
  ofControl('b2', 'release'),
  ofControl('m1', 'press'),
  ofControl('m1', 'release'),
  { kind: 'signal', signalId: 'g1' },
  { kind: 'timer', timerId: 't1' },
  { kind: 'after', delay: 200_000 },
  { kind: 'always' },
);
const guard = pick(null, null, 'v1', '!v1', 'value(m1)', 'value(b1)', 'in(s4)', 'heard(0) == 1');
const targets = fc.oneof(
  fc.constant([]),
  fc.constant([]),
  pick(...stateIds).map((id) => [id]),
);
const aRule = fc.tuple(pick('s1', ...stateIds), aTrigger, guard, actions, targets);

const gadgets: fc.Arbitrary<Gadget> = fc
  .record({
    pressed: pick('60 + heard(0)', '60 + heard(0) + 12 * v1', '60 + v2[heard(0)]'),
    released: pick('60 + heard(0)', '60 + heard(0) + 12 * v1', '60 + v2[heard(0)]'),
    owner: pick('s1', 's2'),
    kind: pick('parallel' as const, 'plain' as const),
    more: fc.array(aRule, { maxLength: 5 }),
    entry: fc.tuple(pick(...stateIds), actions),
    layer: fc.option(fc.tuple(pick('value(m1)', 'v1'), pick('60 + heard(0)', '72 + heard(0)'))),
  })
  .map(({ pressed, released, owner, kind, more, entry, layer }) => {
    const rules: [string, Rule][] = [
      [owner, doing('r1', anyKey('press'), [note('noteOn', pressed)])],
      [owner, doing('r2', anyKey('release'), [note('noteOff', released)])],
      ...more.map(([at, trigger, guarded, does, targetIds], n): [string, Rule] => [
        at,
        // One that needs no event would go on for ever, where it leads back.
        doing(`r${n + 3}`, trigger, does, {
          guard: guarded,
          targetIds: trigger.kind === 'always' ? [] : [...targetIds],
        }),
      ]),
    ];
    const layers: Layer[] = layer
      ? [
          {
            id: 'l1',
            name: 'Above',
            when: { kind: 'on', condition: layer[0] },
            keys: [{ setId: 'p1', press: [note('noteOn', layer[1])], release: [note('noteOff', layer[1])] }],
          },
        ]
      : [];
    const parents = { s1: null, s2: 's1', s3: 's1', s4: 's3', s5: 's3' };
    return keyboard(2, {
      initialId: 's1',
      signals: [{ id: 'g1', name: 'Again' }],
      timers: [{ id: 't1', name: 'Soon' }],
      variables: [numberVariable({ id: 'v1', name: 'up', initial: 0, min: 0, max: 1 }), began(2)],
      layers,
      states: Object.entries(parents).map(([id, parentId]) =>
        state(id, {
          parentId,
          kind: id === 's1' ? kind : 'plain',
          entry: entry[0] === id ? entry[1] : [],
          rules: rules.flatMap(([at, one]) => (at === id ? [one] : [])),
        }),
      ),
    });
  });

/** Everything there is, one walk for each key: whether a note that it began sounds with no key down. */
function plainlyStuck(gadget: Gadget): boolean | null {
  const meant = asMeant(gadget);
  for (const key of ['b1', 'b2']) {
    const sets: string[] = ['[]'];
    const explorer = new Explorer(meant, { states: 40_000, edges: 800_000, work: 4e8 }, 'all', {
      only: null,
      after(at, _outputId, order, controlId) {
        const change = holdingBy(order);
        if (!change || (change.how === 'begins' && controlId !== key)) return at;
        const on = new Set<number>(JSON.parse(sets[at]!) as number[]);
        if (change.which === null) on.clear();
        else if (change.how === 'begins') on.add(change.which);
        else on.delete(change.which);
        const text = JSON.stringify([...on].sort());
        if (!sets.includes(text)) sets.push(text);
        return sets.indexOf(text);
      },
    });
    explorer.advance(40_000);
    for (let id = 0; id < explorer.count; id += 1) {
      explorer.load(id);
      if (
        explorer.joined !== 0 &&
        explorer.surroundings.control(0) === 0 &&
        explorer.surroundings.control(1) === 0
      )
        return true;
    }
    if (!explorer.complete || explorer.restless.length > 0) return null;
  }
  return false;
}

it('comes to the same as a walk of everything, on 150 gadgets of notes, layers, modes and timers', () => {
  const told = { never: 0, stuck: 0 };
  fc.assert(
    fc.property(gadgets, (gadget) => {
      const plain = plainlyStuck(gadget);
      for (const { verdict } of verdictsOf(gadget)) {
        if (plain === null) continue;
        // Where it was found but could not be played at real times, nothing is said.
        if (verdict === 'never') expect(plain).toBe(false);
        if (verdict === 'stuck') expect(plain).toBe(true);
        if (verdict !== 'unknown') told[verdict] += 1;
      }
    }),
    { seed: 16, numRuns: runs(150) },
  );
  expect(told.never).toBeGreaterThan(15);
  expect(told.stuck).toBeGreaterThan(15);
});
