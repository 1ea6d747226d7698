import { blankState, emptyFlow, emptyGadget, runTrial, type Gadget } from '@hum-lever/core';
import { cameWords, freshExpectationId, pressesOf, statesOf, wantedWords } from './describe.ts';

const gadget: Gadget = {
  ...emptyGadget('Lamp'),
  flow: {
    ...emptyFlow(),
    initialId: 's1',
    states: [
      {
        id: 's1',
        name: 'Dark',
        ...blankState(),
        rules: [
          {
            id: 'r1',
            trigger: { kind: 'after', delay: 700_000 },
            guard: null,
            actions: [],
            targetIds: ['s2'],
            internal: false,
          },
        ],
      },
      {
        id: 's2',
        name: 'Lit',
        ...blankState(),
        rules: [
          {
            id: 'r2',
            trigger: { kind: 'after', delay: 400_000 },
            guard: null,
            actions: [],
            targetIds: ['s2'],
            internal: false,
          },
        ],
      },
    ],
  },
};
const recording = { seed: 1, stimuli: [], endUs: 2_000_000 };
const { trace } = runTrial(gadget, { name: 'x', ...recording, expectations: [] });

describe('drawing', () => {
  it('pairs presses, also one that is still held at the end', () => {
    const stimuli = [
      { atUs: 10, controlId: 'b1', what: 'down' as const },
      { atUs: 20, controlId: 'b2', what: 'down' as const },
      { atUs: 30, controlId: 'b1', what: 'up' as const },
    ];
    expect(pressesOf({ name: 'x', seed: 1, stimuli, endUs: 99, expectations: [] })).toEqual([
      { fromUs: 10, toUs: 30, controlId: 'b1' },
      { fromUs: 20, toUs: 99, controlId: 'b2' },
    ]);
  });

  it('says where it was, region by region', () => {
    const told = statesOf(gadget, trace, 2_000_000);
    expect(told).toHaveLength(1);
    expect(told[0]!.map(({ stateId }) => stateId)).toContain('s2');
    expect(told[0]![0]).toMatchObject({ regionId: null, fromUs: 0, toUs: 700_000, stateId: 's1' });
    expect(told[0]!.at(-1)!.toUs).toBe(2_000_000);
    told[0]!.slice(1).forEach(({ fromUs }, at) => expect(fromUs).toBe(told[0]![at]!.toUs));
    expect(statesOf(gadget, [], 5)).toEqual([]);
  });
});

describe('words', () => {
  it('say what was wanted and what came', () => {
    const expectation = {
      id: 'e1',
      what: { kind: 'state', stateId: 's2' },
      when: { kind: 'at', atUs: 5 },
    } as const;
    expect(wantedWords(gadget, expectation.what)).toBe('it is in Lit');
    expect(cameWords(gadget, expectation, { id: 'e1', passed: false, came: ['s1'], heldAtUs: null })).toBe(
      'Came: Dark.',
    );
    expect(cameWords(gadget, expectation, { id: 'e1', passed: false, came: null, heldAtUs: null })).toContain(
      'no such thing',
    );
    expect(wantedWords(emptyGadget('Bare'), expectation.what)).toContain('something removed');
  });

  it('give every expectation an id of its own', () => {
    const one = { what: { kind: 'state', stateId: 's2' }, when: { kind: 'at', atUs: 5 } } as const;
    expect(
      freshExpectationId([
        { id: 'e1', ...one },
        { id: 'e3', ...one },
      ]),
    ).toBe('e2');
  });
});
