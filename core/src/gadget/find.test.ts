import * as fc from 'fast-check';
import { gadgetArbitrary } from '../test/arbitraries.ts';
import { pressToLight, rule, state } from '../test/fixtures.ts';
import { countUses, usesOf, type Gadget } from './index.ts';

/** One of everything that can name something else. */
const named = (): Gadget => {
  const gadget = pressToLight();
  gadget.flow.timers = [{ id: 'm1', name: 'wick' }];
  gadget.flow.signals = [{ id: 'g1', name: 'gust' }];
  gadget.flow.states = [
    state('s1', {
      initial: {
        targetIds: ['s2'],
        actions: [{ kind: 'start', timerId: 'm1', length: { ms: 'v1 * 2' }, every: false }],
      },
    }),
    state('s2', {
      parentId: 's1',
      entry: [
        { kind: 'sprite', outputId: 'o2', row: 'v1', column: '0', text: '{v1}' },
        { kind: 'raise', signalId: 'g1', delay: { ms: 'v1' } },
      ],
      exit: [{ kind: 'listRow', outputId: 'o2', row: 0, variableId: 'v1', glyphs: '.#' }],
      rules: [
        rule('r1', { guard: 'v1 > 1 && in(s3)', targetIds: ['s3'] }),
        rule('r2', { trigger: { kind: 'after', delay: { ms: 'v1 + 1' } } }),
        rule('r3', {
          trigger: { kind: 'timer', timerId: 'm1' },
          actions: [{ kind: 'silence', outputId: 'o3' }],
        }),
      ],
    }),
    state('s3'),
  ];
  gadget.flow.layers = [
    {
      id: 'y1',
      name: 'Shift',
      when: { kind: 'held', controlId: 'b1' },
      keys: [{ controlId: 'b1', press: [{ kind: 'level', outputId: 'o1', percent: 'v1' }], release: [] }],
    },
    { id: 'y2', name: 'Late', when: { kind: 'on', condition: 'v1 == 0' }, keys: [] },
  ];
  return gadget;
};
const places = (id: string) => usesOf(named(), id).map((place) => `${place.kind} ${place.id}`);

describe('where something is used', () => {
  it.each<[string, string[]]>([
    ['v1', [
      'state s1', 'state s2', 'state s2', 'state s2', 'state s2', 'rule r1', 'rule r2', 'layer y1', 'layer y2',
    ]],
    ['b1', ['rule r1', 'rule r2', 'layer y1', 'layer y1'].filter((one) => one !== 'rule r2')],
    ['m1', ['state s1', 'rule r3']],
    ['g1', ['state s2']],
    ['o1', ['layer y1']],
    ['o2', ['state s2', 'state s2']],
    ['o3', ['rule r3']],
    ['s2', ['state s1']],
    ['s3', ['rule r1', 'rule r1']],
    ['v', []],
    ['v11', []],
  ])('%s', (id, expected) => expect(places(id)).toEqual(expected)); // prettier-ignore

  it('is nowhere for what nothing names, and never fewer places than the text of the flow has', () => {
    fc.assert(
      fc.property(
        gadgetArbitrary,
        fc.constantFrom('v1', 'v2', 'v3', 'o1', 'o2', 'b1', 'm1', 'g1'),
        (gadget, id) => {
          const lists = { ...gadget.flow, variables: [], timers: [], signals: [], ignored: [], marks: [] };
          const written =
            JSON.stringify([lists, gadget.pages.map(({ over, elements }) => [over, elements])]).split(
              new RegExp(`\\b${id}\\b`),
            ).length - 1;
          const uses = countUses(gadget, id);
          expect(uses === 0).toBe(written === 0);
          // A text that names it twice is one place.
          expect(uses).toBeLessThanOrEqual(written);
        },
      ),
      { seed: 8, numRuns: 200 },
    );
  });
});
