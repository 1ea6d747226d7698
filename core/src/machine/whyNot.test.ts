import { pressToLight, rule, state, ideal } from '../test/fixtures.ts';
import { freshEncoder, freshKnob } from '../drawer/index.ts';
import type { Gadget, Trigger } from '../gadget/index.ts';
import { replay, wholeGadget, whyNot, type Stimulus } from './index.ts';

const press = { kind: 'gesture', controlId: 'b1', gesture: 'press' } as const;
function gadgetOf(): Gadget {
  const gadget = pressToLight({ contact: ideal });
  gadget.flow.states = [
    state('s1', {
      name: 'Ready',
      rules: [
        rule('r1', { trigger: press, guard: 'v1 > 1 && in(s1)', targetIds: ['s2'] }),
        rule('r2', {
          trigger: press,
          actions: [{ kind: 'set', variableId: 'v1', index: null, value: 'v1 + 1' }],
        }),
      ],
    }),
    state('s2', { name: 'Lit', rules: [rule('r3', { trigger: press, targetIds: ['s1'] })] }),
  ];
  return gadget;
}
const gadget = gadgetOf();
const tap = (atMs: number): Stimulus[] => [
  { atUs: atMs * 1_000, controlId: 'b1', what: 'down' },
  { atUs: atMs * 1_000 + 80_000, controlId: 'b1', what: 'up' },
];
const trace = replay(gadget, [...tap(100), ...tap(400), ...tap(700)], 1_000_000, 1);

