import { compileExpression, scopeOf } from '../flow/index.ts';
import type { Action, Gadget } from '../gadget/index.ts';
import { freshEncoder, freshKnob } from '../drawer/index.ts';
import {
  button,
  frozen,
  ideal,
  numberVariable,
  partsFor,
  pressToLight,
  rule,
  state,
  dotted,
  unwired,
} from '../test/fixtures.ts';
import {
  Machine,
  outputStateOf,
  replay,
  wholeGadget,
  type EntryOf,
  type Lane,
  type Stimulus,
  type TraceEntry,
} from './index.ts';
import { laterOutput } from './outputKinds.ts';

const set = (value: string) => ({ kind: 'set', variableId: 'v1', index: null, value }) as const;
const press = { kind: 'gesture', controlId: 'b1', gesture: 'press' } as const;
const of = <L extends Lane>(trace: readonly TraceEntry[], lane: L) =>
  trace.filter((entry): entry is EntryOf<L> => entry.lane === lane);
const tap = (atMs: number): Stimulus[] => [
  { atUs: atMs * 1_000, controlId: 'b1', what: 'down' },
  { atUs: atMs * 1_000 + 80_000, controlId: 'b1', what: 'up' },
];
const power = (atMs: number, event: 'cycle' | 'wake' | 'low'): Stimulus => ({
  atUs: atMs * 1_000, controlId: wholeGadget, what: 'power', event,
}); // prettier-ignore

function gadgetOf(patch: Partial<Gadget['flow']>, more: Partial<Gadget> = {}): Gadget {
  const base = pressToLight();
  const gadget: Gadget = {
    ...base,
    controls: [button({ contact: ideal })],
    ...more,
    flow: { ...base.flow, initialId: 's1', states: [state('s1')], ...patch },
  };
  return frozen({ ...gadget, parts: partsFor(gadget) });
}
const counting = (saved: ReturnType<typeof numberVariable>['saved']) =>
  gadgetOf({
    variables: [numberVariable({ saved })],
    states: [
      state('s1', {
        entry: [{ kind: 'text', outputId: 'o2', row: 0, text: 'n {v1}' }],
        rules: [rule('r1', { trigger: press, actions: [set('v1 + 1')] })],
      }),
    ],
  });
const rowOf = ({ shown }: Machine) => outputStateOf(shown.outputs, 'text', 'o2')!.rows[0];
const shownAfter = (gadget: Gadget, stimuli: Stimulus[], untilMs: number) => {
  const machine = new Machine(gadget, 1);
  stimuli.forEach((stimulus) => machine.stimulate(stimulus));
  machine.advanceTo(untilMs * 1_000);
  return rowOf(machine);
};

