import * as fc from 'fast-check';
import { openGadget, type Action, type Gadget, type Rule } from '../gadget/index.ts';
import { freshWork, StandsStill } from '../kernel/index.ts';
import { chart, chartArbitrary, lead, on, raise } from '../test/charts.ts';
import { button, frozen, numberVariable, rule, state } from '../test/fixtures.ts';
import { PlainChart } from '../test/plainChart.ts';
import { runs } from '../test/runs.ts';
import {
  activeIds,
  compileFlow,
  eventCodes,
  powerUp,
  stepFlow,
  type Around,
  type FlowStep,
} from './index.ts';

/** Every step has a moment of its own. */
const around: Around = {
  nowUs: 0,
  seed: 1,
  control: () => 0,
  get work() {
    return freshWork();
  },
};
const mark = (value: number): Action => ({
  kind: 'set',
  variableId: 'v2',
  index: null,
  value: String(value),
});

/** The chart with a mark in v2 for everything that is done: 1000s enter, 2000s leave, 3000s begin, 4000s rules. */
function marked(gadget: Gadget): Gadget {
  const number = (id: string) => Number(id.slice(1));
  return {
    ...gadget,
    flow: {
      ...gadget.flow,
      variables: [...gadget.flow.variables, numberVariable({ id: 'v2', name: 'mark', max: 9_999 })],
      states: gadget.flow.states.map((one) => {
        const history = one.kind === 'history' || one.kind === 'deepHistory';
        return {
          ...one,
          entry: history ? [] : [mark(1_000 + number(one.id)), ...one.entry],
          exit: history ? [] : [mark(2_000 + number(one.id)), ...one.exit],
          initial: one.initial && {
            ...one.initial,
            actions: [mark(3_000 + number(one.id)), ...one.initial.actions],
          },
          rules: one.rules.map((r) => ({ ...r, actions: [mark(4_000 + number(r.id)), ...r.actions] })),
        };
      }),
    },
  };
}
const words = ['', 'enter s', 'exit s', 'begin s', 'rule r'];
const told = ({ effects }: FlowStep) =>
  effects.flatMap((effect) =>
    effect.kind === 'variable' && effect.variableId === 'v2'
      ? [`${words[Math.floor(Number(effect.value) / 1_000)]!}${Number(effect.value) % 1_000}`]
      : [],
  );

/** Plays signals; returns what was done at power-up and by each, and what is active after it. */
function play(source: Gadget, signals: readonly string[]) {
  const gadget = frozen(marked(source));
  const { tables, problems } = compileFlow(gadget);
  expect(problems).toEqual([]);
  const codes = eventCodes(gadget);
  const first = powerUp(tables, around);
  const { state: now } = first;
  const log = [{ did: told(first), active: activeIds(tables, now) }];
  for (const signal of signals) {
    const did = told(stepFlow(tables, now, codes.signal(signal), around));
    log.push({ did, active: now.ended ? [] : activeIds(tables, now) });
  }
  return log;
}
/** What is active after each signal, in one line. */
const course = (gadget: Gadget, ...signals: string[]) =>
  play(gadget, signals).map(({ active }) => active.join(' '));
const last = (gadget: Gadget, ...signals: string[]) => play(gadget, signals).at(-1)!;

