import type { Action, Gadget } from '../gadget/index.ts';
import { checkGadget } from '../snag/index.ts';
import { rule, state } from '../test/fixtures.ts';
import { steering, transposing } from '../test/flowCases.ts';
import { outputOf, toldGadget } from '../test/toldGadget.ts';
import { Machine, outputStateOf, replay, type Stimulus } from './index.ts';

/* Keys to a computer, told in the words that a maker types; at the other end stands one that is played. */

type Told = readonly (readonly [atMs: number, text: string])[];
function played(told: Told, cycleMs: number | null = null) {
  const machine = new Machine(toldGadget(outputOf('typist', 'Pad'), told), 1);
  if (cycleMs !== null)
    machine.stimulate({ atUs: cycleMs * 1_000, controlId: 'gadget', what: 'power', event: 'cycle' });
  machine.advanceTo(400_000);
  const keys = machine
    .takeTrace()
    .flatMap((entry) =>
      entry.lane === 'key' ? [[entry.atUs / 1_000, entry.key, entry.down, entry.held]] : [],
    );
  return { keys, ...outputStateOf(machine.shown.outputs, 'typist', 'o1')!.computer };
}

describe('keys to a computer', () => {
  it('are held several at once and let go in any order', () => {
    const told: Told = [
      [10, 'Pad press shift; Pad press a'],
      [20, 'Pad press b'],
      [30, 'Pad release shift'],
      [40, 'Pad release b; Pad release a'],
    ];
    expect(played(told)).toMatchObject({
      keys: [
        [10, 'shift', true, 1],
        [10, 'a', true, 2],
        [20, 'b', true, 3],
        [30, 'shift', false, 2],
        [40, 'b', false, 1],
        [40, 'a', false, 0],
      ],
      text: 'AB',
      held: [],
    });
  });

  it('tap: down and up again by itself, once', () => {
    const { keys, text } = played([
      [10, 'Pad tap c; Pad tap "é"'],
      [20, 'Pad tap c'],
    ]);
    // The third falls into the first, which is still down.
    expect(keys).toEqual([
      [10, 'c', true, 1],
      [10, "'é", true, 2],
      [40, 'c', false, 1],
      [40, "'é", false, 0],
    ]);
    expect(text).toBe('cé');
  });

  it('are not let go by a tap whose own press is over', () => {
    const told: Told = [
      [10, 'Pad tap x'],
      [20, 'Pad release x; Pad press x'],
    ];
    // The tap would have ended at 40 ms.
    expect(played(told)).toMatchObject({
      held: ['x'],
      keys: [
        [10, 'x', true, 1],
        [20, 'x', false, 0],
        [20, 'x', true, 1],
      ],
    });
  });

  it('with a modifier are shortcuts, and write nothing; arrows move, backspace takes back', () => {
    expect(played([[10, 'Pad press control; Pad tap s; Pad release all']])).toMatchObject({
      text: '',
      held: [],
    });
    expect(played([[10, 'Pad type "row"; Pad tap backspace; Pad tap digit4']])).toMatchObject({
      text: 'ro4',
    });
    const steps: Told = [
      [10, 'Pad tap right'],
      [60, 'Pad tap right'],
      [110, 'Pad tap up'],
    ];
    expect(played(steps)).toMatchObject({ x: 10, y: 2, text: '' });
  });

  it('go up with the power, as a keyboard that is unplugged', () => {
    const { keys } = played([[10, 'Pad press shift; Pad press x']], 50);
    expect(keys.slice(2, 4)).toEqual([
      [50, 'shift', false, 1],
      [50, 'x', false, 0],
    ]);
  });
});

describe('a key that is held on some way only', () => {
  const found = (gadget: Gadget) => checkGadget(gadget).snags.filter(({ rule: id }) => id === 'X07');
  it('is found with a way that plays, and innocent once something lets it go', () => {
    const [snag] = found(steering([]));
    const { seed, stimuli, endUs } = snag!.way!;
    const ends = replay(steering([]), stimuli as Stimulus[], endUs, seed);
    expect(ends.flatMap((entry) => (entry.lane === 'key' ? [entry.down] : []))).toEqual([true]);
    // No finger is on it.
    expect(ends.findLast(({ lane }) => lane === 'finger')).toMatchObject({ down: false });
    expect(found(steering([{ kind: 'keysUp', outputId: 'o4' }]))).toEqual([]);
    expect(found(steering([{ kind: 'key', outputId: 'o4', key: 'left', how: 'up' }]))).toEqual([]);
  });
  it('may be meant to stay, where a second press lets it go', () => {
    const latch = steering([]);
    const [first, second] = latch.flow.states;
    const [down, up] = first!.rules;
    const press = down!.trigger;
    const rules = [{ ...down!, targetIds: ['s2'] }];
    const back = [{ ...up!, trigger: press, targetIds: ['s1'] }];
    const states = [
      { ...first!, rules },
      { ...second!, rules: back },
    ];
    expect(found({ ...latch, flow: { ...latch.flow, states } })).toEqual([]);
  });
});

describe('a note that is held on some way only', () => {
  const found = (gadget: Gadget) => checkGadget(gadget).snags.filter(({ rule: id }) => id === 'M01');
  const release = { kind: 'gesture', controlId: 'b1', gesture: 'release' } as const;
  const note = (message: 'noteOn' | 'noteOff', second = '100'): Action => ({
    kind: 'midi', outputId: 'o4', message, channel: 3, first: '60', second,
  }); // prettier-ignore

  it('is found with a way that plays, where another note is ended than began', () => {
    const gadget = transposing('60 + 12 * v1');
    const [snag] = found(gadget);
    const { seed, stimuli, endUs } = snag!.way!;
    const sent = replay(gadget, stimuli as Stimulus[], endUs, seed).flatMap((entry) =>
      entry.lane === 'midi' ? [entry.bytes] : [],
    );
    expect(sent).toEqual([
      [0x92, 60, 100],
      [0x82, 72, 100],
    ]);
  });
  it('is innocent where the note that began is ended: by its number, by a velocity of 0, by all notes off', () => {
    expect(found(transposing('v2'))).toEqual([]);
    const off: Action = {
      kind: 'midi',
      outputId: 'o4',
      message: 'control',
      channel: 3,
      first: '123',
      second: '0',
    };
    for (const end of [note('noteOn', '0'), off]) {
      const gadget = transposing('v2');
      const [only] = gadget.flow.states;
      const rules = only!.rules.map((one) => {
        if (one.trigger === only!.rules[0]!.trigger) return { ...one, actions: [note('noteOn')] };
        return one.id === 'r2' ? { ...one, actions: [end] } : one;
      });
      expect(found({ ...gadget, flow: { ...gadget.flow, states: [{ ...only!, rules }] } })).toEqual([]);
    }
  });
  it('may be meant to sound on: a drone, whose key is not heard as it is let go', () => {
    const gadget = transposing('60 + 12 * v1');
    const [only] = gadget.flow.states;
    const drone = state('s2', {
      rules: [
        rule('r7', { trigger: only!.rules[0]!.trigger, actions: [note('noteOn')] }),
        rule('r8', { trigger: only!.rules[2]!.trigger, targetIds: ['s1'], actions: [note('noteOff')] }),
      ],
    });
    const rules = only!.rules.map((one) =>
      one.id === 'r3' ? { ...one, targetIds: ['s2'], actions: [] } : one,
    );
    const states = [{ ...only!, rules: [...rules, rule('r9', { trigger: release })] }, drone];
    expect(found({ ...gadget, flow: { ...gadget.flow, states } })).toEqual([]);
  });
});
