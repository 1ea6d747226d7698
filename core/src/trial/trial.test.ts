import * as fc from 'fast-check';
import { gadgetArbitrary, stimuliArbitrary } from '../test/arbitraries.ts';
import { frozen, ideal, pressToLight, setting } from '../test/fixtures.ts';
import { recordedTrial, runTrial, trialSchema, type Expectation, type Trial } from './index.ts';

const gadget = pressToLight({ contact: ideal });
const trial = (expectations: Expectation[], patch: Partial<Trial> = {}): Trial => ({
  name: 'One press',
  seed: 1,
  stimuli: [
    { atUs: 100_000, controlId: 'b1', what: 'down' },
    { atUs: 180_000, controlId: 'b1', what: 'up' },
  ],
  endUs: 500_000,
  expectations,
  ...patch,
});
const at = (atUs: number, what: Expectation['what']): Expectation => ({
  id: 'e1',
  what,
  when: { kind: 'at', atUs },
});
const within = (fromUs: number, toUs: number, what: Expectation['what']): Expectation => ({
  id: 'e1',
  what,
  when: { kind: 'within', fromUs, toUs },
});
const judged = (expectation: Expectation) =>
  runTrial(gadget, frozen(trial([expectation]))).result.expectations[0]!;

const lit: Expectation['what'] = { kind: 'state', stateId: 's2' };

describe('expectations', () => {
  it.each<[string, Expectation, boolean, (string | number)[]]>([
    ['a state at a time', at(200_000, lit), true, ['s2']],
    ['a state a moment too early', at(99_999, lit), false, ['s1']],
    ['a state within a window', within(0, 300_000, lit), true, ['s1', 's2']],
    ['a state after a window', within(0, 99_999, lit), false, ['s1']],
    ['a light', at(300_000, { kind: 'light', outputId: 'o1', mode: 'on' }), true, ['on']],
    ['part of a text', at(300_000, { kind: 'text', outputId: 'o2', row: 0, text: 'Lit' }), true, ['Lit 1']],
    ['another text', at(300_000, { kind: 'text', outputId: 'o2', row: 0, text: 'Out' }), false, ['Lit 1']],
    ['a blank row', at(300_000, { kind: 'text', outputId: 'o2', row: 0, text: '' }), false, ['Lit 1']],
    [
      'a tone',
      within(0, 400_000, { kind: 'tone', outputId: 'o3', comparison: '=', hz: 440 }),
      true,
      [0, 440, 0],
    ],
    ['silence after it', at(400_000, { kind: 'tone', outputId: 'o3', comparison: '=', hz: 0 }), true, [0]],
    ['a value', at(200_000, { kind: 'variable', variableId: 'v1', comparison: '≥', value: 1 }), true, [1]],
    [
      'a value not reached',
      at(200_000, { kind: 'variable', variableId: 'v1', comparison: '>', value: 1 }),
      false,
      [1],
    ],
    ['a condition', at(200_000, { kind: 'condition', text: 'in(s2) && v1 == 1', is: true }), true, [1]],
    ['one that should not hold', at(200_000, { kind: 'condition', text: 'in(s2)', is: false }), false, [1]],
    [
      'a key that is down for a while',
      within(0, 400_000, { kind: 'condition', text: 'value(b1)', is: true }),
      true,
      [0, 1, 0],
    ],
    [
      'a condition before its time',
      within(0, 99_999, { kind: 'condition', text: 'in(s2)', is: true }),
      false,
      [0],
    ],
  ])('%s', (_what, expectation, passed, came) => {
    expect(judged(expectation)).toMatchObject({ passed, came });
  });

  it('say when they first held', () => {
    expect(judged(within(0, 300_000, lit)).heldAtUs).toBe(100_000);
    expect(judged(within(150_000, 300_000, lit)).heldAtUs).toBe(150_000);
    expect(judged(at(50_000, lit)).heldAtUs).toBeNull();
  });

  it('about what the gadget does not have fail, and say so', () => {
    expect(judged(at(0, { kind: 'state', stateId: 's99' }))).toEqual({
      id: 'e1',
      passed: false,
      came: null,
      heldAtUs: null,
    });
    expect(judged(at(0, { kind: 'condition', text: 'v9 > 0', is: false }))).toMatchObject({
      passed: false,
      came: null,
    });
    const { result } = runTrial(gadget, trial([], { stimuli: [{ atUs: 5, controlId: 'b9', what: 'down' }] }));
    expect(result).toMatchObject({ passed: false, missingControls: ['b9'] });
  });

  it('count presses that were swallowed and those that came twice', () => {
    const deaf = pressToLight({
      contact: ideal,
      debounce: setting('stable', { settleUs: 90_000 }),
    });
    expect(runTrial(deaf, trial([])).result.swallowed).toBe(1);
    expect(runTrial(gadget, trial([])).result).toMatchObject({ swallowed: 0, extra: 0, passed: true });
  });

  it('are judged the same every time', () => {
    fc.assert(
      fc.property(gadgetArbitrary, stimuliArbitrary, (any, stimuli) => {
        const script = trial([within(0, 2_500_000, lit)], { stimuli, endUs: 2_500_000 });
        expect(runTrial(frozen(any), script)).toEqual(runTrial(any, script));
      }),
      { seed: 17, numRuns: 30 },
    );
  });
});

describe('a script', () => {
  it.each<[string, Partial<Trial>, string]>([
    [
      'out of order',
      {
        stimuli: [
          { atUs: 9, controlId: 'b1', what: 'down' },
          { atUs: 5, controlId: 'b1', what: 'up' },
        ],
      },
      'stimuli.1.atUs',
    ],
    ['past its end', { endUs: 150_000 }, 'stimuli.1.atUs'],
    ['expecting past its end', { expectations: [at(600_000, lit)] }, 'expectations.0.when'],
    ['expecting backwards', { expectations: [within(9, 5, lit)] }, 'expectations.0.when.toUs'],
    ['with an id twice', { expectations: [at(1, lit), at(2, lit)] }, 'expectations.1.id'],
    ['with a seed that is no integer', { seed: 1.5 }, 'seed'],
    [
      'with too many stimuli',
      { stimuli: Array.from({ length: 5_001 }, () => ({ atUs: 1, controlId: 'b1', what: 'down' as const })) },
      'stimuli',
    ],
  ])('%s is refused by field', (_what, patch, path) => {
    const parsed = trialSchema.safeParse(trial([], patch));
    expect(parsed.error?.issues.map((issue) => issue.path.join('.'))).toContain(path);
  });
});

describe('a recording', () => {
  const recording = { seed: 1, stimuli: trial([]).stimuli, endUs: 500_000 };
  const { trace } = runTrial(gadget, trial([]));

  it('becomes a valid trial that passes on the gadget it was made with, and expects what was seen', () => {
    const recorded = recordedTrial('First', recording, trace);
    expect(trialSchema.safeParse(recorded).success).toBe(true);
    expect(recorded.expectations).toMatchObject([
      { what: { stateId: 's2' }, when: { fromUs: 0, toUs: 500_000 } },
    ]);
    expect(runTrial(gadget, recorded).result.passed).toBe(true);
  });

  it('expects nothing that came after its end, and refuses more than a trial can hold', () => {
    expect(recordedTrial('x', { ...recording, stimuli: [], endUs: 50_000 }, trace).expectations).toEqual([]);
    const endless = Array.from({ length: 5_002 }, () => recording.stimuli[0]!);
    expect(() => recordedTrial('x', { ...recording, stimuli: endless }, trace)).toThrow(RangeError);
  });
});
