import * as fc from 'fast-check';
import {
  compileFlow,
  eventCodes,
  fireTimer,
  powerUp,
  stepFlow,
  type Around,
  type FlowState,
} from '../flow/index.ts';
import { applyEdit, emptyGadget, type Action, type Gadget } from '../gadget/index.ts';
import { addPartEdit, freshEncoder, freshKnob } from '../drawer/index.ts';
import { freshWork, StandsStill } from '../kernel/index.ts';
import { Machine } from '../machine/index.ts';
import { checkGadget } from '../snag/index.ts';
import { chart, chartArbitrary, lead, on } from '../test/charts.ts';
import { button, frozen, gestures, numberVariable, partsFor, rule, state } from '../test/fixtures.ts';
import {
  Explorer,
  usualLimits,
  answerOf,
  askExplorer,
  canAnswer,
  movesOf,
  type Followed,
  sameAs,
  scriptOf,
  waysOf,
  type Question,
  guessingFor,
  type Guessed,
} from './index.ts';

/** Signals of a chart are raised by buttons, so that hands can cause them. */
function byHand(gadget: Gadget): Gadget {
  const controls = gadget.flow.signals.map(({ name }, n) =>
    button({ id: `b${n + 1}`, name: `Key ${name}`, key: null }),
  );
  const swap = (trigger: Gadget['flow']['states'][number]['rules'][number]['trigger']) =>
    trigger.kind === 'signal' && !raised(gadget).has(trigger.signalId)
      ? ({ kind: 'gesture', controlId: trigger.signalId.replace('g', 'b'), gesture: 'press' } as const)
      : trigger;
  const made: Gadget = {
    ...gadget,
    controls,
    flow: {
      ...gadget.flow,
      states: gadget.flow.states.map((one) => ({
        ...one,
        rules: one.rules.map((r) => ({ ...r, trigger: swap(r.trigger) })),
      })),
    },
  };
  return { ...made, parts: partsFor(made) };
}
const raised = (gadget: Gadget) =>
  new Set(
    gadget.flow.states.flatMap(({ rules }) =>
      rules.flatMap(({ actions }) => actions.flatMap((one) => (one.kind === 'raise' ? [one.signalId] : []))),
    ),
  );
const set = (value: string): Action => ({ kind: 'set', variableId: 'v1', index: null, value });
const press = (id: string, controlId: string, targetIds: string[], patch = {}) =>
  rule(id, { trigger: { kind: 'gesture', controlId, gesture: 'press' }, targetIds, ...patch });
const after = (id: string, delay: number, targetIds: string[], patch = {}) =>
  rule(id, { trigger: { kind: 'after', delay }, targetIds, ...patch });

/** Two buttons over these states. */
function played(states: Gadget['flow']['states'], patch: Partial<Gadget> = {}): Gadget {
  const gadget: Gadget = {
    ...chart(states),
    controls: [button({ id: 'b1', name: 'Go' }), button({ id: 'b2', name: 'Back', key: null })],
    ...patch,
  };
  return frozen({ ...gadget, parts: partsFor(gadget) });
}
function walked(gadget: Gadget, states = 50_000, also: Followed = 'all'): Explorer {
  const explorer = new Explorer(gadget, { ...usualLimits, states, edges: 1_000_000 }, also);
  explorer.advance(Infinity);
  return explorer;
}