describe('power off and on', () => {
  it('forgets what is not kept, and brings back what is', () => {
    const stimuli = [...tap(100), ...tap(300), power(600, 'cycle')];
    expect(shownAfter(counting(null), stimuli, 700)).toBe('n 0');
    expect(shownAfter(counting({ when: 'change' }), stimuli, 700)).toBe('n 2');
    // Only once it has been quiet for long enough.
    const quiet = counting({ when: 'quiet', quietUs: 200_000 });
    expect(shownAfter(quiet, stimuli, 700)).toBe('n 2');
    expect(shownAfter(quiet, [...tap(100), ...tap(300), power(400, 'cycle')], 700)).toBe('n 0');
    expect(shownAfter(counting({ when: 'asked' }), stimuli, 700)).toBe('n 0');
  });
  it('forgets what was read and what was waited for; hands and shafts stay where they are', () => {
    const dial = { ...freshEncoder({ kind: 'encoder', figures: {} }, 'Dial', null, null), id: 'b2' };
    const text = (words: string): Action => ({ kind: 'text', outputId: 'o2', row: 0, text: words });
    const wait: Action = { kind: 'wait', lengthUs: 2_000_000 };
    const turned = gadgetOf(
      {
        states: [
          state('s1', {
            entry: [text('{value(b2)}')],
            rules: [rule('r1', { trigger: press, actions: [wait, text('late')] })],
          }),
        ],
      },
      { controls: [button({ contact: ideal }), dial] },
    );
    const machine = new Machine(turned, 1);
    machine.stimulate({ atUs: 50_000, controlId: 'b2', what: 'turn', detents: 5, overUs: 200_000 });
    machine.stimulate({ atUs: 500_000, controlId: 'b1', what: 'down' });
    machine.stimulate(power(700, 'cycle'));
    machine.advanceTo(700_000);
    // It counts from where the shaft is, and the wait is over with the power.
    expect(rowOf(machine)).toBe('0');
    expect(machine.places).toMatchObject({ b1: 1, b2: 5 });
    // The key that is held as it comes on is a press, and waits anew; what was to follow the first never comes.
    machine.advanceTo(2_650_000);
    expect(rowOf(machine)).toBe('0');
    machine.advanceTo(2_900_000);
    expect(rowOf(machine)).toBe('late');
    machine.stimulate({ atUs: 3_000_000, controlId: 'b2', what: 'turn', detents: -2, overUs: 80_000 });
    machine.advanceTo(3_300_000);
    expect(machine.evaluate(compileExpression('value(b2)', scopeOf(turned), null))).toBe(-2);
  });
  it('is at once in its first state, whatever it was waiting for', () => {
    const wait: Action = { kind: 'wait', lengthUs: 2_000_000 };
    const waits = gadgetOf({
      states: [
        state('s1', { rules: [rule('r1', { trigger: press, actions: [wait], targetIds: ['s2'] })] }),
        state('s2'),
      ],
    });
    const trace = replay(waits, [...tap(100), power(500, 'cycle')], 3_000_000, 1);
    const entered = of(trace, 'state').map(({ atUs, id }) => [atUs, id]);
    expect(entered).toEqual([
      [0, 's1'],
      [500_000, 's1'],
    ]);
    expect(of(trace, 'blocked').at(-1)).toMatchObject({ atUs: 500_000, untilUs: 500_000 });
  });
  it('draws chance anew, but for a gadget whose chance is always the same', () => {
    const rolls = (chance: 'noise' | 'same' | 'press') => {
      const roll = set('random(1000000)');
      const gadget = gadgetOf({
        chance,
        variables: [numberVariable({ max: 1_000_000 })],
        states: [state('s1', { entry: [roll], rules: [rule('r1', { trigger: press, actions: [roll] })] })],
      });
      const hands = [...tap(100), power(500, 'cycle'), ...tap(640), power(1_000, 'cycle'), ...tap(1_100)];
      return of(replay(gadget, hands, 1_500_000, 7), 'variable').map(({ value }) => value);
    };
    // Of power-up, and of the first press after each; in between, it begins at 0 again.
    const noise = rolls('noise');
    expect(noise.map((value) => value === 0)).toEqual([false, false, true, false, false, true, false, false]);
    expect(new Set(noise).size).toBe(7);
    const [begun, first, ...others] = rolls('same');
    expect(others).toEqual([0, begun, first, 0, begun, first]);
    // Each first press comes at a time of its own after the power; the same time is the same chance.
    const pressed = rolls('press');
    expect(pressed[1]).not.toBe(pressed[4]);
    expect(pressed[1]).toBe(pressed[7]);
  });
  it('is told for every output and variable, in the order of the document, before it begins anew', () => {
    const gadget: Gadget = {
      ...pressToLight({ contact: ideal }),
      outputs: [
        { id: 'o1', kind: 'light', name: 'Lamp', colour: 'amber' },
        { id: 'o2', kind: 'text', name: 'Screen', columns: 8, rows: 2, ...dotted },
        {
          id: 'o3',
          kind: 'tone',
          name: 'Piezo',
          lowHz: 200,
          highHz: 4_000,
          pitched: 'exact',
          takes: 'last',
          turnUs: 20_000,
          perOctave: 12,
          blocking: false,
          nearCm: 40,
        },
        { id: 'o4', kind: 'servo', name: 'Flag', reachDeg: 180 },
        { id: 'o5', kind: 'motor', name: 'Buzz' },
        { id: 'o6', kind: 'midi', name: 'Out', ...unwired },
      ],
    };
    const kept = { when: 'change' } as const;
    gadget.flow.variables = [
      numberVariable({ initial: 3 }),
      numberVariable({ id: 'v2', name: 'kept', saved: kept }),
    ];
    const all: Action[] = [
      { kind: 'level', outputId: 'o1', percent: '40' },
      { kind: 'text', outputId: 'o2', row: 1, text: 'Cue {v1}' },
      { kind: 'tone', outputId: 'o3', hz: '440', lengthUs: 0 },
      { kind: 'move', outputId: 'o4', to: '90' },
      { kind: 'move', outputId: 'o5', to: '30' },
      { kind: 'midi', outputId: 'o6', message: 'noteOn', channel: 1, first: '60', second: '100' },
      { kind: 'set', variableId: 'v1', index: null, value: '7' },
      { kind: 'set', variableId: 'v2', index: null, value: '8' },
    ];
    gadget.flow.states = [state('s1', { rules: [rule('r1', { trigger: press, actions: all })] })];
    gadget.flow.initialId = 's1';
    const machine = new Machine(gadget, 1);
    for (const stimulus of [...tap(100), power(500, 'cycle')]) machine.stimulate(stimulus);
    machine.advanceTo(499_999);
    const shone = machine.shown.outputs;
    expect(Object.values(shone).map(({ kind }) => kind)).toEqual(gadget.outputs.map(({ kind }) => kind));
    machine.takeTrace();
    machine.advanceTo(500_000);
    expect(machine.takeTrace().map(({ atUs: _atUs, ...entry }) => entry)).toEqual([
      { lane: 'power', event: 'cycle' },
      { lane: 'light', id: 'o1', light: { mode: 'off' }, fromPercent: 40 },
      { lane: 'text', id: 'o2', row: 1, text: '' },
      { lane: 'tone', id: 'o3', hz: 0 },
      { lane: 'motion', id: 'o4', value: 0 },
      { lane: 'motion', id: 'o5', value: 0 },
      // What was sent is out; what is kept is as it was.
      { lane: 'variable', id: 'v1', value: 3 },
      { lane: 'state', id: 's1' },
    ]);
    // Written down in one order, whatever the kind: time, lane, output, and what the kind says.
    const written = replay(gadget, tap(100), 300_000, 1)
      .filter((entry) => 'id' in entry && /^o\d$/.test(String(entry.id)))
      .map((entry) => Object.keys(entry).join(' '));
    expect(written).toEqual([
      'atUs lane id light fromPercent',
      'atUs lane id row text',
      'atUs lane id hz',
      'atUs lane id value',
      'atUs lane id value',
      'atUs lane id bytes',
    ]);
    // Off, it is as a fresh one is; what that waits for as it comes on begins now.
    const fresh = Object.entries(new Machine(gadget, 1).shown.outputs);
    expect(machine.shown.outputs).toEqual(
      Object.fromEntries(fresh.map(([id, output]) => [id, laterOutput(output, 500_000)])),
    );
  });
  it('ends tones and dark lights, and says so', () => {
    const loud = gadgetOf({
      states: [
        state('s1', {
          rules: [
            rule('r1', {
              trigger: press,
              actions: [
                { kind: 'tone', outputId: 'o3', hz: '440', lengthUs: 0 },
                { kind: 'light', outputId: 'o1', light: { mode: 'on' } },
              ],
            }),
          ],
        }),
      ],
    });
    const trace = replay(loud, [...tap(100), power(300, 'cycle')], 400_000, 1);
    expect(of(trace, 'tone').map(({ hz }) => hz)).toEqual([440, 0]);
    expect(of(trace, 'light').map(({ light }) => light.mode)).toEqual(['on', 'off']);
    expect(of(trace, 'power')).toEqual([{ atUs: 300_000, lane: 'power', event: 'cycle' }]);
  });
  it('saves when asked, counts how often, and recalls', () => {
    const asked = gadgetOf({
      variables: [numberVariable({ saved: { when: 'asked' } })],
      states: [
        state('s1', {
          rules: [
            rule('r1', { trigger: press, guard: 'v1 == 0', actions: [set('7'), { kind: 'save' }, set('9')] }),
            rule('r2', { trigger: press, actions: [{ kind: 'recall' }] }),
          ],
        }),
      ],
    });
    const trace = replay(asked, [...tap(100), ...tap(300)], 500_000, 1);
    expect(of(trace, 'saved')).toHaveLength(1);
    expect(of(trace, 'variable').map(({ value }) => value)).toEqual([7, 9, 7]);
  });
  it('wakes, runs low and powers up where rules wait for that', () => {
    const heard = gadgetOf({
      states: [
        state('s1', {
          rules: (['up', 'wake', 'low'] as const).map((what, n) =>
            rule(`r${n + 1}`, { trigger: { kind: 'power', what }, actions: [set(String(n + 1))] }),
          ),
        }),
      ],
    });
    const trace = replay(heard, [power(100, 'wake'), power(200, 'low')], 300_000, 1);
    expect(of(trace, 'variable').map(({ atUs, value }) => [atUs, value])).toEqual([
      [0, 1],
      [100_000, 2],
      [200_000, 3],
    ]);
  });
});