/* One test for each rule of the standard, on the smallest chart that shows it. */
describe('a state chart', () => {
  it('begins with the first state, or where it is said to', () => {
    expect(course(chart([state('s1'), state('s2')]))).toEqual(['s1']);
    expect(course(chart([state('s1'), state('s2')], 's2'))).toEqual(['s2']);
  });
  it('enters the states around a state before it, and what lies in it after it', () => {
    const nested = chart([
      state('s1', { initial: { targetIds: ['s3'], actions: [] } }),
      state('s2', { parentId: 's1' }),
      state('s3', { parentId: 's1' }),
      state('s4', { parentId: 's3' }),
    ]);
    expect(last(nested)).toEqual({
      did: ['enter s1', 'begin s1', 'enter s3', 'enter s4'],
      active: ['s1', 's3', 's4'],
    });
  });
  it('leaves inner states before outer ones, then does what the rule says, then enters', () => {
    const gadget = chart([
      state('s1', { rules: [lead('r1', 'g1', ['s4'])] }),
      state('s2', { parentId: 's1' }),
      state('s3', { parentId: 's2' }),
      state('s4'),
    ]);
    expect(last(gadget, 'g1').did).toEqual(['exit s3', 'exit s2', 'exit s1', 'rule r1', 'enter s4']);
  });
  it('asks inner rules first, and of one state the first in the document', () => {
    const gadget = chart([
      state('s1', { rules: [lead('r1', 'g1', ['s3']), lead('r2', 'g2', ['s4'])] }),
      state('s2', {
        parentId: 's1',
        rules: [lead('r3', 'g1', []), lead('r4', 'g1', ['s4']), lead('r5', 'g2', ['s3'], { guard: 'false' })],
      }),
      state('s3'),
      state('s4'),
    ]);
    expect(last(gadget, 'g1').did).toEqual(['rule r3']);
    expect(last(gadget, 'g2').active).toEqual(['s4']);
  });
  it('lets an event go that nothing answers', () => {
    expect(last(chart([state('s1')]), 'g1')).toEqual({ did: [], active: ['s1'] });
  });
  it('tells a rule that stays from one that leaves its own state and enters it again', () => {
    const stays = (targetIds: string[]) =>
      last(chart([state('s1', { rules: [lead('r1', 'g1', targetIds)] })]), 'g1').did;
    expect(stays([])).toEqual(['rule r1']);
    expect(stays(['s1'])).toEqual(['exit s1', 'rule r1', 'enter s1']);
  });
  it('an internal rule to somewhere inside does not leave its own state; an external one does', () => {
    const inside = (internal: boolean) =>
      last(
        chart([
          state('s1', { rules: [lead('r1', 'g1', ['s3'], { internal })] }),
          state('s2', { parentId: 's1' }),
          state('s3', { parentId: 's1' }),
        ]),
        'g1',
      ).did;
    expect(inside(true)).toEqual(['exit s2', 'rule r1', 'enter s3']);
    expect(inside(false)).toEqual(['exit s2', 'exit s1', 'rule r1', 'enter s1', 'enter s3']);
  });
  it('an internal rule of a parallel state leaves it all the same', () => {
    const gadget = chart([
      state('s1', { kind: 'parallel', rules: [lead('r1', 'g1', ['s3'], { internal: true })] }),
      state('s2', { parentId: 's1' }),
      state('s3', { parentId: 's2' }),
    ]);
    expect(last(gadget, 'g1').did).toEqual([
      'exit s3', 'exit s2', 'exit s1', 'rule r1', 'enter s1', 'enter s2', 'enter s3',
    ]); // prettier-ignore
  });

  const regions = (patch: { left?: Rule[]; right?: Rule[]; over?: Rule[] } = {}) =>
    chart([
      state('s1', { kind: 'parallel', rules: patch.over ?? [] }),
      state('s2', { parentId: 's1' }),
      state('s3', { parentId: 's2', rules: patch.left ?? [] }),
      state('s4', { parentId: 's2' }),
      state('s5', { parentId: 's1' }),
      state('s6', { parentId: 's5', rules: patch.right ?? [] }),
      state('s7', { parentId: 's5' }),
      state('s8'),
    ]);
  it('a parallel state enters all its regions, and each answers the same event', () => {
    const both = regions({ left: [lead('r1', 'g1', ['s4'])], right: [lead('r2', 'g1', ['s7'])] });
    expect(course(both, 'g1')).toEqual(['s1 s2 s3 s5 s6', 's1 s2 s4 s5 s7']);
    expect(last(both, 'g1').did).toEqual([
      'exit s6', 'exit s3', 'rule r1', 'rule r2', 'enter s4', 'enter s7',
    ]); // prettier-ignore
  });
  it('of two rules that would leave the same states, the earlier goes', () => {
    const clash = regions({ left: [lead('r1', 'g1', ['s8'])], right: [lead('r2', 'g1', ['s7'])] });
    expect(last(clash, 'g1').active).toEqual(['s8']);
    const other = regions({ left: [lead('r1', 'g1', ['s4'])], right: [lead('r2', 'g1', ['s8'])] });
    expect(last(other, 'g1').active).toEqual(['s1', 's2', 's4', 's5', 's6']);
  });
  it('an inner rule goes before an outer one that another region has chosen', () => {
    // The left region has no rule of its own for g1, so it chooses the one around both.
    const gadget = regions({ over: [lead('r1', 'g1', ['s8'])], right: [lead('r2', 'g1', ['s7'])] });
    expect(last(gadget, 'g1').active).toEqual(['s1', 's2', 's3', 's5', 's7']);
  });
  it('in() sees the other region, as it is before the rules of this event have done anything', () => {
    const gadget = regions({
      left: [lead('r1', 'g1', ['s4'])],
      right: [lead('r2', 'g1', ['s7'], { guard: 'in(s3)' })],
    });
    expect(last(gadget, 'g1').active).toEqual(['s1', 's2', 's4', 's5', 's7']);
  });
  it('one rule can lead to a place in each region', () => {
    const gadget = regions();
    gadget.flow.initialId = 's8';
    gadget.flow.states[7]!.rules = [lead('r1', 'g1', ['s4', 's7'])];
    expect(last(gadget, 'g1').active).toEqual(['s1', 's2', 's4', 's5', 's7']);
  });

  it('hears what was raised inside before anything from outside, in the order of raising', () => {
    const gadget = chart([
      state('s1', { rules: [lead('r1', 'g1', ['s2'], { actions: [raise('g2'), raise('g3')] })] }),
      state('s2', { rules: [lead('r2', 'g3', ['s1']), lead('r3', 'g2', ['s3'])] }),
      state('s3', { rules: [lead('r4', 'g3', ['s4'])] }),
      state('s4'),
    ]);
    expect(last(gadget, 'g1').active).toEqual(['s4']);
  });
  it('takes rules that need no event before what was raised', () => {
    const gadget = chart([
      state('s1', { rules: [lead('r1', 'g1', ['s2'], { actions: [raise('g2')] })] }),
      state('s2', {
        rules: [rule('r2', { trigger: { kind: 'always' }, targetIds: ['s3'] }), lead('r3', 'g2', ['s1'])],
      }),
      state('s3', { rules: [lead('r4', 'g2', ['s4'])] }),
      state('s4'),
    ]);
    expect(last(gadget, 'g1').active).toEqual(['s4']);
  });
  it('asks rules that need no event after an event that nothing answered, too', () => {
    const gadget = chart([
      state('s1', {
        rules: [rule('r1', { trigger: { kind: 'always' }, guard: 'value(b1)', targetIds: ['s2'] })],
      }),
      state('s2'),
    ]);
    gadget.controls = [button()];
    let held = 0;
    const { tables } = compileFlow(gadget);
    const now = powerUp(tables, { ...around, control: () => held }).state;
    held = 1;
    stepFlow(tables, now, eventCodes(gadget).signal('g4'), { ...around, control: () => held });
    expect(activeIds(tables, now)).toEqual(['s2']);
  });

  it('tells that a state is done when it comes to a final state, and a parallel one when all regions have', () => {
    const gadget = chart([
      state('s1', {
        kind: 'parallel',
        rules: [rule('r9', { trigger: { kind: 'done', stateId: 's1' }, targetIds: ['s8'] })],
      }),
      state('s2', {
        parentId: 's1',
        rules: [rule('r8', { trigger: { kind: 'done', stateId: 's2' }, actions: [raise('g3')] })],
      }),
      state('s3', { parentId: 's2', rules: [lead('r1', 'g1', ['s4'])] }),
      state('s4', { parentId: 's2', kind: 'final' }),
      state('s5', { parentId: 's1' }),
      state('s6', { parentId: 's5', rules: [lead('r2', 'g2', ['s7'])] }),
      state('s7', { parentId: 's5', kind: 'final' }),
      state('s8'),
    ]);
    expect(play(gadget, ['g1', 'g2']).map(({ did }) => did.join(', '))).toEqual([
      'enter s1, enter s2, enter s3, enter s5, enter s6',
      'exit s3, rule r1, enter s4, rule r8',
      'exit s6, rule r2, enter s7, exit s7, exit s5, exit s4, exit s2, exit s1, rule r9, enter s8',
    ]);
  });
  it('ends with a final state on the outermost floor: all is left, and nothing is heard any more', () => {
    const gadget = chart([
      state('s1', { rules: [lead('r1', 'g1', ['s2'])] }),
      state('s2', { kind: 'final' }),
    ]);
    expect(play(gadget, ['g1', 'g1']).map(({ did }) => did)).toEqual([
      ['enter s1'],
      ['exit s1', 'rule r1', 'enter s2', 'exit s2'],
      [],
    ]);
  });

  const remembering = (kind: 'history' | 'deepHistory') =>
    chart([
      state('s1', { rules: [lead('r1', 'g1', ['s7'])] }),
      state('s2', { parentId: 's1', rules: [lead('r2', 'g2', ['s5'])] }),
      state('s3', { parentId: 's1' }),
      state('s4', { parentId: 's3' }),
      state('s5', { parentId: 's3' }),
      state('s6', { parentId: 's1', kind, initial: { targetIds: ['s3'], actions: [] } }),
      state('s7', { rules: [lead('r3', 'g3', ['s6'])] }),
    ]);
  it('shallow history goes back to the state, and begins what lies in it anew; deep history goes all the way', () => {
    expect(course(remembering('history'), 'g2', 'g1', 'g3')).toEqual(['s1 s2', 's1 s3 s5', 's7', 's1 s3 s4']);
    expect(course(remembering('deepHistory'), 'g2', 'g1', 'g3').at(-1)).toBe('s1 s3 s5');
  });
  it('history that has nothing to remember leads where it is said to, and does what is said on the way', () => {
    const gadget = remembering('history');
    gadget.flow.initialId = 's7';
    expect(last(gadget, 'g3').did).toEqual([
      'exit s7',
      'rule r3',
      'enter s1',
      'begin s6',
      'enter s3',
      'enter s4',
    ]);
  });
});

