import * as fc from 'fast-check';
import { contactOf } from '../contact/index.ts';
import { gadgetArbitrary, stimuliArbitrary } from '../test/arbitraries.ts';
import { editArbitrary } from '../test/editArbitrary.ts';
import {
  button,
  frozen,
  ideal,
  pressToLight,
  rule,
  setting,
  state,
  numberVariable,
} from '../test/fixtures.ts';
import { runs } from '../test/runs.ts';
import { applyEdit, EditRefused, emptyFlow, openGadget, type Action, type Gadget } from '../gadget/index.ts';
import { withMenus } from '../menu/index.ts';
import { readRule, showRule } from '../flow/index.ts';
import { darkLight } from '../light/level.ts';
import { Machine, replay, type EntryOf, type Lane, type Stimulus, type TraceEntry } from './index.ts';

const press = (atMs: number, heldMs: number, controlId = 'b1'): Stimulus[] => [
  { atUs: atMs * 1_000, controlId, what: 'down' },
  { atUs: (atMs + heldMs) * 1_000, controlId, what: 'up' },
];
const of = <L extends Lane>(trace: TraceEntry[], lane: L) =>
  trace.filter((e) => e.lane === lane) as EntryOf<L>[];
const run = (gadget: Gadget, stimuli: Stimulus[], untilMs: number) =>
  replay(frozen(gadget), stimuli, untilMs * 1_000, 1);