describe('what comes in and goes out', () => {
  const wired = gadgetOf(
    {
      states: [
        state('s1', {
          rules: [
            rule('r1', {
              trigger: { kind: 'midi', message: 'noteOn', channel: 2, number: null },
              actions: [
                {
                  kind: 'midi',
                  outputId: 'o4',
                  message: 'noteOn',
                  channel: 3,
                  first: '200',
                  second: 'v1 + 5',
                },
                { kind: 'type', outputId: 'o5', text: 'n={v1}' },
                { kind: 'move', outputId: 'o6', to: '400' },
              ],
            }),
            rule('r2', {
              trigger: { kind: 'midi', message: 'noteOff', channel: null, number: 60 },
              actions: [set('5')],
            }),
          ],
        }),
      ],
    },
    {
      outputs: [
        ...pressToLight().outputs,
        { id: 'o4', kind: 'midi', name: 'Out', ...unwired },
        { id: 'o5', kind: 'typist', name: 'Typist' },
        { id: 'o6', kind: 'servo', name: 'Lid', reachDeg: 90 },
      ],
    },
  );
  const midi = (atMs: number, ...bytes: number[]): Stimulus => ({
    atUs: atMs * 1_000,
    controlId: wholeGadget,
    what: 'midi',
    bytes,
  });
  it('one message sets off the rules that wait for it, and a note at velocity 0 is one let go', () => {
    const trace = replay(
      wired,
      [midi(10, 0x91, 64, 90), midi(20, 0x90, 64, 90), midi(30, 0x91, 60, 0)],
      50_000,
      1,
    );
    expect(of(trace, 'rule').map(({ atUs, id }) => [atUs, id])).toEqual([
      [10_000, 'r1'],
      [30_000, 'r2'],
    ]);
    expect(of(trace, 'midi')).toEqual([{ atUs: 10_000, lane: 'midi', id: 'o4', bytes: [0x92, 127, 5] }]);
    expect(of(trace, 'typed').map(({ text }) => text)).toEqual(['n=0']);
    expect(of(trace, 'motion').map(({ value }) => value)).toEqual([90]);
  });

  it('turns by so many steps, and a knob that comes to a value', () => {
    const knob = { ...freshKnob({ kind: 'potentiometer', figures: {} }, 'Draught', null, null), id: 'b2' };
    const turned = gadgetOf(
      {
        states: [
          state('s1', {
            rules: [
              rule('r1', { trigger: { kind: 'crossing', controlId: 'b2', at: 80, rising: true } }),
              rule('r2', { trigger: { kind: 'crossing', controlId: 'b2', at: 80, rising: false } }),
              rule('r3', { trigger: { kind: 'turn', controlId: 'b2', by: 3 } }),
            ],
          }),
        ],
      },
      { controls: [button({ contact: ideal }), knob as never] },
    );
    const moves: Stimulus[] = [
      { atUs: 100_000, controlId: 'b2', what: 'move', perMille: 1_000, overUs: 300_000 },
      { atUs: 700_000, controlId: 'b2', what: 'move', perMille: 100, overUs: 300_000 },
    ];
    const fired = of(replay(turned, moves, 1_500_000, 1), 'rule').map(({ id }) => id);
    expect(fired.filter((id) => id !== 'r3')).toEqual(['r1', 'r2']);
    // From the middle to the end is half of the steps, three at a time.
    expect(fired.filter((id) => id === 'r3').length).toBeGreaterThan(1);
  });
});

