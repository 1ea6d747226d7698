import type { Gadget, Task } from '../gadget/index.ts';
import { Explorer } from './explorer.ts';
import { waysOf, type TaskWays, type Way } from './shortest.ts';

type Figures = Pick<Way, 'presses' | 'timeUs'>;

/** What the shortest ways of a task come to, against its budget. */
export interface TaskVerdict {
  taskId: string;
  fewest: Figures | null;
  quickest: Figures | null;
  /** Whether everything was looked at. */
  complete: boolean;
  /** By how much no way that was looked at can keep the budget; null: none was set, or nothing can be said. */
  over: { presses: boolean; time: boolean } | null;
}

const figuresOf = (way: Way | null): Figures | null => way && { presses: way.presses, timeUs: way.timeUs };

/** Whether even the best way of its kind is over what was set for it. */
export function overBudget(
  { budgetPresses, budgetUs }: Pick<Task, 'budgetPresses' | 'budgetUs'>,
  { fewest, quickest }: Pick<TaskWays, 'fewest' | 'quickest'>,
): { presses: boolean; time: boolean } | null {
  if (!fewest || !quickest || (budgetPresses === null && budgetUs === null)) return null;
  return {
    presses: budgetPresses !== null && fewest.presses > budgetPresses,
    time: budgetUs !== null && quickest.timeUs > budgetUs,
  };
}

/** The same for every task of the brief. */
export function verdictsOf(explorer: Explorer): TaskVerdict[] {
  return explorer.gadget.brief.tasks.map((task) => {
    const { fewest, quickest, complete } = waysOf(explorer, task);
    return {
      taskId: task.id,
      fewest: figuresOf(fewest),
      quickest: figuresOf(quickest),
      complete,
      over: overBudget(task, { fewest, quickest }),
    };
  });
}

/** As far as a maker waits for while writing: some thousand states. */
const limits = { states: 20_000, edges: 300_000, work: 1_000_000_000 };

/** Walks a gadget for the verdicts on its tasks. */
export function taskVerdicts(gadget: Gadget): TaskVerdict[] {
  const explorer = new Explorer(gadget, limits);
  explorer.advance(limits.states);
  return verdictsOf(explorer);
}