/** Everything that can be come to, by the plainest means: states as text in a set, every event tried on a copy. */
function bruteForce(gadget: Gadget): { states: Set<string>; edges: number } | null {
  const { tables } = compileFlow(gadget);
  const codes = eventCodes(gadget);
  const around: Around = {
    nowUs: 0,
    seed: 1,
    control: () => 0,
    random: () => 0,
    quiet: true,
    get work() {
      return freshWork();
    },
  };
  const keyOf = ({ active, values, history, timers, ended }: FlowState) =>
    JSON.stringify([
      active,
      values,
      history,
      [...new Set(timers.map(({ what, number }) => `${what}${number}`))].sort(),
      ended,
    ]);
  const first = powerUp(tables, around).state;
  const states = new Set([keyOf(first)]);
  const waiting = [first];
  let edges = 0;
  for (let one = waiting.pop(); one; one = waiting.pop()) {
    if (one.ended) continue;
    const tries: ((state: FlowState) => void)[] = gadget.controls.map(({ id }) => (state) => {
      for (const gesture of ['press', 'release', 'tap'] as const)
        stepFlow(tables, state, codes.gesture(id, gesture), around);
    });
    one.timers.forEach((_, at) => tries.push((state) => void fireTimer(tables, state, at, around)));
    for (const attempt of tries) {
      const copy = JSON.parse(JSON.stringify(one)) as FlowState;
      try {
        attempt(copy);
      } catch (error) {
        if (error instanceof StandsStill) continue;
        throw error;
      }
      edges += 1;
      const key = keyOf(copy);
      if (states.has(key)) continue;
      states.add(key);
      if (states.size > 3_000) return null;
      waiting.push(copy);
    }
  }
  return { states, edges };
}