describe('a light of several colours', () => {
  const red = { kind: 'colour', outputId: 'o1', colour: 'red' } as const;
  const glowing = gadgetOf({
    states: [
      state('s1', {
        entry: [{ kind: 'light', outputId: 'o1', light: { mode: 'on' } }],
        rules: [rule('r1', { trigger: press, actions: [red, { kind: 'level', outputId: 'o1', percent: '40' }] })],
      }),
    ],
  }); // prettier-ignore
  const after = (gadget: Gadget, stimuli: Stimulus[]) => {
    const machine = new Machine(gadget, 1);
    stimuli.forEach((stimulus) => machine.stimulate(stimulus));
    machine.advanceTo(900_000);
    return {
      shown: machine.shown.outputs.o1,
      told: of(machine.takeTrace(), 'colour').map(({ atUs, colour }) => [atUs, colour]),
    };
  };
  const three = { ...glowing, parts: glowing.parts.map((part) => (part.plays.includes('o1') ? { ...part, kind: 'rgb-light' } : part)) }; // prettier-ignore

  it('takes the colour once, keeps it whatever it does then, and loses it with the power', () => {
    const { shown, told } = after(three, [...tap(100), ...tap(300)]);
    expect(told).toEqual([[100_000, 'red']]);
    expect(shown).toMatchObject({ colour: 'red', light: { mode: 'level', levelPercent: 40 } });
    expect(after(three, [...tap(100), power(400, 'cycle')]).shown).not.toHaveProperty('colour');
  });

  it('is the only kind that does', () => {
    expect(after(glowing, tap(100))).toMatchObject({ told: [], shown: { light: { mode: 'level' } } });
  });
});