/** The same chart under the plain interpreter. */
function playPlain(gadget: Gadget, signals: readonly string[]) {
  let v1 = 0;
  let did: string[] = [];
  const rules = new Map(gadget.flow.states.flatMap(({ rules: own }) => own.map((one) => [one.id, one])));
  const guards: Record<string, (active: (id: string) => boolean) => boolean> = {
    'in(s2)': (active) => active('s2'),
    '!in(s1)': (active) => !active('s1'),
    'v1 % 2 == 0': () => v1 % 2 === 0,
    'v1 % 5 == 3': () => v1 % 5 === 3,
  };
  const plain = new PlainChart(gadget, {
    matches: ({ trigger }, event) => {
      if (event === null || trigger.kind === 'always') return event === null && trigger.kind === 'always';
      if (trigger.kind === 'any') return true;
      if (trigger.kind === 'done') return event.name === `done ${trigger.stateId}`;
      return trigger.kind === 'signal' && event.name === trigger.signalId;
    },
    holds: ({ guard }, active) => guard === null || guards[guard]!(active),
    run: (what, raiseInside) => {
      const begin = /^begin (s\d+)$/.exec(what)?.[1];
      if (begin === undefined || gadget.flow.states.find(({ id }) => id === begin)!.initial) did.push(what);
      const id = /^rule (r\d+)$/.exec(what)?.[1];
      for (const action of id === undefined ? [] : rules.get(id)!.actions)
        if (action.kind === 'set') v1 += 1;
        else if (action.kind === 'raise') raiseInside({ name: action.signalId });
    },
  });
  const snapshot = () => {
    const taken = did;
    did = [];
    const order = new Map(compileFlow(gadget).tables.stateIds.map((id, at) => [id, at]));
    const active = [...plain.configuration].sort((a, b) => order.get(a)! - order.get(b)!);
    return { did: taken, active: plain.running ? active : [] };
  };
  const log = [snapshot()];
  for (const signal of signals) {
    plain.event({ name: signal });
    log.push(snapshot());
  }
  return log;
}

