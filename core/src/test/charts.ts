import * as fc from 'fast-check';
import {
  emptyFlow,
  emptyGadget,
  nestingOf,
  areApart,
  type Action,
  type Gadget,
  type Rule,
  type State,
  type Trigger,
} from '../gadget/index.ts';
import { numberVariable, rule, state } from './fixtures.ts';

/** A chart of signals alone: what it hears is told from outside by their ids. Entering and leaving are counted in v1. */
export function chart(states: State[], initialId = states[0]!.id, signals = 4): Gadget {
  return {
    ...emptyGadget('Chart'),
    flow: {
      ...emptyFlow(),
      variables: [numberVariable({ max: 1_000_000_000 })],
      signals: Array.from({ length: signals }, (_, n) => ({ id: `g${n + 1}`, name: `g${n + 1}` })),
      states,
      initialId,
    },
  };
}

export const on = (signalId: string): Trigger => ({ kind: 'signal', signalId });
export const raise = (signalId: string): Action => ({ kind: 'raise', signalId, delay: null });

/** A rule that leads somewhere when a signal is heard. */
export const lead = (id: string, signalId: string, targetIds: string[], patch: Partial<Rule> = {}): Rule =>
  rule(id, { trigger: on(signalId), targetIds, ...patch });

interface Drawn {
  states: { parent: number; kind: number; initial: number }[];
  rules: {
    owner: number;
    trigger: number;
    target: number;
    second: number;
    internal: boolean;
    guard: number;
    raises: number;
  }[];
}

const drawn: fc.Arbitrary<Drawn> = fc.record({
  states: fc.array(fc.record({ parent: fc.nat(99), kind: fc.nat(9), initial: fc.nat(99) }), {
    minLength: 2,
    maxLength: 12,
  }),
  rules: fc.array(
    fc.record({
      owner: fc.nat(99),
      trigger: fc.nat(8),
      target: fc.nat(99),
      second: fc.nat(99),
      internal: fc.boolean(),
      guard: fc.nat(9),
      raises: fc.nat(5),
    }),
    { maxLength: 24 },
  ),
});

/** Any chart that the document's door lets in: nested, parallel, with history, ends and rules to several places. */
export const chartArbitrary: fc.Arbitrary<Gadget> = drawn.map(({ states: raw, rules }) => {
  const states = raw.map((one, n): State => {
    const parent = n === 0 ? -1 : (one.parent % (n + 1)) - 1;
    return state(`s${n + 1}`, { parentId: parent < 0 ? null : `s${parent + 1}` });
  });
  // Kinds that fit what lies in each: history and ends have nothing in them, regions have.
  for (const [n, { kind }] of raw.entries()) {
    const one = states[n]!;
    const inner = states.filter(({ parentId }) => parentId === one.id).length;
    if (inner > 0) one.kind = kind < 4 ? 'parallel' : 'plain';
    else if (n > 0 && kind === 0) one.kind = 'final';
    else if (n > 0 && kind < 3 && one.parentId !== null) {
      const siblings = states.filter(
        (other) => other.parentId === one.parentId && other.id !== one.id && !other.kind.includes('istory'),
      );
      if (siblings.length > 0) one.kind = kind === 1 ? 'history' : 'deepHistory';
    }
  }
  // A state with nothing but history in it is not let in.
  for (const one of states) {
    const siblings = states.filter(({ parentId }) => parentId === one.parentId);
    if (one.kind.includes('istory') && siblings.every(({ kind }) => kind.includes('istory')))
      one.kind = 'plain';
  }
  const gadget = chart(states);
  const nesting = nestingOf(gadget.flow);
  for (const [n, { initial }] of raw.entries()) {
    const one = states[n]!;
    const home = one.kind.includes('istory') ? one.parentId! : one.id;
    const inside = states.filter(({ id }) => id !== one.id && nesting.isInside(id, home));
    const fits = one.kind === 'plain' || one.kind.includes('istory');
    const target = inside[initial % Math.max(1, inside.length)];
    // History that leads to history could go round for ever.
    if (fits && target && initial % 3 > 0 && !target.kind.includes('istory'))
      one.initial = { targetIds: [target.id], actions: [] };
  }
  rules.forEach((one, n) => {
    const owner = states[one.owner % states.length]!;
    if (owner.kind === 'final' || owner.kind.includes('istory')) return;
    const target = states[one.target % states.length]!.id;
    const second = states[one.second % states.length]!.id;
    const triggers: Trigger[] = [
      on('g1'),
      on('g2'),
      on('g3'),
      on('g4'),
      { kind: 'done', stateId: second },
      { kind: 'any' },
    ];
    const trigger: Trigger = triggers[one.trigger] ?? (one.trigger === 6 ? { kind: 'always' } : on('g1'));
    const several = areApart(nesting, target, second);
    owner.rules.push({
      id: `r${n + 1}`,
      trigger,
      // Without an event: only once in a while, so that most charts come to rest.
      guard:
        trigger.kind === 'always' ? 'v1 % 5 == 3' : (['in(s2)', 'v1 % 2 == 0', '!in(s1)'][one.guard] ?? null),
      actions: [
        { kind: 'set', variableId: 'v1', index: null, value: 'v1 + 1' },
        ...(one.raises === 0 ? [raise('g3')] : one.raises === 1 ? [raise('g4')] : []),
      ],
      targetIds: one.target % 7 === 0 ? [] : several ? [target, second] : [target],
      internal: one.internal,
    });
  });
  return gadget;
});
