import { nestingOf } from '../gadget/index.ts';
import { chartArbitrary } from '../test/charts.ts';
import { state } from '../test/fixtures.ts';
import * as fc from 'fast-check';
import { followRegions, Machine, regionsOf } from './index.ts';

const states = [
  state('off', {}),
  state('on', { kind: 'parallel' }),
  state('lamp', { parentId: 'on' }),
  state('dark', { parentId: 'lamp' }),
  state('lit', { parentId: 'lamp' }),
  state('bell', { parentId: 'on' }),
];

describe('regions', () => {
  it('are the outermost floor and what lies directly in a parallel state', () => {
    const regions = regionsOf({ states });
    expect(regions.map(({ id }) => id)).toEqual([null, 'lamp', 'bell']);
    const innermost = (active: string[]) => regions.map((region) => region.innermost(active)?.id ?? null);
    expect(innermost(['off'])).toEqual(['off', null, null]);
    expect(innermost(['on', 'lamp', 'lit', 'bell'])).toEqual(['on', 'lit', 'bell']);
    expect(innermost([])).toEqual([null, null, null]);
  });

  it('are followed from state to state, without those on the way in', () => {
    const { enter, close } = followRegions({ states });
    const entries = [['off', 0], ['on', 5], ['lamp', 5], ['dark', 5], ['bell', 5], ['lit', 8], ['bell', 9], ['off', 12]] as const; // prettier-ignore
    const ended = entries.flatMap(([id, atUs], n) => enter(id, atUs, n));
    expect(
      [...ended, ...close(20)].map(({ stateId, fromUs, toUs, entry }) => [stateId, fromUs, toUs, entry]),
    ).toEqual([
      ['off', 0, 5, 0],
      ['dark', 5, 8, 3],
      // Entered anew, it begins anew.
      ['bell', 5, 9, 4],
      ['on', 5, 12, 1],
      ['lit', 8, 12, 5],
      ['bell', 9, 12, 6],
      ['off', 12, 20, 7],
    ]);
  });

  it('are each where the machine says that it is, whatever the chart', () => {
    fc.assert(
      fc.property(chartArbitrary, (gadget) => {
        const machine = new Machine(gadget, 1);
        machine.advanceTo(1_000_000);
        const { enter, close } = followRegions(gadget.flow);
        const visits = machine
          .takeTrace()
          .flatMap((entry, n) => (entry.lane === 'state' ? enter(entry.id, entry.atUs, n) : []));
        const now = close(1_000_001).filter(({ toUs }) => toUs === 1_000_001);
        for (const { fromUs, toUs } of [...visits, ...now]) expect(fromUs).toBeLessThanOrEqual(toUs);
        const { stateIds } = machine.shown;
        const nesting = nestingOf(gadget.flow);
        // Every state in hand without one in hand inside it stands in some region, and so does each region's.
        const inner = stateIds.filter((id) => !stateIds.some((other) => nesting.isInside(other, id)));
        expect(now.map(({ stateId }) => stateId)).toEqual(expect.arrayContaining(inner));
        for (const { stateId } of now) expect(stateIds).toContain(stateId);
      }),
      { seed: 17, numRuns: 200 },
    );
  });
});
