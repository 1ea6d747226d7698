import { freshEncoder } from '../drawer/index.ts';
import type { Action, Gadget, Rule, State, Trigger } from '../gadget/index.ts';
import { momentWork, mostRounds, secondWork } from '../kernel/index.ts';
import { ideal, numberVariable, partsFor, pressToLight, rule, state } from '../test/fixtures.ts';
import { Machine, replay, type MachineState, type TraceEntry } from './index.ts';

/* Whatever a document says, the gadget comes to the next moment, or stands still with a reason. */

const after = (delay: number | { ms: string }): Trigger => ({ kind: 'after', delay });
const every = (delay: number | { ms: string }): Trigger => ({ kind: 'every', delay });
const always: Trigger = { kind: 'always' };
const set = (value: string, variableId = 'v1'): Action => ({ kind: 'set', variableId, index: null, value });
const raise = (signalId: string, delay: number | null): Action => ({ kind: 'raise', signalId, delay });
const start = (length: number | { ms: string }, goesOn = false): Action => ({
  kind: 'start', timerId: 't1', length, every: goesOn,
}); // prettier-ignore
const does = (id: string, trigger: Trigger, patch: Partial<Rule> = {}): Rule =>
  rule(id, { trigger, ...patch });

function over(states: State[]): Gadget {
  const gadget = pressToLight({ contact: ideal });
  return {
    ...gadget,
    flow: {
      ...gadget.flow,
      states,
      variables: [numberVariable({ max: 1_000_000 }), numberVariable({ id: 'v2', name: 'n', max: 1_000_000 })],
      timers: [{ id: 't1', name: 'Pause' }],
      signals: [{ id: 'g1', name: 'Again' }, { id: 'g2', name: 'More' }],
    },
  }; // prettier-ignore
}
const fired = (trace: readonly TraceEntry[], id: string) =>
  trace.flatMap((entry) => (entry.lane === 'rule' && entry.id === id ? [entry.atUs] : []));

describe('a length of 0 or less, or one that cannot be read', () => {
  const cases: [string, State[]][] = [
    ['after 0 into itself', [state('s1', { rules: [does('r1', after(0), { targetIds: ['s1'] })] })]],
    ['an expression of 0', [state('s1', { rules: [does('r1', after({ ms: '0' }), { targetIds: ['s1'] })] })]],
    [
      'an expression below 0',
      [state('s1', { rules: [does('r1', after({ ms: '-5' }), { targetIds: ['s1'] })] })],
    ],
    [
      'an expression that cannot be read',
      [state('s1', { rules: [does('r1', after({ ms: '5 +' }), { targetIds: ['s1'] })] })],
    ],
    ['every 0', [state('s1', { rules: [does('r1', every({ ms: '0' }))] })]],
    [
      'a timer of 0 that starts itself',
      [
        state('s1', {
          entry: [start(0)],
          rules: [does('r1', { kind: 'timer', timerId: 't1' }, { actions: [start({ ms: '0' })] })],
        }),
      ],
    ],
    [
      'a timer of 0 that goes on',
      [state('s1', { entry: [start(0, true)], rules: [does('r1', { kind: 'timer', timerId: 't1' })] })],
    ],
    [
      'a signal that raises itself after 0',
      [
        state('s1', {
          entry: [raise('g1', 0)],
          rules: [does('r1', { kind: 'signal', signalId: 'g1' }, { actions: [raise('g1', 0)] })],
        }),
      ],
    ],
  ];
  it.each(cases)('%s comes once a turn of the loop', (_what, states) => {
    const gadget = over(states);
    const times = fired(replay(gadget, [], 50_000, 1), 'r1');
    const { periodUs } = gadget.loop;
    expect(times).toEqual(Array.from({ length: 50_000 / periodUs }, (_, n) => (n + 1) * periodUs));
  });

  it('through two states, each lasts a turn', () => {
    const gadget = over([
      state('s1', { rules: [does('r1', after(0), { targetIds: ['s2'] })] }),
      state('s2', { rules: [does('r2', after(0), { targetIds: ['s1'] })] }),
    ]);
    const trace = replay(gadget, [], 10_000, 1);
    expect(fired(trace, 'r1')).toEqual([1_000, 3_000, 5_000, 7_000, 9_000]);
    expect(fired(trace, 'r2')).toEqual([2_000, 4_000, 6_000, 8_000, 10_000]);
  });

  it('is come to in play, and played on', () => {
    const gadget = over([
      state('s1', {
        rules: [does('r1', after({ ms: '500 - 50 * v1' }), { actions: [set('v1 + 1')], targetIds: ['s1'] })],
      }),
    ]);
    const machine = new Machine(gadget, 1);
    machine.advanceTo(10_000_000);
    expect(machine.still).toBeNull();
    expect(machine.shown.variables.v1).toBeGreaterThan(7_000);
  });

  it('keeps its turn behind a blocking wait', () => {
    const wait: Action = { kind: 'wait', lengthUs: 7_500 };
    const gadget = over([
      state('s1', { rules: [does('r1', after(0), { actions: [wait], targetIds: ['s1'] })] }),
    ]);
    expect(fired(replay(gadget, [], 30_000, 1), 'r1')).toEqual([1_000, 9_000, 17_000, 25_000]);
  });
});

