import { chart, lead, on } from '../test/charts.ts';
import { button, frozen, rule, state } from '../test/fixtures.ts';
import { gridOf } from './grid.ts';

const gadget = frozen({
  ...chart([
    state('s1', { name: 'Playing', rules: [lead('r1', 'g1', ['s4']), rule('r9', { trigger: { kind: 'after', delay: 5_000 } })] }),
    state('s2', { name: 'Calm', parentId: 's1', rules: [lead('r2', 'g1', ['s3'], { guard: 'v1 > 3' }), lead('r3', 'g2', [])] }),
    state('s3', { name: 'Wild', parentId: 's1', rules: [lead('r4', 'g1', ['s2']), lead('r5', 'g1', ['s4'])] }),
    state('s4', { name: 'Over' }),
    state('s5', { kind: 'final' }),
  ]),
  controls: [button({ id: 'b1' })],
}); // prettier-ignore
const grid = gridOf(gadget);
const cell = (stateId: string, event: number) =>
  grid.rows.find(({ state: { id } }) => id === stateId)!.cells[event]!;
const ids = (stateId: string, event: number) => cell(stateId, event).answers.map((one) => one.rule.id);

describe('the grid', () => {
  it('has a column for every event that a rule waits for, and for presses that none does', () => {
    expect(grid.events).toEqual([{ kind: 'gesture', controlId: 'b1', gesture: 'press' }, on('g1'), on('g2')]);
    expect(grid.rows.map(({ state: { name }, depth }) => [name, depth])).toEqual([
      ['Playing', 0],
      ['Calm', 1],
      ['Wild', 1],
      ['Over', 0],
    ]);
  });
  it('says which rules answer, in the order in which they are asked, and from where they are inherited', () => {
    expect(ids('s2', 1)).toEqual(['r2', 'r1']);
    expect(cell('s2', 1).answers.map(({ owner, surely }) => [owner.name, surely])).toEqual([
      ['Calm', false],
      ['Playing', true],
    ]);
    expect(ids('s2', 2)).toEqual(['r3']);
    expect(ids('s3', 2)).toEqual([]);
  });
  it('leaves out what a sure rule before it never lets be asked', () => expect(ids('s3', 1)).toEqual(['r4']));
  it('counts what is open in states that the gadget stands in, and what is left so on purpose not', () => {
    // Press in three states, g2 in two, g1 in Over.
    expect(grid.open).toBe(6);
    const ignored = [
      { stateId: 's1', trigger: grid.events[0]! },
      { stateId: 's4', trigger: on('g1') },
    ];
    const marked = gridOf({ ...gadget, flow: { ...gadget.flow, ignored } });
    expect(marked.open).toBe(3);
    expect(marked.rows[1]!.cells[0]!.ignoredBy?.name).toBe('Playing');
  });
  it('takes a key that holds a layer for answered, as long as there is something in the layer', () => {
    const layer = { id: 'y1', name: 'Plan', when: { kind: 'held', controlId: 'b1' } as const };
    const keys = [{ controlId: 'b2', press: [], release: [] }];
    const open = (some: typeof keys) =>
      gridOf({ ...gadget, flow: { ...gadget.flow, layers: [{ ...layer, keys: some }] } }).open;
    // The press of b1 in three states is answered; of an empty layer it is not.
    expect([open(keys), open([])]).toEqual([3, 6]);
  });
  it('counts a rule that anything triggers as an answer to everything', () => {
    const any = gridOf(
      chart([state('s1', { rules: [rule('r1', { trigger: { kind: 'any' } }), lead('r2', 'g1', [])] })]),
    );
    expect(any.rows[0]!.cells[0]!.answers.map((one) => one.rule.id)).toEqual(['r1']);
    expect(any.open).toBe(0);
  });
});
