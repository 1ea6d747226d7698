import { freshEncoder } from '../drawer/index.ts';
import { readRule } from '../flow/index.ts';
import type { Action, Gadget, OutputOf, Rule } from '../gadget/index.ts';
import { button, ideal, part, rule, state } from '../test/fixtures.ts';
import { outputOf, toldGadget } from '../test/toldGadget.ts';
import {
  Machine,
  replay,
  wholeGadget,
  type EntryOf,
  type Lane,
  type Stimulus,
  type TraceEntry,
} from './index.ts';

/* What a turn of the loop hears, and how long it lasts. */

const of = <L extends Lane>(trace: readonly TraceEntry[], lane: L) =>
  trace.filter((entry): entry is EntryOf<L> => entry.lane === lane);
const note: Rule['trigger'] = { kind: 'midi', message: 'noteOn', channel: null, number: null };
const midi = (atUs: number, key: number): Stimulus => ({
  atUs,
  controlId: wholeGadget,
  what: 'midi',
  bytes: [0x90, key, 100],
});
const power = (atUs: number, event: 'wake' | 'low' | 'cycle'): Stimulus => ({
  atUs,
  controlId: wholeGadget,
  what: 'power',
  event,
});

describe('what comes from outside', () => {
  const wait: Action = { kind: 'wait', lengthUs: 40_000 };
  const gadget: Gadget = (() => {
    const told = toldGadget(outputOf('serial', 'Panel'), []);
    const rules = [
      rule('r1', { trigger: note }),
      rule('r2', { trigger: { kind: 'power', what: 'low' } }),
      rule('r3', { trigger: { kind: 'power', what: 'wake' }, actions: [wait] }),
      rule('r4', readRule('when line Panel', told)),
      rule('r5', readRule('when character Panel', told)),
    ];
    const states = [state('s1', { rules })];
    return { ...told, loop: { periodUs: 1_000 }, flow: { ...told.flow, states } };
  })();
  const fired = (stimuli: Stimulus[]) =>
    of(replay(gadget, stimuli, 400_000, 1), 'rule').map(({ id, atUs }) => [id, atUs]);

  it('is heard by the next turn of the loop, and by none before', () => {
    const trace = replay(gadget, [midi(10_300, 60), power(20_001, 'low'), midi(30_000, 62)], 100_000, 1);
    expect(trace.slice(1)).toEqual([
      { atUs: 11_000, sinceUs: 700, lane: 'midiIn', bytes: [0x90, 60, 100] },
      { atUs: 11_000, lane: 'rule', id: 'r1', stateId: 's1' },
      { atUs: 21_000, sinceUs: 999, lane: 'power', event: 'low' },
      { atUs: 21_000, lane: 'rule', id: 'r2', stateId: 's1' },
      // What comes at the moment of a turn is heard by it.
      { atUs: 30_000, sinceUs: 0, lane: 'midiIn', bytes: [0x90, 62, 100] },
      { atUs: 30_000, lane: 'rule', id: 'r1', stateId: 's1' },
    ]);
  });

  it('waits in its order while the loop stands still', () => {
    expect(
      fired([power(10_000, 'wake'), midi(12_000, 60), power(13_000, 'low'), midi(49_999, 62)]),
    ).toEqual([['r3', 10_000], ['r1', 50_000], ['r2', 50_000], ['r1', 50_000]]); // prettier-ignore
  });

  it('goes with the power where no turn has heard it, and waits in a snapshot', () => {
    const before = [power(10_000, 'wake'), midi(12_000, 60)];
    expect(fired([...before, power(20_000, 'cycle'), midi(30_000, 62)])).toEqual([
      ['r3', 10_000],
      ['r1', 30_000],
    ]);
    const machine = new Machine(gadget, 1);
    for (const stimulus of before) machine.stimulate(stimulus);
    machine.advanceTo(20_000);
    const restored = Machine.restore(gadget, machine.snapshot());
    restored.advanceTo(60_000);
    expect(of(restored.takeTrace(), 'rule')).toMatchObject([{ id: 'r1', atUs: 50_000 }]);
  });

  it('is heard character by character, then as a line, each by a turn', () => {
    const slow = { ...gadget, outputs: [{ ...(gadget.outputs[0] as OutputOf<'serial'>), baud: 9_600 }] };
    const trace = replay(slow, [{ atUs: 10_000, controlId: 'o1', what: 'line', text: 'go' }], 100_000, 1);
    // Ten bits each at 9,600 baud: 1,042 µs a byte, and the end mark is one.
    expect(trace.slice(1).map(({ atUs, lane }) => [atUs, lane])).toEqual([
      [12_000, 'characterIn'], [12_000, 'rule'],
      [13_000, 'characterIn'], [13_000, 'rule'],
      [14_000, 'lineIn'], [14_000, 'rule'],
    ]); // prettier-ignore
  });
});

