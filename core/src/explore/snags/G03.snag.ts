import type { Snag, SnagRule } from '../../gadget/index.ts';
import { waysOf } from '../shortest.ts';
import { overBudget } from '../verdicts.ts';
import { explored, wayBy } from './explored.ts';

/** A task that no way keeps within its budget of presses or of seconds. */
export const G03: SnagRule = {
  id: 'G03',
  check(gadget, derived) {
    const budgeted = gadget.brief.tasks.filter(
      ({ budgetPresses, budgetUs }) => budgetPresses !== null || budgetUs !== null,
    );
    if (budgeted.length === 0) return [];
    const explorer = explored(gadget, derived);
    // A shorter way may lie where was not looked.
    if (!explorer.complete) return [];
    return budgeted.flatMap((task): Snag[] => {
      const { fewest, quickest } = waysOf(explorer, task);
      const over = overBudget(task, { fewest, quickest });
      if (!over || (!over.presses && !over.time)) return [];
      const way = over.presses ? fewest! : quickest!;
      return [
        {
          rule: 'G03',
          level: 'likely',
          place: { kind: 'task', id: task.id },
          values: {
            task: task.name,
            over: over.presses && over.time ? 'both' : over.presses ? 'presses' : 'time',
            presses: fewest!.presses,
            timeUs: quickest!.timeUs,
            budgetPresses: task.budgetPresses ?? 0,
            budgetUs: task.budgetUs ?? 0,
          },
          ...wayBy(explorer, derived, [...explorer.pathTo(way.fromId), ...way.steps], way.toId),
        },
      ];
    });
  },
};
