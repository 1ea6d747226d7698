import {
  allActions,
  isOutputAction,
  madeFor,
  type Gadget,
  type Menu,
  type MenuItem,
  type Snag,
  type SnagRule,
  type Task,
} from '../gadget/index.ts';
import { outlinedMenus } from './expand.ts';
import { costOf, menuFigures, type MenuFigures } from './figures.ts';

/** What an item sets; null: it sets nothing by itself. */
const targetOf = (item: MenuItem): string | null =>
  item.kind === 'pick'
    ? item.chosenId
    : 'variableId' in item && item.kind !== 'reading'
      ? item.variableId
      : null;

/** A task about an item, and whether setting it as usual takes more than that allows. */
export interface Budget {
  task: Task;
  over: boolean;
}

/**
 * Tasks with a budget that are done once something about a value holds, by the item that sets it. Where anything else
 * sets the same value there may be a shorter way, and nothing is said.
 */
export function budgetsOf(
  gadget: Gadget,
  { items }: Menu,
  figures: MenuFigures,
): ReadonlyMap<string, Budget[]> {
  const { flow, brief } = gadget;
  const states = flow.states.filter(({ id }) => madeFor(id) === null);
  const setBy = allActions({ ...gadget, flow: { ...flow, states } }).flatMap((action) =>
    'variableId' in action && !isOutputAction(action) ? [action.variableId] : [],
  );
  for (const menu of outlinedMenus(gadget)) for (const item of menu.items) setBy.push(targetOf(item) ?? '');
  return new Map(
    items.map((item, at) => {
      const id = targetOf(item);
      if (id === null || setBy.filter((one) => one === id).length > 1) return [item.id, []];
      const { presses, timeUs } = costOf(figures.items[at]!);
      const about = brief.tasks.filter(
        ({ doneWhen, budgetPresses, budgetUs }) =>
          doneWhen !== null &&
          new RegExp(`\\b${id}\\b`).test(doneWhen) &&
          (budgetPresses !== null || budgetUs !== null),
      );
      const over = ({ budgetPresses, budgetUs }: Task) =>
        (budgetPresses !== null && presses > budgetPresses) || (budgetUs !== null && timeUs > budgetUs);
      return [item.id, about.map((task) => ({ task, over: over(task) }))];
    }),
  );
}

/**
 * An item that takes more presses or seconds to be set as usual, from where its menu begins, than a task about it
 * allows: whichever way the menu is come to.
 */
export const S05: SnagRule = {
  id: 'S05',
  check: (gadget) =>
    outlinedMenus(gadget).flatMap((menu) => {
      const figures = menuFigures(gadget, menu);
      if (!figures) return [];
      const budgets = budgetsOf(gadget, menu, figures);
      return menu.items.flatMap((item, at) => {
        const { presses, timeUs } = costOf(figures.items[at]!);
        return budgets.get(item.id)!.flatMap(({ task, over }): Snag[] =>
          over
            ? [
                {
                  rule: 'S05',
                  level: 'likely',
                  place: { kind: 'menu', id: item.id },
                  values: {
                    item: item.name,
                    menu: menu.name,
                    task: task.name,
                    presses,
                    timeUs,
                    budgetPresses: task.budgetPresses ?? -1,
                    budgetUs: task.budgetUs ?? -1,
                  },
                },
              ]
            : [],
        );
      });
    }),
};