describe('the explorer', () => {
  it('comes to exactly what brute force comes to, on any small chart', () => {
    let compared = 0;
    fc.assert(
      fc.property(chartArbitrary, fc.boolean(), (drawn, timers) => {
        const small = byHand(drawn);
        // A counter that soon comes round, so that there is an end to it; and timers here and there.
        const gadget: Gadget = {
          ...small,
          flow: {
            ...small.flow,
            variables: [numberVariable({ max: 6, overflow: 'wrap' })],
            states: small.flow.states.map((one, n) => ({
              ...one,
              rules: one.rules.map((r, at) =>
                timers && (n + at) % 3 === 0 && r.trigger.kind === 'gesture'
                  ? { ...r, trigger: { kind: 'after' as const, delay: 1_000 } }
                  : r,
              ),
            })),
          },
        };
        let plain: ReturnType<typeof bruteForce>;
        try {
          plain = bruteForce(gadget);
        } catch (error) {
          if (error instanceof StandsStill) return;
          throw error;
        }
        if (!plain) return;
        compared += 1;
        const explorer = walked(gadget);
        expect(explorer.complete).toBe(true);
        expect(explorer.count).toBe(plain.states.size);
        // Keys that nothing listens to change nothing, and are not tried.
        expect(explorer.edgeFrom.length).toBeLessThanOrEqual(plain.edges);
      }),
      { seed: 61, numRuns: 150 },
    );
    expect(compared).toBeGreaterThan(80);
  });

  it('leaves out what nothing depends on, and comes to the same in all else', () => {
    let left = 0;
    fc.assert(
      fc.property(chartArbitrary, fc.boolean(), (drawn, feeds) => {
        const small = byHand(drawn);
        const score: Action = { kind: 'set', variableId: 'v2', index: null, value: 'v2 + v1 + 1' };
        const fed: Action = { kind: 'set', variableId: 'v1', index: null, value: 'v1 + v2' };
        const gadget: Gadget = {
          ...small,
          flow: {
            ...small.flow,
            variables: ['v1', 'v2'].map((id) => numberVariable({ id, name: id, max: 3, overflow: 'wrap' })),
            states: small.flow.states.map((one) => ({
              ...one,
              rules: one.rules.map((r, at) => ({
                ...r,
                actions: [...r.actions, ...(at % 2 === 0 ? [score] : feeds ? [fed] : [])],
              })),
            })),
          },
        };
        const all = walked(gadget, 5_000);
        const some = walked(gadget, 5_000, []);
        if (!all.complete) return;
        if (some.count < all.count) left += 1;
        // What is not followed is taken out of both.
        const keys = (explorer: Explorer) =>
          new Set(
            Array.from({ length: explorer.count }, (_, id) => {
              const { active, history, timers, values } = explorer.load(id);
              const names = timers.map(({ what, number }) => `${what}${number}`).sort();
              return JSON.stringify([active, history, names, some.slots.map((slot) => values[slot])]);
            }),
          );
        expect(some.complete).toBe(true);
        expect(keys(some)).toEqual(keys(all));
        expect(keys(some).size).toBe(some.count);
        expect(some.fired).toEqual(all.fired);
        const question = { kind: 'within', variableId: 'v2', low: 0, high: 2 } as const;
        if (!canAnswer(some, question)) expect(() => askExplorer(some, question)).toThrow(/followed/);
        expect(canAnswer(walked(gadget, 5_000, ['v2']), question)).toBe(true);
      }),
      { seed: 62, numRuns: 150 },
    );
    expect(left).toBeGreaterThan(25);
  });

  it('follows what a counted score is worked into, and what a task of the brief waits for', () => {
    const counting = (patch: Partial<Gadget> = {}) =>
      played([state('s1', { rules: [press('r1', 'b1', [], { actions: [set('v1 + 1')] })] })], patch);
    const { brief } = counting();
    const task = { id: 't1', name: 'Ten', circumstances: [], startStateId: null, goalStateId: null, budgetPresses: null, budgetUs: null }; // prettier-ignore
    const waits = { ...brief, tasks: [{ ...task, doneWhen: 'v1 >= 10' }] };
    expect(walked(counting(), 500, []).count).toBe(1);
    expect(walked(counting({ brief: waits }), 500, []).cut).toBe(true);
  });

  it('tries chance with every outcome, and says so where there are too many', () => {
    const roll = (n: number) =>
      walked(
        played([
          state('s1', { rules: [press('r1', 'b1', ['s2'], { actions: [set(`random(${n})`)] })] }),
          state('s2'),
        ]),
      );
    expect(roll(6).count).toBe(1 + 6);
    expect([...roll(6).caveats]).toEqual([]);
    expect([...roll(90).caveats]).toEqual(['chance']);
    expect(roll(90).count).toBe(1 + 32);
  });

  it('stops at its limit, and says that more exists', () => {
    const counting = played([state('s1', { rules: [press('r1', 'b1', [], { actions: [set('v1 + 1')] })] })]);
    const explorer = walked(counting, 100);
    expect(explorer).toMatchObject({ complete: false, cut: true });
    expect(askExplorer(explorer, { kind: 'ever', what: 'v1 == 5' }).verdict).toBe('yes');
    expect(askExplorer(explorer, { kind: 'ever', what: 'v1 == 500' }).verdict).toBe('unknown');
  });

  it('keeps keys down that matter while they are, and lets timers run out meanwhile', () => {
    const gadget = played([
      state('s1', { rules: [after('r1', 1_000, ['s2'], { guard: 'value(b1)' })] }),
      state('s2', { rules: [rule('r2', { trigger: { kind: 'gesture', controlId: 'b1', gesture: 'release' }, targetIds: ['s3'] })] }),
      state('s3'),
    ]); // prettier-ignore
    const explorer = walked(gadget);
    expect(explorer.moves.map(({ controlId, what }) => `${controlId} ${what}`)).toEqual([
      'b2 tap', 'b1 press', 'b1 let go',
    ]); // prettier-ignore
    expect(askExplorer(explorer, { kind: 'ever', what: 'in(s3)' }).path).toHaveLength(3);
  });

  it('holds a key that waits for another long enough', () => {
    const hold = { kind: 'gesture', controlId: 'b1', gesture: 'hold' } as const;
    const tap = { ...hold, gesture: 'tap' } as const;
    const gadget = played(
      [
        state('s1', {
          rules: [
            rule('r1', { trigger: hold, targetIds: ['s2'] }),
            rule('r2', { trigger: tap, targetIds: ['s1'] }),
          ],
        }),
        state('s2', { rules: [rule('r3', { trigger: { kind: 'chord', chordId: 'c1' }, targetIds: ['s3'] })] }),
        state('s3'),
      ],
      {
        controls: [
          button({ id: 'b1', name: 'Go', gestures: gestures({ holdUs: 800_000 }) }),
          button({ id: 'b2', name: 'Back', key: null }),
        ],
        chords: [{ id: 'c1', name: 'Both', controlIds: ['b1', 'b2'], windowUs: 300_000, ordered: false, holdUs: null, waits: true }],
      },
    ); // prettier-ignore
    expect(walked(gadget).coverage).toEqual({ states: [3, 3], rules: [3, 3] });
  });

  it('says how many of the innermost states it entered', () => {
    const gadget = played([state('s1'), state('s2'), state('s3', { parentId: 's2' })]);
    expect(walked(gadget).coverage.states).toEqual([1, 2]);
  });

  it('notes what never comes to rest, what fires, and what a variable cannot hold', () => {
    const gadget = played([
      state('s1', {
        rules: [
          press('r1', 'b1', [], { actions: [set('v1 + 2000000000')] }),
          press('r2', 'b2', [], { actions: [{ kind: 'raise', signalId: 'g1', delay: null }] }),
          rule('r3', { trigger: on('g1'), actions: [{ kind: 'raise', signalId: 'g1', delay: null }] }),
          lead('r4', 'g2', []),
        ],
      }),
    ]);
    const explorer = walked(gadget);
    expect(explorer.restless).toHaveLength(2);
    expect(explorer.outside.get(0)).toMatchObject({ wanted: 2_000_000_000 });
    expect(explorer.fired).toEqual([true, true, true, false]);
    expect(explorer.coverage).toEqual({ states: [1, 1], rules: [3, 4] });
  });
});