describe('from finger to output', () => {
  it('a press lights, sounds and writes, stage by stage', () => {
    const trace = run(
      pressToLight({
        contact: contactOf('leaf'),
        debounce: setting('stable', { settleUs: 9_000 }),
      }),
      press(100, 90),
      400,
    );
    const at = (lane: Lane) => trace.filter((entry) => entry.lane === lane && entry.atUs > 0)[0]!.atUs;
    expect(at('finger')).toBe(100_000);
    expect(at('contact')).toBe(100_000);
    expect(at('clean')).toBeGreaterThanOrEqual(109_000);
    expect(at('clean')).toBeLessThanOrEqual(120_000);
    for (const lane of ['gesture', 'rule', 'state', 'light', 'text', 'tone'] as const)
      expect(at(lane)).toBe(at('clean'));
    expect(of(trace, 'gesture').map(({ gesture }) => gesture)).toEqual(['press', 'release', 'tap']);
    expect(of(trace, 'text').map(({ text }) => text)).toEqual(['Dark', 'Lit 1']);
    const [sounds, hushes] = of(trace, 'tone');
    expect(sounds!.hz).toBe(440);
    expect(hushes!.atUs - sounds!.atUs).toBe(100_000);
  });

  it('powers up into the first state', () => {
    const machine = new Machine(pressToLight(), 1);
    expect(machine.shown).toMatchObject({ stateIds: ['s1'], outputs: { o2: { rows: ['Dark'] } } });
  });

  it('an empty gadget and a gadget without states do nothing, quietly', () => {
    const still = { ...pressToLight(), flow: emptyFlow() };
    expect(run(still, press(1, 50), 100).filter(({ lane }) => lane === 'gesture')).toHaveLength(3);
  });

  it('bounce through a weak setting counts one press twice, and says so', () => {
    const gadget = pressToLight({ contact: contactOf('worn'), debounce: setting('none', {}) });
    expect(of(run(gadget, press(10, 90), 300), 'clean').some(({ extra }) => extra)).toBe(true);
    const calm = pressToLight({
      contact: contactOf('worn'),
      debounce: setting('stable', { settleUs: 20_000 }),
    });
    expect(of(run(calm, press(10, 90), 300), 'clean').some(({ extra }) => extra)).toBe(false);
  });

  it('says why a press was swallowed, with figures', () => {
    const one = (
      patch: Parameters<typeof pressToLight>[0],
      stimuli: Stimulus[],
      gadget = pressToLight({ contact: ideal, ...patch }),
    ) =>
      of(run(gadget, stimuli, 2_000), 'swallowed').map(({ reason, hadUs, neededUs, press: n }) => ({
        reason,
        hadUs,
        neededUs,
        n,
      }));
    expect(one({ debounce: setting('stable', { settleUs: 20_000 }) }, press(10, 14))).toEqual([
      { reason: 'too-short', hadUs: 14_000, neededUs: 22_000, n: 1 },
    ]);
    expect(
      one({ debounce: setting('lockout', { lockUs: 50_000 }) }, [...press(10, 70), ...press(90, 20)]),
    ).toEqual([{ reason: 'lockout', hadUs: 20_000, neededUs: 40_000, n: 2 }]);
    expect(
      one({}, [
        { atUs: 10_100, controlId: 'b1', what: 'down' },
        { atUs: 10_300, controlId: 'b1', what: 'up' },
      ]),
    ).toEqual([{ reason: 'between-samples', hadUs: 200, neededUs: 1_000, n: 1 }]);
    const blocking = pressToLight({ contact: ideal });
    blocking.flow.states[0]!.rules[0]!.actions.push({ kind: 'wait', lengthUs: 500_000 });
    expect(one({}, [...press(10, 50), ...press(200, 60)], blocking)).toEqual([
      { reason: 'blocked', hadUs: 60_000, neededUs: 310_000, n: 2 },
    ]);
  });

  it('a blocking wait delays what follows it and everything else with it', () => {
    const gadget = pressToLight({ contact: ideal });
    gadget.flow.states[0]!.rules[0]!.actions.push({ kind: 'wait', lengthUs: 200_000 });
    const trace = run(gadget, press(10, 50), 500);
    const [pressed, released] = of(trace, 'clean');
    expect(of(trace, 'state')[1]!.atUs - pressed!.atUs).toBe(200_000);
    expect(of(trace, 'light').at(-1)!.atUs).toBe(210_000);
    expect(released!.atUs).toBe(210_000);
  });

  it('an after timer counts from entering, once, and dies with its state', () => {
    const gadget = { ...pressToLight({ contact: ideal }) };
    gadget.flow = {
      ...emptyFlow(),
      initialId: 's1',
      states: [
        state('s1', { rules: [rule('r1', { targetIds: ['s2'] })] }),
        state('s2', {
          rules: [
            rule('r2', { trigger: { kind: 'after', delay: 300_000 }, targetIds: ['s3'] }),
            rule('r3', { targetIds: ['s1'] }),
          ],
        }),
        state('s3'),
      ],
    };
    expect(
      of(run(gadget, press(10, 50), 1_000), 'state').map(({ id, atUs }) => `${id}@${atUs / 1_000}`),
    ).toEqual(['s1@0', 's2@10', 's3@310']);
    expect(
      of(run(gadget, [...press(10, 50), ...press(200, 50)], 1_000), 'state').map(({ id }) => id),
    ).toEqual(['s1', 's2', 's1']);
  });

  it('takes the first rule in document order whose guard holds', () => {
    const gadget = pressToLight({ contact: ideal });
    gadget.flow.states[0]!.rules = [
      rule('r5', { guard: 'v1 > 0', targetIds: ['s2'] }),
      rule('r6', {
        guard: 'v1 == 0',
        actions: [{ kind: 'set', variableId: 'v1', index: null, value: '500' }],
      }),
      rule('r7', { targetIds: ['s2'] }),
    ];
    const trace = run(gadget, [...press(10, 50), ...press(200, 50)], 400);
    expect(of(trace, 'rule').map(({ id }) => id)).toEqual(['r6', 'r5']);
    // Held inside the variable's range.
    expect(of(trace, 'variable')).toMatchObject([{ value: 99 }]);
  });

  it('refuses times that are past or not whole', () => {
    const machine = new Machine(pressToLight(), 1);
    machine.advanceTo(1_000);
    expect(() => machine.advanceTo(999)).toThrow(RangeError);
    expect(() => machine.advanceTo(NaN)).toThrow(RangeError);
    expect(() => machine.stimulate({ atUs: 5, controlId: 'b1', what: 'down' })).toThrow(RangeError);
  });
});