describe('tunes, lanes and sprites', () => {
  it('notes follow one another until another order comes', () => {
    const tune = gadgetOf({
      states: [
        state('s1', {
          rules: [
            rule('r1', {
              trigger: press,
              actions: [{ kind: 'tune', outputId: 'o3', notes: [{ hz: 400, lengthUs: 100_000 }, { hz: 0, lengthUs: 50_000 }, { hz: 800, lengthUs: 100_000 }] }],
            }),
          ],
        }),
      ],
    }); // prettier-ignore
    const tones = (stimuli: Stimulus[]) =>
      of(replay(tune, stimuli, 900_000, 1), 'tone').map(({ atUs, hz }) => [atUs / 1_000, hz]);
    expect(tones(tap(100))).toEqual([[100, 400], [200, 0], [250, 800], [350, 0]]); // prettier-ignore
    // Pressed again in the middle, it begins anew and the rest of the first never comes.
    expect(tones([...tap(100), ...tap(260)])).toEqual([[100, 400], [200, 0], [250, 800], [260, 400], [360, 0], [410, 800], [510, 0]]); // prettier-ignore
  });
  it('a list is a row of glyphs, and a few characters go over it', () => {
    const lane = gadgetOf({
      variables: [{ id: 'v1', kind: 'list', name: 'track', saved: null, initial: 0, min: 0, max: 9, overflow: 'hold', length: 6 , columns: 1}],
      states: [
        state('s1', {
          entry: [
            { kind: 'set', variableId: 'v1', index: '4', value: '1' },
            { kind: 'set', variableId: 'v1', index: '5', value: '7' },
            { kind: 'set', variableId: 'v1', index: '9', value: '7' },
            { kind: 'shift', variableId: 'v1', value: '2' },
            { kind: 'listRow', outputId: 'o2', row: 0, variableId: 'v1', glyphs: ' .#' },
            { kind: 'sprite', outputId: 'o2', row: '0', column: '7', text: 'OX' },
          ],
        }),
      ],
    }); // prettier-ignore
    const trace = replay(lane, [], 1_000, 1);
    expect(of(trace, 'text').map(({ text }) => text)).toEqual(['   .##', '   .## O']);
    // The tenth place of six is none: it is told, and nothing is written.
    expect(of(trace, 'mishap')).toEqual([{ atUs: 0, lane: 'mishap', id: 's1', mishap: 'place' }]);
  });
  it.each([6, 1])('a list of %i places is cleared at once, as far as it was not clear', (length) => {
    const list = gadgetOf({
      variables: [{ id: 'v1', kind: 'list', name: 'track', saved: null, initial: 3, min: 0, max: 9, overflow: 'hold', length, columns: 1 }],
      states: [
        state('s1', {
          rules: [rule('r1', { trigger: { kind: 'after', delay: 10_000 }, actions: [{ kind: 'set', variableId: 'v1', index: null, value: '20' }] })],
          entry: [
            { kind: 'set', variableId: 'v1', index: '0', value: '9' },
            { kind: 'set', variableId: 'v1', index: null, value: '1 + 2' },
          ],
        }),
      ],
    }); // prettier-ignore
    const places = Array.from({ length }, (_, index) => index);
    expect(of(replay(list, [], 20_000, 1), 'variable').map(({ atUs, index, value }) => [atUs, index, value])).toEqual([
      [0, 0, 9], [0, 0, 3],
      // What is beyond the range stops at its end, in each place.
      ...places.map((place) => [10_000, place, 9]),
    ]); // prettier-ignore
  });
});