describe('why not?', () => {
  it('a part of the condition did not hold, and another rule answered', () => {
    expect(whyNot(gadget, trace, 'r1', 300_000)).toEqual({
      active: true,
      activeIds: ['s1'],
      heardUs: 100_000,
      timed: false,
      unmarked: false,
      guard: [
        { text: 'v1 > 1', holds: false },
        { text: 'in(s1)', holds: true },
      ],
      instead: 'r2',
      firedUs: null,
    });
  });
  it('its state was not the active one', () => {
    expect(whyNot(gadget, trace, 'r3', 600_000)).toMatchObject({
      active: false,
      activeIds: ['s1'],
      instead: 'r2',
    });
  });
  it('what it waits for never came', () => {
    expect(whyNot(gadget, trace, 'r1', 50_000)).toMatchObject({ heardUs: null, active: true, instead: null });
  });
  it('it did fire', () => {
    expect(whyNot(gadget, trace, 'r1', 900_000)).toMatchObject({
      firedUs: 700_000,
      heardUs: 700_000,
      active: true,
    });
    expect(whyNot(gadget, trace, 'r1', 900_000)!.guard.every(({ holds }) => holds)).toBe(true);
  });
  it('asks nothing of a rule that is gone', () => expect(whyNot(gadget, trace, 'r99', 0)).toBeNull());

  describe('whatever it waits for', () => {
    /** One rule for one trigger, in a gadget that has one of everything that can be heard. */
    const waiting = (trigger: Trigger): Gadget => {
      const one = pressToLight({ contact: ideal });
      one.controls.push({ ...one.controls[0]!, id: 'b2', name: 'Ash' });
      one.controls.push({
        ...freshKnob({ kind: 'potentiometer', figures: {} }, 'Flame', null, null),
        id: 'b3',
      });
      one.controls.push({ ...freshEncoder({ kind: 'encoder', figures: {} }, 'Dial', null, null), id: 'b4' });
      one.controls.push({
        id: 'b5',
        kind: 'codes',
        name: 'Remote',
        key: null,
        codes: [{ id: 'k1', name: 'Go', code: 16, wrongPerMille: 0, latencyUs: 1_000 }],
        repeatsEveryUs: 110_000,
        heldGapUs: 250_000,
      });
      one.chords = [
        {
          id: 'c1',
          name: 'Both',
          controlIds: ['b1', 'b2'],
          windowUs: 40_000,
          holdUs: 0,
          ordered: false,
          waits: false,
        },
      ];
      one.flow.signals = [{ id: 'g1', name: 'gust' }];
      one.flow.states = [
        state('s1', {
          rules: [
            rule('r1', { trigger }),
            rule('r9', {
              trigger: { kind: 'after', delay: 150_000 },
              actions: [{ kind: 'raise', signalId: 'g1', delay: null }],
            }),
          ],
        }),
      ];
      one.flow.initialId = 's1';
      return one;
    };
    const both: Stimulus[] = [
      { atUs: 200_000, controlId: 'b1', what: 'down' },
      { atUs: 205_000, controlId: 'b2', what: 'down' },
      { atUs: 300_000, controlId: 'b1', what: 'up' },
      { atUs: 300_000, controlId: 'b2', what: 'up' },
    ];
    const cases: [string, Trigger, Stimulus[]][] = [
      ['a chord', { kind: 'chord', chordId: 'c1' }, both],
      ['a signal', { kind: 'signal', signalId: 'g1' }, []],
      ['a code', { kind: 'code', codeId: 'k1', gesture: 'press' }, [
        { atUs: 100_000, controlId: 'b5', what: 'send', codeId: 'k1', heldUs: 0 },
      ]],
      ['a turn', { kind: 'turn', controlId: 'b4', by: 2 }, [
        { atUs: 100_000, controlId: 'b4', what: 'turn', detents: 2, overUs: 100_000 },
      ]],
      ['a crossing', { kind: 'crossing', controlId: 'b3', at: 80, rising: true }, [
        { atUs: 100_000, controlId: 'b3', what: 'move', perMille: 900, overUs: 50_000 },
      ]],
      ['power', { kind: 'power', what: 'low' }, [
        { atUs: 100_000, controlId: wholeGadget, what: 'power', event: 'low' },
      ]],
      ['MIDI', { kind: 'midi', message: 'noteOn', channel: 1, number: 60 }, [
        { atUs: 100_000, controlId: wholeGadget, what: 'midi', bytes: [0x90, 60, 100] },
      ]],
    ]; // prettier-ignore
    it.each(cases)('%s: that it came, and when, or that it never did', (_what, trigger, stimuli) => {
      const one = waiting(trigger);
      const run = replay(one, stimuli, 1_000_000, 1);
      const fired = run.find((entry) => entry.lane === 'rule' && entry.id === 'r1');
      expect(fired).toBeDefined();
      const told = whyNot(one, run, 'r1', 1_000_000)!;
      expect(told).toMatchObject({ active: true, firedUs: fired!.atUs, instead: null, timed: false });
      expect(told.heardUs).not.toBeNull();
      expect(told.heardUs!).toBeLessThanOrEqual(fired!.atUs);
      expect(whyNot(one, replay(one, [], 100_000, 1), 'r1', 100_000)).toMatchObject({
        heardUs: null,
        firedUs: null,
      });
    });
    it('only what it waits for, not what is like it', () => {
      const turned = (by: number, ...turns: number[]) => {
        const one = waiting({ kind: 'turn', controlId: 'b4', by });
        const stimuli = turns.map((detents, n): Stimulus => ({
          atUs: 100_000 + n * 200_000,
          controlId: 'b4',
          what: 'turn',
          detents,
          overUs: 100_000,
        }));
        const run = replay(one, stimuli, 2_000_000, 1);
        const { heardUs, firedUs } = whyNot(one, run, 'r1', 2_000_000)!;
        expect(heardUs).toBe(firedUs);
        return heardUs !== null;
      };
      expect([turned(3, 2), turned(3, 3), turned(3, -3), turned(-3, -3)]).toEqual([false, true, false, true]);
      // A step back begins the count anew.
      expect([turned(3, 2, -1, 2), turned(3, 2, -1, 3)]).toEqual([false, true]);
      const never = (trigger: Trigger, stimulus: Stimulus) => {
        const one = waiting(trigger);
        expect(whyNot(one, replay(one, [stimulus], 1_000_000, 1), 'r1', 1_000_000)!.heardUs).toBeNull();
      };
      const whole = { atUs: 100_000, controlId: wholeGadget };
      never({ kind: 'power', what: 'low' }, { ...whole, what: 'power', event: 'wake' });
      never(
        { kind: 'midi', message: 'noteOn', channel: 1, number: 60 },
        { ...whole, what: 'midi', bytes: [0x90, 61, 100] },
      );
      never(
        { kind: 'crossing', controlId: 'b3', at: 80, rising: true },
        { atUs: 100_000, controlId: 'b3', what: 'move', perMille: 700, overUs: 50_000 },
      );
    });
    it('nothing, or the end of a state: that no mark is left', () => {
      const one = waiting({ kind: 'done', stateId: 's1' });
      expect(whyNot(one, replay(one, [], 100_000, 1), 'r1', 100_000)).toMatchObject({
        unmarked: true,
        timed: false,
        heardUs: null,
      });
    });
    it('a time: that it is one, which leaves no mark', () => {
      const one = waiting({ kind: 'every', delay: 5_000_000 });
      expect(whyNot(one, replay(one, [], 1_000_000, 1), 'r1', 1_000_000)).toMatchObject({
        timed: true,
        heardUs: null,
        active: true,
      });
    });
  });
});