describe('moves', () => {
  it('of a keypad as it is bought are those of its keys, whatever of it the scan would need', () => {
    const pad = applyEdit(
      emptyGadget('Bench'),
      addPartEdit(emptyGadget('Bench'), 'key-matrix', { name: 'Pad' }),
    );
    const keys = pad.controls.map(({ id }) => id);
    const open: Gadget = {
      ...pad,
      parts: pad.parts.map((part) => ({ ...part, figures: { ...part.figures, diodes: 0 } })),
      flow: {
        ...pad.flow,
        initialId: 's1',
        states: [
          state('s1', {
            rules: [
              rule('r1', {
                trigger: { kind: 'gesture', controlId: keys[1]!, gesture: 'press' },
                targetIds: ['s2'],
              }),
            ],
          }),
          state('s2'),
        ],
      },
    };
    expect(keys.length).toBeGreaterThan(3);
    const explorer = new Explorer(open, usualLimits);
    explorer.advance(Infinity);
    expect([...explorer.entered]).toEqual([true, true]);
    expect(checkGadget(open).failed).toEqual([]);
  });
  it('mean what the machine makes of them, and last as long', () => {
    const gadget = played(
      [
        state('s1', {
          rules: (['hold', 'double'] as const).map((gesture, n) =>
            rule(`r${n + 1}`, { trigger: { kind: 'gesture', controlId: 'b1', gesture } }),
          ),
        }),
      ],
      { controls: [button({ id: 'b1', gestures: gestures({ holdUs: 500_000, doubleWindowUs: 250_000 }) })] },
    );
    const codes = eventCodes(gadget);
    const said = (what: string) => movesOf(gadget).find((move) => move.what === what)!.events;
    const gesture = (...list: ('press' | 'release' | 'tap' | 'double' | 'hold' | 'heldRelease')[]) =>
      list.map((one) => codes.gesture('b1', one));
    expect(said('tap')).toEqual(gesture('press', 'release', 'tap'));
    expect(said('double')).toEqual(expect.arrayContaining(gesture('double')));
    expect(said('hold')).toEqual(expect.arrayContaining(gesture('press', 'hold', 'heldRelease')));
    // A tap is known to be one only after the window for a second.
    expect(movesOf(gadget).find(({ what }) => what === 'tap')!.lengthUs).toBeGreaterThan(250_000);
  });
});

const kettle = played([
  state('s1', { name: 'Ready', rules: [press('r1', 'b1', ['s2'], { actions: [set('0')] })] }),
  state('s2', {
    name: 'Heating',
    rules: [
      after('r2', 500_000, ['s2'], { guard: 'v1 < 3', actions: [set('v1 + 1')] }),
      after('r3', 500_000, ['s3'], { guard: 'v1 >= 3' }),
      press('r4', 'b2', ['s1']),
    ],
  }),
  state('s3', { name: 'Boiled over', rules: [press('r5', 'b1', ['s4'])] }),
  state('s4', { name: 'Stuck' }),
]);