describe('a turn', () => {
  /** Lights that are painted at 50 ms, beside a key that is cleaned without a wait, and a dial. */
  const painted = (figures: Record<string, number>, interrupts = 1): Gadget => {
    const told = toldGadget(outputOf('lights', 'Ring', figures), [[50, 'Ring paint all red']]);
    const key = button({ contact: ideal, debounce: { ...button().debounce, algorithm: 'none', params: {} } });
    const fresh = freshEncoder({ kind: 'encoder', figures: { countsPerDetent: 4 } }, 'Dial', null, null);
    const dial = { ...fresh, id: 'b2', contact: { ...ideal, model: 'encoder' as const } };
    const [state1] = told.flow.states;
    const answer = rule('r9', { trigger: { kind: 'gesture', controlId: 'b1', gesture: 'press' } });
    return {
      ...told,
      controls: [key, dial],
      parts: [
        part('p1', 'light-chain', ['o1'], { figures }),
        part('p9', 'encoder', ['b2'], { figures: { interrupts, countsPerDetent: 4 } }),
      ],
      loop: { periodUs: 1_000 },
      flow: { ...told.flow, states: [{ ...state1!, rules: [...state1!.rules, answer] }] },
    };
  };
  const key = (atUs: number, heldUs: number): Stimulus[] => [
    { atUs, controlId: 'b1', what: 'down' },
    { atUs: atUs + heldUs, controlId: 'b1', what: 'up' },
  ];

  it('lasts as long as its jobs: 30 µs a light, in which nothing is read', () => {
    const trace = replay(
      painted({ pixels: 256 }),
      [...key(50_100, 3_000), ...key(59_500, 20_000)],
      99_000,
      1,
    );
    expect(of(trace, 'busy')).toEqual([
      { atUs: 50_000, lane: 'busy', id: 'o1', forUs: 7_680, untilUs: 57_680, deaf: true },
    ]);
    expect(of(trace, 'swallowed')).toMatchObject([{ reason: 'blocked', hadUs: 3_000, neededUs: 7_580 }]);
    expect(of(trace, 'gesture')[0]).toMatchObject({ gesture: 'press', atUs: 60_000 });
  });

  it('is none the longer for lights that go out by themselves, nor where nothing changes', () => {
    const free = replay(painted({ pixels: 256, interruptsOff: 0 }), key(50_100, 3_000), 99_000, 1);
    expect([of(free, 'busy'), of(free, 'swallowed'), of(free, 'gesture')[0]?.atUs]).toEqual([[], [], 51_000]);
    const dark = painted({ pixels: 256 });
    const [rules] = dark.flow.states.map((one) => one.rules);
    const paint = readRule('when after 50 ms do Ring paint all off', dark);
    const states = [{ ...dark.flow.states[0]!, rules: [{ ...rules![0]!, ...paint }] }];
    expect(of(replay({ ...dark, flow: { ...dark.flow, states } }, [], 99_000, 1), 'busy')).toEqual([]);
  });

  it('sends one picture for all that its lights are told in it, and then waits as it was told', () => {
    const gadget = painted({ pixels: 100 });
    const twice = readRule('when after 50 ms do Ring paint 0 red; Ring paint 1 blue; wait 5 ms', gadget);
    const states = [
      { ...gadget.flow.states[0]!, rules: [{ ...gadget.flow.states[0]!.rules[0]!, ...twice }] },
    ];
    const trace = replay({ ...gadget, flow: { ...gadget.flow, states } }, [], 99_000, 1);
    // Three milliseconds of data beside the wait: what is said of the data is its own length.
    expect(of(trace, 'busy').map(({ forUs, untilUs }) => [forUs, untilUs])).toEqual([[3_000, 58_000]]);
    expect(of(trace, 'lights')).toHaveLength(2);
  });

  describe('for lights that go on by themselves', () => {
    const going = (text: string, figures: Record<string, number> = {}): Gadget => {
      const gadget = painted({ pixels: 100, ...figures });
      const [only] = gadget.flow.states;
      const rules = [
        { ...only!.rules[0]!, ...readRule(`when after 50 ms do ${text}`, gadget) },
        ...only!.rules.slice(1),
      ];
      return { ...gadget, flow: { ...gadget.flow, states: [{ ...only!, rules }] } };
    };
    const sentMs = (text: string, untilMs: number, stimuli: Stimulus[] = [], figures = {}) =>
      of(replay(going(text, figures), stimuli, untilMs * 1_000, 1), 'busy').map(({ atUs }) => atUs / 1_000);

    it('sends a picture each time that a blink changes', () => {
      expect(sentMs('Ring paint 3 red; Ring blink all every 200 ms', 400)).toEqual([50, 150, 250, 350]);
      // Quicker than pictures are drawn: as often as they are.
      expect(sentMs('Ring paint 3 red; Ring blink all every 10 ms', 100)).toEqual([50, 70, 90]);
    });

    it('sends fifty a second while they fade, the last one after its end', () => {
      expect(sentMs('Ring fade all red over 90 ms', 400)).toEqual([50, 70, 90, 110, 130, 150]);
      expect(sentMs('Ring fade all red over 100 ms', 400)).toEqual([50, 70, 90, 110, 130, 150]);
      expect(sentMs('Ring fade all red over 90 ms', 400, [], { interruptsOff: 0 })).toEqual([]);
    });

    it('sends none once they are painted over, or the power goes', () => {
      expect(sentMs('Ring fade all red over 9 s; wait 35 ms; Ring paint all off', 400)).toEqual([50, 85]);
      expect(sentMs('Ring blink all every 60 ms', 400, [power(95_000, 'cycle')])).toEqual([50, 80, 145, 175, 205, 235, 265, 295, 325, 355, 385]); // prettier-ignore
    });

    it('hears no press meanwhile, and goes on where it was cut off', () => {
      const gadget = going('Ring paint 3 red; Ring blink all every 200 ms');
      const trace = replay(gadget, [...key(150_200, 2_000), ...key(200_000, 30_000)], 300_000, 1);
      expect(of(trace, 'swallowed')).toMatchObject([{ atUs: 153_000, reason: 'blocked', hadUs: 2_000 }]);
      const cut = new Machine(gadget, 1);
      for (const stimulus of [...key(150_200, 2_000), ...key(200_000, 30_000)]) cut.stimulate(stimulus);
      cut.advanceTo(120_000);
      const before = cut.takeTrace();
      const rest = Machine.restore(gadget, JSON.parse(JSON.stringify(cut.snapshot())) as never);
      rest.advanceTo(300_000);
      expect([...before, ...rest.takeTrace()]).toEqual(trace);
    });
  });

  it('that stands still leaves nothing to be done once the power comes anew', () => {
    const gadget = painted({ pixels: 256 });
    const [only] = gadget.flow.states;
    const signals = [{ id: 'g1', name: 'again' }];
    const raise: Action = { kind: 'raise', signalId: 'g1', delay: null };
    // First the picture, then what never comes to an end, in one turn.
    const rules = [
      ...only!.rules,
      rule('r7', { trigger: { kind: 'after', delay: 50_000 }, actions: [raise] }),
      rule('r8', { trigger: { kind: 'signal', signalId: 'g1' }, actions: [raise] }),
    ];
    const flow = { ...gadget.flow, signals, states: [{ ...only!, rules }] };
    const trace = replay({ ...gadget, flow }, [power(70_000, 'cycle')], 90_000, 1);
    expect(of(trace, 'still').map(({ atUs }) => atUs)).toEqual([50_000]);
    expect(of(trace, 'busy')).toEqual([]);
  });

  it('that shuts interrupts off loses counts of a dial that has one', () => {
    const quick: Stimulus[] = [{ atUs: 50_500, controlId: 'b2', what: 'turn', detents: 3, overUs: 6_000 }];
    const skipped = (gadget: Gadget) =>
      of(replay(gadget, quick, 99_000, 1), 'counted').reduce((sum, { counts }) => sum + Math.abs(counts), 0);
    const whole = skipped(painted({ pixels: 256, interruptsOff: 0 }));
    expect(whole).toBe(12);
    expect(skipped(painted({ pixels: 256 }))).toBeLessThan(whole);
    // A wait behind the data shuts nothing off.
    const waits = painted({ pixels: 12 });
    const [only] = waits.flow.states;
    const told = readRule('when after 50 ms do Ring paint all red; wait 8 ms', waits);
    const states = [{ ...only!, rules: [{ ...only!.rules[0]!, ...told }] }];
    expect(skipped({ ...waits, flow: { ...waits.flow, states } })).toBe(whole);
    // A turn that is over before the next edge costs nothing.
    expect(skipped(painted({ pixels: 12 }))).toBe(whole);
  });
});