const signalsArbitrary = fc.array(fc.constantFrom('g1', 'g2', 'g3', 'g4'), { maxLength: 10 });

describe('compiled tables', () => {
  it('only charts that the door lets in are drawn', () => {
    fc.assert(
      fc.property(chartArbitrary, (gadget) => {
        expect(openGadget(gadget)).toMatchObject({ outcome: 'opened' });
      }),
      { seed: 40, numRuns: runs(100) },
    );
  });
  it('do what the algorithm of the standard does, word by word, on any chart', () => {
    let rested = 0;
    fc.assert(
      fc.property(chartArbitrary, signalsArbitrary, (gadget, signals) => {
        let expected;
        try {
          expected = playPlain(gadget, signals);
        } catch (error) {
          expect((error as Error).message).toBe('never at rest');
          expect(() => play(gadget, signals)).toThrow(StandsStill);
          return;
        }
        rested += 1;
        const came = play(gadget, signals);
        // Once it has ended, the plain one is not asked what is active.
        expect(
          came.map(({ did, active }, n) => [did, expected[n]!.active.length === 0 ? [] : active]),
        ).toEqual(expected.map(({ did, active }) => [did, active]));
      }),
      { seed: 41, numRuns: runs(600) },
    );
    // Charts that never rest are few, or the comparison would be worth little.
    expect(rested).toBeGreaterThan(400);
  });
  it('stop a chart that never rests, and say where it is', () => {
    const gadget = chart([
      state('s1', { rules: [rule('r1', { trigger: on('g1'), actions: [raise('g1')] })] }),
    ]);
    expect(() => play(gadget, ['g1'])).toThrow('rule r1');
    expect(() => play(gadget, ['g1'])).toThrow(StandsStill);
  });
  it('take ten thousand states, and nesting far deeper than any door lets in', () => {
    const many = chart(
      Array.from({ length: 10_000 }, (_, n) =>
        state(`s${n + 1}`, { rules: [lead(`r${n + 1}`, 'g1', [`s${((n + 1) % 10_000) + 1}`])] }),
      ),
    );
    expect(openGadget(many)).toMatchObject({ outcome: 'invalid' });
    expect(course(many, 'g1', 'g1').at(-1)).toBe('s3');
    const deep = chart(
      Array.from({ length: 2_000 }, (_, n) => state(`s${n + 1}`, { parentId: n === 0 ? null : `s${n}` })),
    );
    deep.flow.states[0]!.rules = [lead('r1', 'g1', ['s1'])];
    expect(openGadget(deep)).toMatchObject({ outcome: 'invalid' });
    expect(last(deep, 'g1').active).toHaveLength(2_000);
  });
});