describe('questions', () => {
  const explorer = walked(kettle);
  const ask = (question: Question) => askExplorer(explorer, question);
  it.each<[Question, string, number | null]>([
    [{ kind: 'ever', what: 'in(s3)' }, 'yes', 5],
    [{ kind: 'ever', what: 'in(s1) && v1 == 9' }, 'no', null],
    [{ kind: 'never', what: 'in(s2) && in(s3)' }, 'yes', null],
    [{ kind: 'never', what: 'in(s4)' }, 'no', 6],
    [{ kind: 'within', variableId: 'v1', low: 0, high: 3 }, 'yes', null],
    [{ kind: 'within', variableId: 'v1', low: 0, high: 2 }, 'no', 4],
    [{ kind: 'home', stateId: 's1', presses: 2 }, 'no', 5],
    [{ kind: 'follows', first: 'in(s2)', then: 'in(s1) || in(s3)' }, 'yes', null],
    [{ kind: 'follows', first: 'in(s2)', then: 'in(s1)' }, 'no', 5],
    [{ kind: 'follows', first: 'in(s1)', then: 'in(s2)' }, 'no', 0],
  ])('%o: %s', (question, verdict, steps) => {
    const answer = ask(question);
    expect(answer.verdict).toBe(verdict);
    expect(answer.path?.length ?? null).toBe(steps);
  });
  it('home says how many presses are needed at worst, and that there is no way', () => {
    expect(ask({ kind: 'home', stateId: 's1', presses: 9 }).presses).toBeNull();
    const mended = structuredClone(kettle);
    mended.flow.states[3]!.rules.push(press('r6', 'b2', ['s1']));
    expect(askExplorer(walked(mended), { kind: 'home', stateId: 's1', presses: 2 })).toMatchObject({
      verdict: 'yes',
      presses: 2,
    });
  });
  it('a loop that never comes to it is a counter-example, and where it begins is said', () => {
    const loop = played([
      state('s1', { rules: [after('r1', 1_000, ['s2'])] }),
      state('s2', { rules: [after('r2', 1_000, ['s1']), press('r3', 'b1', ['s3'])] }),
      state('s3'),
    ]);
    const answer = askExplorer(walked(loop), { kind: 'follows', first: 'in(s1)', then: 'in(s3)' });
    expect(answer).toMatchObject({ verdict: 'no', loopFrom: 0 });
    expect(answer.path).toHaveLength(2);
  });

  it('a counter-example plays on the machine, and comes to where it leads', () => {
    const { path } = ask({ kind: 'never', what: 'in(s4)' });
    const stuck = Array.from({ length: explorer.count }, (_, id) => id).find((id) =>
      explorer.activeIn(id).includes('s4'),
    )!;
    const script = scriptOf(explorer, path!, sameAs(explorer, stuck));
    expect(script.confirmed).toBe(true);
    expect(script.stimuli.filter(({ what }) => what === 'down')).toHaveLength(2);
    // Four times half a second of heating cannot be hurried.
    expect(script.endUs).toBeGreaterThan(2_000_000);
  });
  it('a way that no run takes is not said to be one', () => {
    const never = played([
      state('s1', { rules: [after('r1', 1_000, ['s2']), after('r2', 5_000, ['s3'])] }),
      state('s2'),
      state('s3'),
    ]);
    const all = walked(never);
    const { path } = askExplorer(all, { kind: 'ever', what: 'in(s3)' });
    const script = scriptOf(all, path!, (flow) => flow.active[2] === 1);
    expect(script.confirmed).toBe(false);
  });
});

