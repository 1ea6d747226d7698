import { gridOf } from '../flow/index.ts';
import type { Gadget } from '../gadget/index.ts';
import { pressToLight, rule, state } from '../test/fixtures.ts';
import { gadgetArbitrary } from '../test/arbitraries.ts';
import * as fc from 'fast-check';
import { printGridCsv } from './index.ts';

const release = { kind: 'gesture', controlId: 'b1', gesture: 'release' } as const;

/** Two states in one that answers for both, and one beside them. */
const nested = (): Gadget => {
  const gadget = pressToLight();
  gadget.flow.states = [
    state('s1', { name: 'Show', rules: [rule('r1', { guard: 'v1 > 3', targetIds: ['s4'] })] }),
    state('s2', { name: 'First, or "cold"', parentId: 's1', rules: [rule('r2', { targetIds: ['s3'] })] }),
    state('s3', {
      name: 'Second',
      parentId: 's1',
      rules: [rule('r3', { trigger: release, targetIds: ['s2'] })],
    }),
    state('s4', { name: 'Dark' }),
  ];
  gadget.flow.initialId = 's1';
  gadget.flow.ignored = [{ stateId: 's4', trigger: release }];
  return gadget;
};

describe('the grid as a table', () => {
  it('says where each event leads in each state, under which condition and from where', () => {
    expect(printGridCsv(nested()).split('\r\n')).toEqual([
      'state,in,Stir press,Stir release',
      'Show,,if count > 3 then Dark,',
      // Its own rule always answers: what lies around it is not asked.
      '"First, or ""cold""",Show,then Second,',
      'Second,Show,if count > 3 then Dark (from Show),"then ""First, or \\""cold\\"""""',
      'Dark,,,ignored on purpose',
      '',
    ]);
  });

  it('has a row for every state that can be stood in, and a column for every event, of any gadget', () => {
    fc.assert(
      fc.property(gadgetArbitrary, (gadget) => {
        const { events, rows } = gridOf(gadget);
        const lines = printGridCsv(gadget).trimEnd().split('\r\n');
        expect(lines).toHaveLength(rows.length + 1);
        expect(lines[0]!.startsWith('state,in')).toBe(true);
        if (events.length === 0) expect(lines[0]).toBe('state,in');
      }),
      { seed: 5, numRuns: 50 },
    );
  });
});
