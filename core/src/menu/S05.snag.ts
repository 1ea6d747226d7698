import {
  allActions,
  applyEdit,
  isOutputAction,
  madeFor,
  type Edit,
  type Effort,
  type Gadget,
  type Menu,
  type MenuItem,
  type SingleEdit,
  type Snag,
  type SnagRule,
  type Task,
} from '../gadget/index.ts';
import { asKept, outlinedMenus } from './expand.ts';
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

const keyOf = (item: Pick<MenuItem, 'id'>, task: Task) => `${item.id} ${task.id}`;

/** Items of a menu that a task about them does not allow, by their tasks. */
const overIn = (budgets: ReadonlyMap<string, Budget[]>): Set<string> =>
  new Set(
    [...budgets].flatMap(([id, about]) =>
      about.flatMap(({ task, over }) => (over ? [keyOf({ id }, task)] : [])),
    ),
  );

/** An item and the submenus that it lies in, itself first. */
function lineage({ items }: Menu, item: MenuItem): MenuItem[] {
  const line = [item];
  // A submenu stands before what is in it: one walk from the back meets all of them.
  for (const one of [...items].reverse()) if (one.id === line.at(-1)!.parentId) line.push(one);
  return line;
}

const atFront = (menu: Menu, id: string): SingleEdit => ({
  name: 'moveMenuItem',
  args: [menu.id, id, -menu.items.length],
});

const nested = (menu: Menu, { id }: MenuItem, into: string | null): SingleEdit => ({
  name: 'nestMenuItem',
  args: [menu.id, id, into],
});
const removed = (menu: Menu, { id }: MenuItem): SingleEdit => ({
  name: 'removeMenuItem',
  args: [menu.id, id],
});

/** Ways out that are tried in one run of checks: each reckons a whole menu, which for 200 items are some 30 ms. */
const mostTries = 12;

/**
 * Brings an item within what a task allows, with as little changed as that takes: it, and the submenus that it is in,
 * first in their lists; else out of those, one after the other, which go where nothing is left in them. Reckoned before
 * it is offered: what would be too deep for another task is no way.
 */
function nearer(gadget: Gadget, menu: Menu, item: MenuItem, task: Task, tries: Effort): Snag['mend'] {
  const line = lineage(menu, item);
  const before = overIn(budgetsOf(gadget, menu, menuFigures(gadget, menu)!));
  const holdsOne = ({ id }: MenuItem) => menu.items.filter(({ parentId }) => parentId === id).length === 1;
  for (const out of line.keys()) {
    // Of those that it leaves, the outermost that held nothing else.
    const left = line.slice(1, out + 1);
    const kept = left.findIndex((one) => !holdsOne(one));
    const emptied = left[(kept < 0 ? left.length : kept) - 1];
    const edits: SingleEdit[] = [
      ...(out === 0 ? [] : [nested(menu, item, line[out]!.parentId)]),
      ...(emptied ? [removed(menu, emptied)] : []),
      ...[item, ...line.slice(out + 1)].map(({ id }) => atFront(menu, id)),
    ];
    if ((tries.left -= 1) < 0) return undefined;
    const edit: Edit = { name: 'several', args: [edits] };
    const after = applyEdit(asKept(gadget), edit);
    const moved = outlinedMenus(after).find(({ id }) => id === menu.id)!;
    const figures = menuFigures(after, moved)!;
    const over = overIn(budgetsOf(after, moved, figures));
    if (over.has(keyOf(item, task)) || [...over].some((one) => !before.has(one))) continue;
    const { presses, timeUs } = costOf(figures.items[moved.items.findIndex(({ id }) => id === item.id)]!);
    return {
      key: out === 0 ? 'itemFirst' : 'itemOut',
      edit,
      values: { item: item.name, presses, timeUs, emptied: emptied?.name ?? '' },
    };
  }
  return undefined;
}

/**
 * An item that takes more presses or seconds to be set as usual, from where its menu begins, than a task about it
 * allows: whichever way the menu is come to.
 */
export const S05: SnagRule = {
  id: 'S05',
  check(gadget) {
    const tries: Effort = { left: mostTries };
    return outlinedMenus(gadget).flatMap((menu) => {
      const figures = menuFigures(gadget, menu);
      if (!figures) return [];
      const budgets = budgetsOf(gadget, menu, figures);
      return menu.items.flatMap((item, at) => {
        const { presses, timeUs } = costOf(figures.items[at]!);
        return budgets.get(item.id)!.flatMap(({ task, over }): Snag[] => {
          if (!over) return [];
          const mend = nearer(gadget, menu, item, task, tries);
          return [
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
              ...(mend && { mend }),
            },
          ];
        });
      });
    });
  },
};