describe('what a question comes to', () => {
  it('tells kept values apart where only a key of a layer brings them back', () => {
    const recalling = played(
      [
        state('s1', {
          rules: [
            press('r1', 'b1', [], { actions: [set('v1 + 1')] }),
            press('r2', 'b2', [], { actions: [{ kind: 'save' }] }),
          ],
        }),
      ],
      {
        controls: ['b1', 'b2', 'b3'].map((id) => button({ id, name: id, key: null })),
      },
    );
    const gadget: Gadget = {
      ...recalling,
      flow: {
        ...recalling.flow,
        variables: [numberVariable({ max: 3, overflow: 'wrap', saved: { when: 'asked' } })],
        layers: [
          {
            id: 'y1',
            name: 'Always',
            when: null,
            keys: [{ controlId: 'b3', press: [{ kind: 'recall' }], release: [] }],
          },
        ],
      },
    };
    // Four values now, by four that were written down.
    const explorer = walked(gadget);
    expect([explorer.complete, explorer.count]).toEqual([true, 16]);
  });

  it('a way that ends with a knob comes to where the knob leads, and so does one with a dial', () => {
    const knob = {
      ...freshKnob({ kind: 'potentiometer', figures: {} }, 'Depth', null, null),
      id: 'b3',
    };
    knob.reading = { ...knob.reading, steps: 11, low: 0, high: 10, filter: 'mean', readings: 16 };
    const dial = { ...freshEncoder({ kind: 'encoder', figures: {} }, 'Cue', null, null), id: 'b4' };
    const gadget = played(
      [
        state('s1', {
          rules: [rule('r1', { trigger: { kind: 'always' }, guard: 'value(b3) >= 9', targetIds: ['s2'] })],
        }),
        state('s2', {
          rules: [rule('r2', { trigger: { kind: 'always' }, guard: 'value(b4) <= -3', targetIds: ['s3'] })],
        }),
        state('s3'),
      ],
      { controls: [button({ id: 'b1' }), button({ id: 'b2', name: 'Back', key: null }), knob, dial] },
    );
    const explorer = walked(gadget);
    const { path, endId } = askExplorer(explorer, { kind: 'ever', what: 'in(s3)' });
    const script = scriptOf(explorer, path!, sameAs(explorer, endId!));
    expect(script.confirmed).toBe(true);
    expect(script.stimuli.filter(({ what }) => what === 'move')).toHaveLength(4);
    const machine = new Machine(gadget, script.seed);
    for (const stimulus of script.stimuli) machine.stimulate(stimulus);
    machine.advanceTo(script.endUs);
    expect(machine.shown.stateIds).toEqual(['s3']);
    expect(machine.places).toEqual({ b1: 0, b2: 0, b3: 864, b4: -3 });
  });

  it('finds ways round a state and ways without holding a key, or says that there is none', () => {
    const hold = (id: string, to: string) =>
      rule(id, { trigger: { kind: 'gesture', controlId: 'b2', gesture: 'hold' }, targetIds: [to] });
    const gadget = played(
      [
        state('s1', { rules: [press('r1', 'b1', ['s2']), hold('r2', 's3')] }),
        state('s2', { rules: [press('r3', 'b1', ['s4'])] }),
        state('s3', { rules: [press('r4', 'b1', ['s4']), press('r5', 'b2', ['s5'])] }),
        state('s4', { rules: [press('r6', 'b1', ['s1'])] }),
        state('s5'),
      ],
      {
        controls: [
          button({ id: 'b1', name: 'Go' }),
          button({ id: 'b2', name: 'Back', key: null, gestures: gestures({ holdUs: 500_000 }) }),
        ],
      },
    );
    const explorer = walked(gadget);
    const without = (what: string, pass: string | null, holdId: string | null) => {
      const answer = askExplorer(explorer, { kind: 'without', what, pass, holdId });
      return [answer.verdict, answer.path?.length ?? null];
    };
    // Pressed, held on, and the other pressed meanwhile.
    expect(without('in(s4)', 'in(s2)', null)).toEqual(['yes', 3]);
    expect(without('in(s4)', 'in(s2) || in(s3)', null)).toEqual(['no', null]);
    expect(without('in(s4)', null, 'b2')).toEqual(['yes', 2]);
    expect(without('in(s5)', null, 'b2')).toEqual(['no', null]);
    expect(without('in(s5)', 'in(s2)', null)).toEqual(['yes', 4]);
    expect(without('in(s1)', 'in(s2)', null)).toEqual(['yes', 0]);
    const cut = walked(gadget, 2);
    expect(askExplorer(cut, { kind: 'without', what: 'in(s5)', pass: null, holdId: 'b2' }).verdict).toBe(
      'unknown',
    );
  });

  it('agrees with walking a chart from which what is avoided was taken out', () => {
    fc.assert(
      fc.property(chartArbitrary, fc.nat(7), fc.nat(7), (drawn, one, other) => {
        const small = byHand(drawn);
        const variables = [numberVariable({ max: 4, overflow: 'wrap' })];
        const gadget: Gadget = { ...small, flow: { ...small.flow, variables } };
        const explorer = walked(gadget, 2_000);
        const { states } = gadget.flow;
        const [goal, avoided] = [states[one % states.length]!.id, states[other % states.length]!.id];
        if (!explorer.complete) return;
        const { verdict } = askExplorer(explorer, {
          kind: 'without',
          what: `in(${goal})`,
          pass: `in(${avoided})`,
          holdId: null,
        });
        const inside = (id: number, what: string) => explorer.activeIn(id).includes(what);
        const seen = new Set([0].filter((id) => !inside(id, avoided)));
        for (const id of seen)
          for (let edge = 0; edge < explorer.edgeFrom.length; edge += 1)
            if (explorer.edgeFrom.at(edge) === id && !inside(explorer.edgeTo.at(edge), avoided))
              seen.add(explorer.edgeTo.at(edge));
        expect(verdict).toBe([...seen].some((id) => inside(id, goal)) ? 'yes' : 'no');
      }),
      { seed: 63, numRuns: 100 },
    );
  });

  it('counts the ways through a lock, with the time that its lock-outs cost', () => {
    const pads = [1, 2, 3, 4].map((n) => button({ id: `b${n}`, name: `Pad ${n}`, key: null }));
    const also = (variableId: string, value: string): Action => ({
      kind: 'set',
      variableId,
      index: null,
      value,
    });
    const always = (id: string, guard: string, targetIds: string[]) =>
      rule(id, { trigger: { kind: 'always' }, guard, targetIds });
    // The order is 1 2 3 4 1; five touches that are not it are followed by ten seconds of deafness.
    const locked = played(
      [
        state('s1', {
          entry: [set('0'), also('v2', '0')],
          rules: [
            ...pads.map(({ id }, n) =>
              press(`r${n + 1}`, id, [], {
                actions: [also('v2', `v2 + (v1 % 4 == ${n} ? 0 : 1)`), set('v1 + 1')],
              }),
            ),
            always('r5', 'v1 == 5 && v2 == 0', ['s3']),
            always('r6', 'v1 == 5', ['s2']),
          ],
        }),
        state('s2', { rules: [after('r7', 10_000_000, ['s1'])] }),
        state('s3'),
      ],
      { controls: pads },
    );
    const gadget = {
      ...locked,
      flow: { ...locked.flow, variables: [numberVariable({}), numberVariable({ id: 'v2', name: 'wrong' })] },
    };
    const controlIds = pads.map(({ id }) => id);
    const ask = (presses: number) =>
      askExplorer(walked(gadget), { kind: 'ways', what: 'in(s3)', controlIds, presses });
    const { verdict, guessed } = ask(5);
    expect(verdict).toBe('yes');
    expect(guessed).toMatchObject({ orders: 1_024, tried: 1_024, ways: 1, cycles: 0 });
    // 5,120 presses of 0.28 s, and 1,023 times 10 s from the fifth of them on.
    expect(guessed!.timeUs / 1e6).toBeCloseTo(5_120 * 0.28 + 1_023 * (10 - 0.28), 0);
    expect(guessed!.waitedUs / 1e6).toBeGreaterThan(1_023 * 9.7);
    // Four do not open it, however the first of the next try goes on from there.
    expect(ask(4)).toMatchObject({ verdict: 'no', guessed: { orders: 256, tried: 256, ways: 0 } });
    expect(() => ask(0)).toThrow('1 to 8');
    // Press by press it comes to the same, and left half-way it claims no more than it tried.
    const piecemeal = guessingFor(walked(gadget), { kind: 'ways', what: 'in(s3)', controlIds, presses: 3 });
    expect([piecemeal.share, answerOf(piecemeal).verdict]).toEqual([0, 'unknown']);
    let last = 0;
    let halfway: Guessed | undefined;
    while (!piecemeal.advance(10)) {
      expect(piecemeal.share).toBeGreaterThan(last);
      last = piecemeal.share;
      if (last > 0.75) halfway ??= { ...piecemeal.told };
    }
    expect(last).toBeLessThanOrEqual(1);
    expect(halfway!.tried).toBeGreaterThan(0);
    expect(halfway!.tried).toBeLessThan(64);
    expect(answerOf(piecemeal)).toEqual(ask(3));
    // What is so from the beginning needs no press.
    const already = askExplorer(walked(gadget), { kind: 'ways', what: 'in(s1)', controlIds, presses: 5 });
    expect(already).toMatchObject({ verdict: 'yes', guessed: { already: true, tried: 0 } });
  });
});

