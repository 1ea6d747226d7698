import type { Gadget, Task } from '../gadget/index.ts';
import { pressToLight, rule, state } from '../test/fixtures.ts';
import { taskVerdicts } from './index.ts';
import { overBudget } from './verdicts.ts';

const task = (patch: Partial<Task>): Task => ({
  id: 't1',
  name: 'Get there',
  startStateId: 's1',
  goalStateId: 's3',
  doneWhen: null,
  budgetPresses: null,
  budgetUs: null,
  circumstances: [],
  ...patch,
});

/** Two presses lead there at once; or one, and a minute of waiting. */
const twoWays = (tasks: Task[]): Gadget => {
  const gadget = pressToLight();
  gadget.controls.push({ ...gadget.controls[0]!, id: 'b2', name: 'Ash' });
  gadget.brief.tasks = tasks;
  gadget.flow.initialId = 's1';
  const other = { kind: 'gesture', controlId: 'b2', gesture: 'press' } as const;
  gadget.flow.states = [
    state('s1', {
      rules: [rule('r1', { targetIds: ['s2'] }), rule('r2', { trigger: other, targetIds: ['s4'] })],
    }),
    state('s2', { rules: [rule('r3', { targetIds: ['s3'] })] }),
    state('s3'),
    state('s4', {
      rules: [rule('r4', { trigger: { kind: 'after', delay: 60_000_000 }, targetIds: ['s3'] })],
    }),
    state('s5'),
  ];
  return gadget;
};
const verdict = (patch: Partial<Task>) => taskVerdicts(twoWays([task(patch)]))[0]!;

describe('the verdict on a task', () => {
  it('tells fewest presses and least time as two ways, each with both figures', () => {
    const { fewest, quickest, complete, over } = verdict({});
    expect(fewest).toMatchObject({ presses: 1 });
    expect(fewest!.timeUs).toBeGreaterThanOrEqual(60_000_000);
    expect(quickest).toMatchObject({ presses: 2 });
    expect(quickest!.timeUs).toBeLessThan(10_000_000);
    expect([complete, over]).toEqual([true, null]);
  });

  it('is over its budget only where the best way of that kind is', () => {
    expect(verdict({ budgetPresses: 1, budgetUs: 10_000_000 }).over).toEqual({ presses: false, time: false });
    expect(verdict({ budgetPresses: 0 }).over).toEqual({ presses: true, time: false });
    expect(verdict({ budgetUs: 1 }).over).toEqual({ presses: false, time: true });
  });

  it('says nothing of a budget where there is no way, or none was set', () => {
    expect(verdict({ goalStateId: 's5', budgetPresses: 1 })).toMatchObject({
      fewest: null,
      quickest: null,
      over: null,
    });
    expect(overBudget({ budgetPresses: 3, budgetUs: null }, { fewest: null, quickest: null })).toBeNull();
  });

  it('is given for each task, in their order', () => {
    const tasks = [task({ id: 't1' }), task({ id: 't2', goalStateId: 's2' })];
    expect(taskVerdicts(twoWays(tasks)).map(({ taskId, fewest }) => [taskId, fewest?.presses])).toEqual([
      ['t1', 1],
      ['t2', 1],
    ]);
    expect(taskVerdicts(twoWays([]))).toEqual([]);
  });
});
