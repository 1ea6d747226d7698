import * as fc from 'fast-check';
import { Machine, type Stimulus } from '../machine/index.ts';
import { gadgetArbitrary, stimuliArbitrary } from '../test/arbitraries.ts';
import { pressToLight, rule, state } from '../test/fixtures.ts';
import { runs } from '../test/runs.ts';
import { runTrial, stretchTrial, trialLimits, trialSchema } from './index.ts';

const played = (gadget: ConstructorParameters<typeof Machine>[0], stimuli: Stimulus[], endUs: number) => {
  const machine = new Machine(gadget, 5);
  for (const stimulus of stimuli) machine.stimulate(stimulus);
  machine.advanceTo(endUs);
  return machine.takeTrace();
};
const press = (atUs: number): Stimulus[] => [
  { atUs, controlId: 'b1', what: 'down' },
  { atUs: atUs + 90_000, controlId: 'b1', what: 'up' },
];

describe('a stretch of what was played', () => {
  const gadget = pressToLight();
  gadget.flow.states = [
    state('s1', {
      rules: [
        rule('r1', {
          targetIds: ['s2'],
          actions: [{ kind: 'light', outputId: 'o1', light: { mode: 'on' } }],
        }),
      ],
    }),
    state('s2', {
      rules: [
        rule('r2', {
          targetIds: ['s1'],
          actions: [{ kind: 'light', outputId: 'o1', light: { mode: 'off' } }],
        }),
      ],
    }),
  ];
  const stimuli = [...press(1_000_000), ...press(2_000_000), ...press(3_000_000)];
  const trace = played(gadget, stimuli, 4_000_000);

  it('becomes a trial of all that led to it, which expects what it showed', () => {
    const recording = { seed: 5, stimuli, endUs: 4_000_000 };
    const trial = stretchTrial('Second press', gadget, recording, trace, 1_900_000, 2_500_000);
    expect(trial).toMatchObject({ seed: 5, endUs: 2_500_000, stimuli: stimuli.slice(0, 4) });
    expect(trial.expectations.map(({ what }) => what)).toEqual([
      { kind: 'state', stateId: 's1' },
      { kind: 'light', outputId: 'o1', mode: 'off' },
    ]);
    for (const { when } of trial.expectations)
      expect(when).toMatchObject({ kind: 'within', toUs: 2_500_000 });
    expect(runTrial(gadget, trial).result.passed).toBe(true);
  });

  it('tells on another gadget what comes otherwise', () => {
    const recording = { seed: 5, stimuli, endUs: 4_000_000 };
    const trial = stretchTrial('Second press', gadget, recording, trace, 1_900_000, 2_500_000);
    const edited = structuredClone(gadget);
    edited.flow.states[1]!.rules = [rule('r2', { targetIds: ['s1'] })];
    const { expectations } = runTrial(edited, trial).result;
    expect(expectations.map(({ passed, came }) => [passed, came])).toEqual([
      [true, ['s2', 's1']],
      [false, ['on']],
    ]);
  });

  it('that is more than a trial holds is refused', () => {
    const many = Array.from({ length: trialLimits.stimuli / 2 + 1 }, (_, n) => press(n * 200_000)).flat();
    const recording = { seed: 1, stimuli: many, endUs: 1e9 };
    expect(() => stretchTrial('Much', gadget, recording, [], 0, 1e9)).toThrow('at most 2500 presses');
  });

  it('passes on the gadget it was played with, whatever that is', () => {
    let expected = 0;
    fc.assert(
      fc.property(
        gadgetArbitrary,
        stimuliArbitrary,
        fc.integer({ min: 0, max: 3_000_000 }),
        fc.integer({ min: 0, max: 2_000_000 }),
        (any, moves, fromUs, lengthUs) => {
          const toUs = fromUs + lengthUs;
          const all = played(any, moves, toUs + 100_000);
          const trial = stretchTrial('Any', any, { seed: 5, stimuli: moves, endUs: toUs }, all, fromUs, toUs);
          trialSchema.parse(trial);
          expected += trial.expectations.length;
          const { result } = runTrial(any, trial);
          expect(result.expectations.filter(({ passed }) => passed === false)).toEqual([]);
        },
      ),
      { seed: 21, numRuns: runs(70) },
    );
    expect(expected).toBeGreaterThan(20);
  });
});