describe('the same again', () => {
  const seed = fc.integer();
  const cuts = fc
    .array(fc.integer({ min: 0, max: 2_500_000 }), { maxLength: 6 })
    .map((all) => all.sort((a, b) => a - b));

  it('a run cut and restored anywhere, through JSON, is the straight run, byte for byte', () => {
    fc.assert(
      fc.property(gadgetArbitrary, stimuliArbitrary, cuts, seed, (gadget, stimuli, at, s) => {
        frozen(gadget);
        const straight = replay(gadget, stimuli, 2_500_000, s);
        let machine = new Machine(gadget, s);
        for (const stimulus of stimuli) machine.stimulate(stimulus);
        const pieces: TraceEntry[] = [];
        for (const cut of at) {
          machine.advanceTo(cut);
          pieces.push(...machine.takeTrace());
          machine = Machine.restore(gadget, JSON.parse(JSON.stringify(machine.snapshot())));
        }
        machine.advanceTo(2_500_000);
        pieces.push(...machine.takeTrace());
        expect(JSON.stringify(pieces)).toBe(JSON.stringify(straight));
      }),
      { seed: 12, numRuns: runs(60) },
    );
  });

  it('time comes in order, and another seed bounces otherwise', () => {
    fc.assert(
      fc.property(gadgetArbitrary, stimuliArbitrary, (gadget, stimuli) => {
        const trace = replay(gadget, stimuli, 2_500_000, 1);
        trace.forEach(({ atUs }, i) => expect(atUs).toBeGreaterThanOrEqual(trace[i - 1]?.atUs ?? 0));
      }),
      { seed: 13, numRuns: runs(30) },
    );
    const worn = pressToLight({ contact: contactOf('worn') });
    expect(replay(worn, press(1, 90), 200_000, 1)).not.toEqual(replay(worn, press(1, 90), 200_000, 2));
  });

  it('time may be moved in steps of any size', () => {
    fc.assert(
      fc.property(
        gadgetArbitrary,
        stimuliArbitrary,
        fc.integer({ min: 700, max: 90_000 }),
        (gadget, stimuli, stepUs) => {
          const machine = new Machine(gadget, 4);
          for (const stimulus of stimuli) machine.stimulate(stimulus);
          for (let at = 0; at < 2_500_000; at += stepUs) machine.advanceTo(at);
          machine.advanceTo(2_500_000);
          expect(machine.takeTrace()).toEqual(replay(gadget, stimuli, 2_500_000, 4));
        },
      ),
      { seed: 14, numRuns: 40 },
    );
  });
});