describe('shortest ways', () => {
  const menu = played([
    state('s1', { rules: [press('r1', 'b1', ['s2']), press('r2', 'b2', ['s4'])] }),
    state('s2', { rules: [press('r3', 'b1', ['s3'])] }),
    state('s3', { rules: [press('r4', 'b1', ['s5'])] }),
    state('s4', { rules: [after('r5', 30_000_000, ['s5'])] }),
    state('s5'),
  ]);
  const task = { startStateId: null, goalStateId: 's5', doneWhen: null };
  it('are the fewest presses, and the least time with thinking and waiting', () => {
    const { fewest, quickest } = waysOf(walked(menu), task);
    expect(fewest).toMatchObject({ presses: 1, timeUs: 1_350_000 + 280_000 + 30_000_000 });
    // One decision and three presses: 2.19 s. (Reckoning.)
    expect(quickest).toMatchObject({ presses: 3, timeUs: 2_190_000 });
  });
  it('start where the task does, and end where its condition holds', () => {
    const from = (startStateId: string, doneWhen: string | null) =>
      waysOf(walked(menu), { startStateId, goalStateId: doneWhen === null ? 's5' : null, doneWhen });
    expect(from('s3', null).fewest).toMatchObject({ presses: 1 });
    expect(from('s2', 'in(s3)').fewest).toMatchObject({ presses: 1 });
    expect(from('s5', 'in(s1)').fewest).toBeNull();
    expect(from('s5', null).fewest).toMatchObject({ presses: 0, timeUs: 0 });
  });
  it('agree with trying everything, on any small chart', () => {
    fc.assert(
      fc.property(chartArbitrary, fc.nat(7), (drawn, pick) => {
        const gadget = byHand(drawn);
        const bounded: Gadget = {
          ...gadget,
          flow: { ...gadget.flow, variables: [numberVariable({ max: 4, overflow: 'wrap' })] },
        };
        const explorer = walked(bounded, 3_000);
        const goal = bounded.flow.states[pick % bounded.flow.states.length]!;
        if (!explorer.complete || goal.kind.includes('istory')) return;
        const { fewest } = waysOf(explorer, { startStateId: null, goalStateId: goal.id, doneWhen: null });
        expect(fewest?.presses ?? null).toBe(exhaustive(explorer, goal.id));
      }),
      { seed: 62, numRuns: 120 },
    );
  });
});

/** Fewest presses to a state by relaxing every edge until nothing changes. */
function exhaustive(explorer: Explorer, goalId: string): number | null {
  const least = Array<number>(explorer.count).fill(Infinity);
  least[0] = 0;
  for (let changed = true; changed;) {
    changed = false;
    for (let edge = 0; edge < explorer.edgeFrom.length; edge += 1) {
      const step = explorer.stepOf(explorer.edgeStep.at(edge));
      const cost = step.kind === 'move' ? explorer.moves[step.move]!.presses : 0;
      const over = least[explorer.edgeFrom.at(edge)]! + cost;
      if (over >= least[explorer.edgeTo.at(edge)]!) continue;
      least[explorer.edgeTo.at(edge)] = over;
      changed = true;
    }
  }
  const reached = least.filter((_, id) => explorer.activeIn(id).includes(goalId));
  const best = Math.min(...reached, Infinity);
  return best === Infinity ? null : best;
}