/** Rules that set one another off without time passing, and what multiplies. */
const endless: [string, Gadget, string, string][] = [
  ['always', over([state('s1', { rules: [does('r1', always)] })]), 'rounds', 'rule r1'],
  [
    'always, counting',
    over([state('s1', { rules: [does('r1', always, { actions: [set('v1 + 1')] })] })]),
    'rounds',
    'rule r1',
  ],
  [
    'a signal that raises itself at once',
    over([
      state('s1', {
        entry: [raise('g1', null)],
        rules: [does('r1', { kind: 'signal', signalId: 'g1' }, { actions: [raise('g1', null)] })],
      }),
    ]),
    'rounds',
    'rule r1',
  ],
  [
    'a signal that raises two a millisecond later',
    over([
      state('s1', {
        entry: [raise('g1', 0)],
        rules: [
          does(
            'r1',
            { kind: 'signal', signalId: 'g1' },
            { actions: [raise('g1', 1_000), raise('g1', 1_000)] },
          ),
        ],
      }),
    ]),
    'planned',
    'signal g1',
  ],
];

describe('what never comes to an end', () => {
  it.each(endless)('%s: it stands still and says why', (_what, gadget, excess, cause) => {
    const machine = new Machine(gadget, 1);
    machine.advanceTo(3_600_000_000);
    expect(machine.nowUs).toBe(3_600_000_000);
    const { still } = machine;
    expect(still).toMatchObject({ excess });
    expect(`${still!.cause.kind} ${still!.cause.id}`).toBe(cause);
    expect(still!.times).toBeGreaterThan(mostRounds / 4);
    const entries = machine.takeTrace().filter(({ lane }) => lane === 'still');
    expect(entries).toEqual([{ ...still, lane: 'still' }]);
    expect(machine.nextUs).toBeNull();
  });

  it('nothing reaches it but the switch, and an edit that mends it', () => {
    const toggles = (mended: boolean) =>
      over([
        state('s1', { rules: [rule('r1', { targetIds: ['s2'] })] }),
        state('s2', { rules: [does('r2', always, mended ? { guard: '0' } : {})] }),
      ]);
    const machine = new Machine(toggles(false), 1);
    const press = (atUs: number) => {
      machine.stimulate({ atUs, controlId: 'b1', what: 'down' });
      machine.stimulate({ atUs: atUs + 50_000, controlId: 'b1', what: 'up' });
    };
    press(100_000);
    machine.advanceTo(1_000_000);
    expect(machine.still).not.toBeNull();
    machine.takeTrace();
    press(1_500_000);
    machine.advanceTo(2_000_000);
    expect(machine.takeTrace().filter(({ lane }) => lane !== 'finger' && lane !== 'contact')).toEqual([]);
    machine.stimulate({ atUs: 2_500_000, controlId: 'gadget', what: 'power', event: 'cycle' });
    machine.advanceTo(3_000_000);
    expect(machine.still).toBeNull();
    expect(machine.shown.stateIds).toEqual(['s1']);
    press(3_100_000);
    machine.advanceTo(4_000_000);
    expect(machine.still).toMatchObject({ atUs: 3_100_000 });
    expect(machine.adopt(toggles(true))).toEqual({ restarted: 'still', waits: [] });
    expect(machine.still).toBeNull();
    press(4_100_000);
    machine.advanceTo(5_000_000);
    expect(machine.shown.stateIds).toEqual(['s2']);
  });

  it('a restored run stops where the uncut one does', () => {
    for (const [, gadget] of endless) {
      const whole = new Machine(gadget, 1);
      whole.advanceTo(40_000);
      for (const cutUs of [0, 5_000, 11_000, 12_000]) {
        const first = new Machine(gadget, 1);
        first.advanceTo(cutUs);
        const rest = Machine.restore(gadget, JSON.parse(JSON.stringify(first.snapshot())) as MachineState);
        rest.advanceTo(40_000);
        expect(rest.snapshot()).toEqual(whole.snapshot());
      }
    }
  });
});

