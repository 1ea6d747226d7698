import { produce, type Draft } from 'immer';
import type { State, Rule } from '../flow.schema.ts';
import type { Gadget } from '../gadget.schema.ts';
import { nextId } from '../ids.ts';
import { inOutline } from '../menuReferences.ts';
import { menuWords, type Menu, type MenuItem, type MenuScheme } from '../menus.schema.ts';
import type { Page } from '../pages.schema.ts';
import type { Variable } from '../variables.schema.ts';
import { EditRefused, findIn, type Patch, type Without } from './help.ts';

/** An item without what only the outline knows. */
export type NewMenuItem =
  Without<MenuItem> extends infer T ? (T extends unknown ? Omit<T, 'parentId'> : never) : never;

/** What a menu comes to in the flow: what is added where it is opened out. */
export interface OpenedOut {
  states: readonly State[];
  variables: readonly Variable[];
  timers: readonly { id: string; name: string }[];
  pages: readonly Page[];
  ignored: Gadget['flow']['ignored'];
}

const menuIn = (draft: Draft<Gadget>, id: string): Menu => findIn(draft.menus as Menu[], id, 'menu');
const itemIn = (menu: Menu, id: string): MenuItem => findIn(menu.items, id, 'item');

/** The item and all that lies in it. */
function branchOf({ items }: Pick<Menu, 'items'>, id: string): Set<string> {
  const branch = new Set([id]);
  // A submenu stands before what is in it.
  for (const item of items) if (item.parentId !== null && branch.has(item.parentId)) branch.add(item.id);
  return branch;
}

