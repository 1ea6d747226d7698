import { pressToLight, rule, state, ideal } from '../test/fixtures.ts';
import type { Gadget } from '../gadget/index.ts';
import { replay, whyNot, type Stimulus } from './index.ts';

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
});