describe('dear documents', () => {
  const eightTimesHundred = over([
    state('s0', { kind: 'parallel' }),
    ...Array.from({ length: 8 }, (_, region) =>
      state(`q${region}`, {
        parentId: 's0',
        rules: Array.from({ length: 100 }, (_n, at) => does(`r${region * 100 + at}`, every(1_000))),
      }),
    ),
  ]);
  eightTimesHundred.flow.initialId = 's0';
  const long = Array(9).fill('v1 * 2 + 3 - v1 > 4000000 ||').join(' ');
  const rounds = over([
    state('s1', {
      rules: [
        does('r0', every(1_000), { actions: [set('990', 'v2')] }),
        ...Array.from({ length: 98 }, (_, at) => does(`r${at + 2}`, always, { guard: `${long} v1 < 0` })),
        does('r1', always, { guard: 'v2 > 0', actions: [set('v2 - 1', 'v2')] }),
      ],
    }),
  ]);

  it.each([
    ['eight regions of a hundred rules each millisecond', eightTimesHundred],
    ['990 rounds a millisecond over a hundred long conditions', rounds],
  ])('%s: no second costs more than it may', (_what, gadget) => {
    const machine = new Machine(gadget, 1);
    for (let second = 1; second <= 1; second += 1) {
      const before = machine.work;
      for (let part = 1; part <= 50; part += 1) {
        machine.advanceTo((second - 1) * 1_000_000 + part * 20_000);
        machine.takeTrace();
      }
      expect(machine.work - before).toBeLessThanOrEqual(secondWork + momentWork);
    }
  });

  it('a condition is worked out once while nothing it asks for changes', () => {
    const machine = new Machine(rounds, 1);
    machine.advanceTo(1_000);
    // A thousand rounds over 98 conditions of a hundred operations: all of it would be 12 million.
    expect(machine.work).toBeLessThan(1_500_000);
  });

  it('can be let go on piece by piece, and come to the same', () => {
    const whole = new Machine(eightTimesHundred, 1);
    whole.advanceTo(20_000);
    const pieces = new Machine(eightTimesHundred, 1);
    let stops = 0;
    while (!pieces.advance(20_000, 100_000)) stops += 1;
    expect(stops).toBeGreaterThan(10);
    expect(pieces.snapshot()).toEqual(whole.snapshot());
    expect(pieces.takeTrace()).toEqual(whole.takeTrace());
  });

  it('thousands of turns of a thousand detents lie in the queue as one each', () => {
    const gadget = pressToLight();
    const dial = { ...freshEncoder({ kind: 'encoder', figures: {} }, 'Dial', null, null), id: 'b2' };
    const controls = [...gadget.controls, dial];
    const turned = { ...gadget, controls, parts: partsFor({ ...gadget, controls }) };
    const machine = new Machine(turned, 1);
    for (let n = 0; n < 5_000; n += 1)
      machine.stimulate({
        atUs: 1_000 + n,
        controlId: 'b2',
        what: 'turn',
        detents: 1_000,
        overUs: 60_000_000,
      });
    machine.advanceTo(10_000);
    expect(machine.snapshot().queue.heap.length).toBeLessThan(20_000);
  });
});