describe('taking over an edit while running', () => {
  it('an unchanged document changes nothing from there on', () => {
    fc.assert(
      fc.property(
        gadgetArbitrary,
        stimuliArbitrary,
        fc.integer({ min: 0, max: 2_000_000 }),
        (gadget, stimuli, cut) => {
          const machine = new Machine(gadget, 4);
          for (const stimulus of stimuli) machine.stimulate(stimulus);
          machine.advanceTo(cut);
          expect(machine.adopt(structuredClone(gadget))).toEqual({ restarted: null, waits: [] });
          machine.advanceTo(2_500_000);
          expect(machine.takeTrace()).toEqual(replay(gadget, stimuli, 2_500_000, 4));
        },
      ),
      { seed: 15, numRuns: runs(30) },
    );
  });

  it('keeps place, values and outputs, and feels a new debounce time at once', () => {
    const machine = new Machine(pressToLight({ contact: ideal }), 1);
    press(10, 50).forEach((stimulus) => machine.stimulate(stimulus));
    machine.advanceTo(400_000);
    const slower = pressToLight({
      contact: ideal,
      debounce: setting('stable', { settleUs: 40_000 }),
    });
    expect(machine.adopt(slower)).toEqual({ restarted: null, waits: [] });
    expect(machine.shown).toMatchObject({
      stateIds: ['s2'],
      variables: { v1: 1 },
      outputs: { o2: { rows: ['Lit 1'] } },
    });
    machine.takeTrace();
    press(500, 60).forEach((stimulus) => machine.stimulate(stimulus));
    machine.advanceTo(700_000);
    expect(of(machine.takeTrace(), 'clean')[0]).toMatchObject({ atUs: 540_000, sinceUs: 40_000 });
  });

  it('a held button stays held, and a new timer starts now', () => {
    const machine = new Machine(pressToLight({ contact: ideal }), 1);
    machine.stimulate({ atUs: 10_000, controlId: 'b1', what: 'down' });
    machine.advanceTo(100_000);
    const edited = pressToLight({
      contact: ideal,
      debounce: setting('integrator', { steps: 4 }),
    });
    edited.flow.states[1]!.rules.push(
      rule('r3', { trigger: { kind: 'after', delay: 50_000 }, targetIds: ['s1'] }),
    );
    machine.adopt(edited);
    machine.takeTrace();
    machine.advanceTo(200_000);
    const trace = machine.takeTrace();
    expect(of(trace, 'clean')).toEqual([]);
    expect(of(trace, 'state')).toMatchObject([{ id: 's1', atUs: 150_000 }]);
  });

  it('a wait that ran out before its rule said what for waits anew, and no other does', () => {
    const waiting = pressToLight({ contact: ideal });
    const after = { trigger: { kind: 'after', delay: 50_000 } } as const;
    waiting.flow.states[0]!.rules = [
      rule('r3', after),
      rule('r4', { ...after, guard: 'v1 > 5', targetIds: ['s2'] }),
    ];
    const machine = new Machine(frozen(waiting), 1);
    machine.advanceTo(200_000);
    machine.takeTrace();
    const leading = structuredClone(waiting);
    leading.name = 'Another';
    machine.adopt(frozen(structuredClone(leading)));
    machine.advanceTo(300_000);
    expect(of(machine.takeTrace(), 'rule')).toEqual([]);
    leading.flow.states[0]!.rules[0]!.targetIds = ['s2'];
    machine.adopt(frozen(structuredClone(leading)));
    machine.advanceTo(600_000);
    expect(of(machine.takeTrace(), 'rule')).toMatchObject([{ id: 'r3', atUs: 350_000 }]);
  });

  it('a key held in a layer lets go in that layer, whatever was edited meanwhile', () => {
    const layered = pressToLight({ contact: ideal });
    layered.flow.states[0]!.rules = [];
    layered.flow.layers = [
      {
        id: 'y1',
        name: 'Notes',
        when: null,
        keys: [
          {
            controlId: 'b1',
            press: [{ kind: 'tone', outputId: 'o3', hz: '440', lengthUs: 0 }],
            release: [{ kind: 'silence', outputId: 'o3' }],
          },
        ],
      },
    ];
    const machine = new Machine(layered, 1);
    machine.stimulate({ atUs: 10_000, controlId: 'b1', what: 'down' });
    machine.stimulate({ atUs: 300_000, controlId: 'b1', what: 'up' });
    machine.advanceTo(100_000);
    // Another control comes before it, and another layer.
    const renamed = structuredClone(layered);
    renamed.name = 'Renamed';
    renamed.controls.unshift({
      ...renamed.controls[0]!,
      id: 'b9',
      name: 'Other',
    } as Gadget['controls'][number]);
    renamed.flow.layers.unshift({ id: 'y2', name: 'Under', when: null, keys: [] });
    machine.adopt(renamed);
    expect(machine.shown.outputs.o3).toMatchObject({ hz: 440 });
    machine.advanceTo(400_000);
    expect(machine.shown.outputs.o3).toMatchObject({ hz: 0 });
  });

  it('says what an edit changes that nothing comes of yet', () => {
    const machine = new Machine(pressToLight({ contact: ideal }), 1);
    machine.advanceTo(100_000);
    const edited = pressToLight({ contact: ideal });
    edited.flow.states[0]!.entry.push({ kind: 'tone', outputId: 'o3', hz: '220', lengthUs: 100_000 });
    edited.flow.states[1]!.entry.pop();
    expect(machine.adopt(edited)).toEqual({ restarted: null, waits: [{ kind: 'entry', stateId: 's1' }] });
    const begins = structuredClone(edited);
    begins.flow.initialId = 's2';
    begins.flow.variables = [numberVariable({ initial: 5 })];
    expect(machine.adopt(begins)).toEqual({
      restarted: null,
      waits: [{ kind: 'start' }, { kind: 'values' }],
    });
    expect(machine.shown.stateIds).toEqual(['s1']);
    const bare = new Machine({ ...pressToLight(), flow: emptyFlow() }, 1);
    expect(bare.adopt(edited).restarted).toBe('begun');
  });

  it('drops what waits for an output that is of another kind now, and keeps the rest of it', () => {
    const toneThenLight = (kind: 'light' | 'tone'): Gadget => {
      const gadget = pressToLight({ contact: ideal });
      const [lamp] = gadget.outputs;
      gadget.outputs = [
        lamp!,
        kind === 'light'
          ? { id: 'o9', kind, name: 'Late', colour: 'red' }
          : {
              id: 'o9',
              kind,
              name: 'Late',
              lowHz: 100,
              highHz: 9_000,
              pitched: 'exact',
              takes: 'last',
              turnUs: 20_000,
              perOctave: 12,
              blocking: false,
              nearCm: 40,
            },
      ];
      const entry: Action[] = [
        { kind: 'wait', lengthUs: 200_000 },
        { kind: 'tone', outputId: 'o9', hz: '440', lengthUs: 0 },
        { kind: 'light', outputId: lamp!.id, light: { mode: 'on' } },
      ];
      return { ...gadget, flow: { ...emptyFlow(), initialId: 's1', states: [state('s1', { entry })] } };
    };
    const machine = new Machine(toneThenLight('tone'), 1);
    machine.advanceTo(100_000);
    expect(machine.adopt(toneThenLight('light')).restarted).toBe(null);
    machine.takeTrace();
    machine.advanceTo(300_000);
    expect(machine.shown.outputs.o9).toEqual(darkLight);
    expect(machine.takeTrace()).toMatchObject([{ atUs: 200_000, lane: 'light', id: 'o1' }]);
  });

  it('starts anew, at the present time, where the current state is gone', () => {
    const machine = new Machine(pressToLight({ contact: ideal }), 1);
    machine.advanceTo(123_456);
    const other = pressToLight({ contact: ideal });
    other.flow = {
      ...emptyFlow(),
      initialId: 's7',
      states: [
        state('s7', {
          rules: [rule('r1', { trigger: { kind: 'after', delay: 10_000 }, targetIds: ['s7'] })],
        }),
      ],
    };
    machine.takeTrace();
    expect(machine.adopt(other)).toEqual({ restarted: 'gone', waits: [] });
    machine.advanceTo(150_000);
    expect(of(machine.takeTrace(), 'state').map(({ atUs }) => atUs)).toEqual([123_456, 134_000, 144_000]);
  });

  it('a standstill at that new start ends as much later as it begins', () => {
    const machine = new Machine(pressToLight({ contact: ideal }), 1);
    machine.advanceTo(100_000);
    const waiting = pressToLight({ contact: ideal });
    const entry = [{ kind: 'wait', lengthUs: 50_000 }] as const;
    waiting.flow = { ...emptyFlow(), initialId: 's7', states: [state('s7', { entry: [...entry] })] };
    machine.takeTrace();
    machine.adopt(waiting);
    expect(of(machine.takeTrace(), 'blocked')).toEqual([
      { atUs: 100_000, lane: 'blocked', untilUs: 150_000 },
    ]);
  });

  it('plays on through any edits in play, and a restored one plays on alike', () => {
    fc.assert(
      fc.property(
        gadgetArbitrary,
        stimuliArbitrary,
        fc.array(fc.tuple(editArbitrary, fc.integer({ min: 1_000, max: 300_000 })), { maxLength: 8 }),
        (first, stimuli, list) => {
          let gadget = frozen(first);
          const machine = new Machine(gadget, 4);
          for (const stimulus of stimuli) machine.stimulate(stimulus);
          for (const [make, afterUs] of list) {
            machine.advanceTo(machine.nowUs + afterUs);
            try {
              gadget = frozen(applyEdit(gadget, make(gadget)));
            } catch (error) {
              if (!(error instanceof EditRefused)) throw error;
            }
            machine.adopt(gadget);
            const { stateIds, variables, outputs } = machine.shown;
            // With what its menus come to.
            const { flow } = withMenus(gadget);
            const known = new Set(flow.states.map(({ id }) => id));
            expect(stateIds.filter((id) => !known.has(id))).toEqual([]);
            expect(Object.keys(variables)).toEqual(flow.variables.map(({ id }) => id));
            expect(Object.entries(outputs).map(([id, { kind }]) => [id, kind])).toEqual(
              gadget.outputs.map(({ id, kind }) => [id, kind]),
            );
          }
          const restored = Machine.restore(gadget, machine.snapshot());
          machine.takeTrace();
          machine.advanceTo(3_000_000);
          restored.advanceTo(3_000_000);
          expect(restored.takeTrace()).toEqual(machine.takeTrace());
        },
      ),
      { seed: 17, numRuns: runs(45) },
    );
  });

  it('survives any edit from any gadget to any other', () => {
    fc.assert(
      fc.property(
        gadgetArbitrary,
        gadgetArbitrary,
        stimuliArbitrary,
        fc.integer({ min: 0, max: 2_000_000 }),
        (one, other, stimuli, cut) => {
          const machine = new Machine(one, 4);
          for (const stimulus of stimuli) machine.stimulate(stimulus);
          machine.advanceTo(cut);
          machine.adopt(frozen(other));
          machine.advanceTo(2_500_000);
          const restored = Machine.restore(other, machine.snapshot());
          machine.takeTrace();
          machine.advanceTo(3_000_000);
          restored.advanceTo(3_000_000);
          expect(restored.takeTrace()).toEqual(machine.takeTrace());
        },
      ),
      { seed: 16, numRuns: runs(40) },
    );
  });
});