/** Settings and deeds as outlines. */
export const menuEdits = {
  addMenu: (
    gadget: Gadget,
    name: string,
    scheme: MenuScheme,
    where: Partial<Pick<Menu, 'stateId' | 'leaveId' | 'outputId'>> = {},
  ) =>
    produce(gadget, (draft) => {
      draft.menus.push({
        id: nextId(gadget, 'menu'),
        name,
        stateId: null,
        leaveId: null,
        outputId: null,
        ...where,
        scheme,
        wraps: false,
        remembers: false,
        idle: null,
        saves: 'never',
        words: menuWords,
        interval: null,
        openedOut: false,
        items: [],
      });
    }),
  changeMenu: (gadget: Gadget, id: string, patch: Patch<Omit<Menu, 'items' | 'openedOut'>>) =>
    produce(gadget, (draft) => void Object.assign(menuIn(draft, id), patch)),
  /** What it stands for in the flow goes with it, also where it was opened out. */
  removeMenu: (gadget: Gadget, id: string) =>
    produce(gadget, (draft) => {
      menuIn(draft, id);
      draft.menus = draft.menus.filter((menu) => menu.id !== id);
    }),
  addMenuItem: (gadget: Gadget, menuId: string, parentId: string | null, item: NewMenuItem) =>
    produce(gadget, (draft) => {
      const menu = menuIn(draft, menuId);
      const added = { ...item, id: nextId(gadget, 'menuItem'), parentId } as MenuItem;
      menu.items = inOutline([...menu.items, added]);
    }),
  changeMenuItem: (gadget: Gadget, menuId: string, id: string, patch: Patch<MenuItem>) =>
    produce(gadget, (draft) => void Object.assign(itemIn(menuIn(draft, menuId), id), patch)),
  /** Among those beside it. */
  moveMenuItem: (gadget: Gadget, menuId: string, id: string, by: number) =>
    produce(gadget, (draft) => {
      const menu = menuIn(draft, menuId);
      const { parentId } = itemIn(menu, id);
      const beside = menu.items.filter((item) => item.parentId === parentId);
      const from = beside.findIndex((item) => item.id === id);
      const to = Math.min(beside.length - 1, Math.max(0, from + by));
      beside.splice(to, 0, ...beside.splice(from, 1));
      menu.items = inOutline([...beside, ...menu.items.filter((item) => item.parentId !== parentId)]);
    }),
  /** All beside one another, in this order. */
  orderMenuItems: (gadget: Gadget, menuId: string, parentId: string | null, ids: readonly string[]) =>
    produce(gadget, (draft) => {
      const menu = menuIn(draft, menuId);
      const beside = ids.map((id) => itemIn(menu, id));
      const all = menu.items.filter((item) => item.parentId === parentId);
      if (beside.length !== all.length || !all.every((item) => beside.includes(item)))
        throw new EditRefused('Expected all items of that list, each once.');
      menu.items = inOutline([...beside, ...menu.items.filter((item) => item.parentId !== parentId)]);
    }),
  /** Into another submenu, or out to the outermost list, behind what is there. */
  nestMenuItem: (gadget: Gadget, menuId: string, id: string, parentId: string | null) =>
    produce(gadget, (draft) => {
      const menu = menuIn(draft, menuId);
      const item = itemIn(menu, id);
      if (parentId !== null && branchOf(menu, id).has(parentId))
        throw new EditRefused('Expected another submenu than this one or one in it.');
      if (parentId !== null && itemIn(menu, parentId).kind !== 'submenu')
        throw new EditRefused('Expected a submenu to put it into.');
      item.parentId = parentId;
      menu.items = inOutline([...menu.items.filter((one) => one !== item), item]);
    }),
  /** Items of one list into a new submenu, where the first of them was. */
  groupMenuItems: (
    gadget: Gadget,
    menuId: string,
    groups: readonly { name: string; ids: readonly string[] }[],
  ) =>
    produce(gadget, (draft) => {
      const menu = menuIn(draft, menuId);
      let free = Number(nextId(gadget, 'menuItem').slice(1));
      for (const { name, ids } of groups) {
        const inner = ids.map((id) => itemIn(menu, id));
        const [first] = inner;
        if (!first || inner.some(({ parentId }) => parentId !== first.parentId))
          throw new EditRefused('Expected items that lie side by side.');
        const submenu: MenuItem = {
          id: `i${free}`,
          kind: 'submenu',
          name,
          parentId: first.parentId,
          use: 1,
        };
        free += 1;
        menu.items.splice(menu.items.indexOf(first), 0, submenu);
        for (const item of inner) item.parentId = submenu.id;
      }
      menu.items = inOutline(menu.items);
    }),
  /** Takes along what lies in it. */
  removeMenuItem: (gadget: Gadget, menuId: string, id: string) =>
    produce(gadget, (draft) => {
      const menu = menuIn(draft, menuId);
      itemIn(menu, id);
      const gone = branchOf(menu, id);
      menu.items = menu.items.filter((item) => !gone.has(item.id));
    }),
  /** What it comes to is kept by hand from now on. */
  openMenuOut: (gadget: Gadget, id: string, made: OpenedOut) =>
    produce(gadget, (draft) => {
      const menu = menuIn(draft, id);
      if (menu.openedOut) throw new EditRefused('Expected a menu that is not opened out yet.');
      menu.openedOut = true;
      const { flow, pages } = draft;
      flow.states.push(...(made.states as State[]));
      flow.variables.push(...(made.variables as Variable[]));
      flow.timers.push(...made.timers);
      flow.ignored.push(...made.ignored);
      pages.push(...(made.pages as Page[]));
    }),
  /** What it came to by hand is given up for what the menu makes of it. */
  closeMenu: (gadget: Gadget, id: string, made: { ids: readonly string[] }) =>
    produce(gadget, (draft) => {
      const menu = menuIn(draft, id);
      if (!menu.openedOut) throw new EditRefused('Expected a menu that was opened out.');
      menu.openedOut = false;
      const gone = new Set(made.ids);
      const { flow } = draft;
      flow.states = flow.states.filter((state) => !gone.has(state.id));
      const leads = ({ targetIds }: Rule) => targetIds.some((one) => gone.has(one));
      for (const state of flow.states) state.rules = state.rules.filter((rule) => !leads(rule as Rule));
      flow.variables = flow.variables.filter((variable) => !gone.has(variable.id));
      flow.timers = flow.timers.filter((timer) => !gone.has(timer.id));
      flow.ignored = flow.ignored.filter(({ stateId }) => !gone.has(stateId));
      draft.pages = draft.pages.filter((page) => !gone.has(page.id));
    }),
};