describe('cost follows events', () => {
  it('days are waited for, written as days, and cost nothing', () => {
    const typed = 'when after 3 d do Lamp on then Lit';
    const gadget = pressToLight();
    const days = rule('r9', readRule(typed, gadget));
    expect([days.trigger, showRule(days, gadget)]).toEqual([
      { kind: 'after', delay: 259_200_000_000 },
      typed,
    ]);
    expect(showRule(readRule('when every 90 min', gadget), gadget)).toBe('when every 5400 s');
    const { states } = gadget.flow;
    const waiting = {
      ...gadget,
      flow: { ...gadget.flow, states: [{ ...states[0]!, rules: [days] }, ...states.slice(1)] },
    };
    expect(openGadget(waiting).outcome).toBe('opened');
    const machine = new Machine(waiting, 1);
    machine.advanceTo(259_199_999_999);
    expect(machine.takeTrace().filter(({ lane }) => lane === 'rule')).toEqual([]);
    machine.advanceTo(300_000_000_000);
    expect(machine.takeTrace().find(({ lane }) => lane === 'rule')).toMatchObject({
      atUs: 259_200_000_000,
      id: 'r9',
    });
  });
  it('an hour of nothing is one step', () => {
    const machine = new Machine({ ...pressToLight(), controls: [button()] }, 1);
    machine.takeTrace();
    expect(machine.nextUs).toBeNull();
    machine.advanceTo(3_600_000_000);
    expect(machine.takeTrace()).toEqual([]);
  });
});
