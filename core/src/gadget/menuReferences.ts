import type { Control } from './controls.schema.ts';
import type { Flow } from './flow.schema.ts';
import { limits } from './limits.ts';
import type { Menu, MenuItem, SchemeRole } from './menus.schema.ts';
import { showsPages, type Output } from './outputs.schema.ts';
import type { Variable } from './variables.schema.ts';

type Path = (string | number)[];
interface Referring {
  controls: Control[];
  outputs: Output[];
  menus: Menu[];
  flow: Flow;
}

/** The kind of control that a role of a scheme is for. */
export const controlKindOf = (role: SchemeRole): 'encoder' | 'button' =>
  role === 'turn' ? 'encoder' : 'button';

/** Whether a display can show a menu: one of pages, or of characters. */
export const showsMenus = ({ kind }: Output): boolean => showsPages(kind) || kind === 'text';

const variableKinds = {
  value: ['number'],
  choice: ['choice'],
  toggle: ['flag'],
  text: ['text'],
  pick: ['texts'],
  reading: ['number', 'choice', 'flag', 'text'],
} as const satisfies Partial<Record<MenuItem['kind'], readonly Variable['kind'][]>>;

/** Kinds of variables that an item of this kind can be about; none: it is about none. */
export const variablesFor = (kind: MenuItem['kind']): readonly Variable['kind'][] =>
  kind in variableKinds ? variableKinds[kind as keyof typeof variableKinds] : [];

/** Ids that an item needs, by the field that names them; a count can be left out. */
function neededBy(item: MenuItem): [field: string, id: string, kinds: readonly string[]][] {
  const own: [string, string, readonly string[]][] =
    'variableId' in item ? [['variableId', item.variableId, variablesFor(item.kind)]] : [];
  if (item.kind === 'pick') own.push(['chosenId', item.chosenId, ['number']]);
  return own;
}

/** Ids of the values of its interval, by the field that names them. */
const termsOf = ({ interval }: Menu): [field: string, id: string][] =>
  interval
    ? (['spanId', 'lengthId', 'rateId', 'intervalId'] as const).map((field) => [field, interval[field]])
    : [];

/** References of menus that lead nowhere or to the wrong kind of thing, and outlines that lie in themselves. */
export function menuFaults(gadget: Referring, accuse: (path: Path, message: string) => void): void {
  const { controls, outputs, flow, menus } = gadget;
  const variables = new Map(flow.variables.map(({ id, kind }) => [id, kind]));
  const states = new Map(flow.states.map((state) => [state.id, state]));
  const signals = new Set(flow.signals.map(({ id }) => id));
  const homes = new Set<string>();
  menus.forEach((menu, m) => {
    const base: Path = ['menus', m];
    const { stateId, leaveId, outputId, scheme } = menu;
    const home = stateId === null ? undefined : states.get(stateId);
    if (stateId !== null && home?.kind !== 'plain')
      accuse([...base, 'stateId'], `expected the id of a state that can hold others, got "${stateId}"`);
    if (stateId !== null && homes.has(stateId))
      accuse([...base, 'stateId'], 'expected a state that no other menu is in');
    if (stateId !== null) homes.add(stateId);
    if (leaveId !== null && !states.has(leaveId))
      accuse([...base, 'leaveId'], `expected the id of a state, got "${leaveId}"`);
    const display = outputs.find(({ id }) => id === outputId);
    if (outputId !== null && !(display && showsMenus(display)))
      accuse([...base, 'outputId'], `expected the id of a display with rows or pages, got "${outputId}"`);
    for (const [role, controlId] of Object.entries(scheme.keys) as [SchemeRole, string][]) {
      const kind = controlKindOf(role);
      if (!controls.some((control) => control.id === controlId && control.kind === kind))
        accuse([...base, 'scheme', 'keys', role], `expected the id of a ${kind}, got "${controlId}"`);
    }
    for (const [field, id] of termsOf(menu))
      if (variables.get(id) !== 'number')
        accuse([...base, 'interval', field], `expected the id of a variable (number), got "${id}"`);
    const levels = new Map<string | null, number>();
    const submenus = new Set<string>();
    menu.items.forEach((item, i) => {
      const path = [...base, 'items', i];
      if (item.parentId !== null && !submenus.has(item.parentId))
        accuse(
          [...path, 'parentId'],
          `expected the id of a submenu that comes before, got "${item.parentId}"`,
        );
      if (item.kind === 'submenu') submenus.add(item.id);
      const count = (levels.get(item.parentId) ?? 0) + 1;
      levels.set(item.parentId, count);
      if (count === limits.itemsPerLevel + 1)
        accuse([...path, 'parentId'], `expected at most ${limits.itemsPerLevel} items in one list`);
      for (const [field, id, kinds] of neededBy(item))
        if (!kinds.includes(variables.get(id) ?? ''))
          accuse([...path, field], `expected the id of a variable (${kinds.join(' or ')}), got "${id}"`);
      if (item.kind === 'pick' && item.countId !== null && variables.get(item.countId) !== 'number')
        accuse([...path, 'countId'], `expected the id of a variable (number), got "${item.countId}"`);
      if (item.kind === 'action' && !signals.has(item.signalId))
        accuse([...path, 'signalId'], `expected the id of a signal, got "${item.signalId}"`);
    });
  });
}

/** Depth first, siblings in their order: a submenu stands before what is in it. What lies in nothing is left out. */
export function inOutline(items: readonly MenuItem[]): MenuItem[] {
  const inner = new Map<string | null, MenuItem[]>();
  for (const item of items) {
    const beside = inner.get(item.parentId);
    if (beside) beside.push(item);
    else inner.set(item.parentId, [item]);
  }
  const ordered: MenuItem[] = [];
  const waiting = [...(inner.get(null) ?? [])].reverse();
  for (let item = waiting.pop(); item; item = waiting.pop()) {
    ordered.push(item);
    waiting.push(...[...(inner.get(item.id) ?? [])].reverse());
  }
  return ordered;
}

/** Menus without what they named and what is gone now, by whatever way it went. The same where nothing is gone. */
export function withoutLost<G extends Referring>(gadget: G): G {
  const { menus, controls, outputs, flow } = gadget;
  if (menus.length === 0) return gadget;
  const there = new Set(
    [controls, outputs, flow.variables, flow.states, flow.signals].flatMap((list) =>
      list.map(({ id }) => id),
    ),
  );
  const known = (id: string | null) => (id !== null && there.has(id) ? id : null);
  let lost = false;
  const tidied = menus.map((menu): Menu => {
    const { stateId, leaveId, outputId, scheme } = menu;
    const keys = Object.fromEntries(Object.entries(scheme.keys).filter(([, id]) => there.has(id)));
    const items = inOutline(
      menu.items
        .filter(
          (item) =>
            neededBy(item).every(([, id]) => there.has(id)) &&
            (item.kind !== 'action' || there.has(item.signalId)),
        )
        .map((item) =>
          item.kind === 'pick' && item.countId !== known(item.countId) ? { ...item, countId: null } : item,
        ),
    );
    // Without one of its four there is none.
    const interval = termsOf(menu).every(([, id]) => there.has(id)) ? menu.interval : null;
    const same =
      interval === menu.interval &&
      stateId === known(stateId) &&
      leaveId === known(leaveId) &&
      outputId === known(outputId) &&
      Object.keys(keys).length === Object.keys(scheme.keys).length &&
      items.length === menu.items.length &&
      items.every((item, n) => item === menu.items[n]);
    if (same) return menu;
    lost = true;
    return {
      ...menu,
      stateId: known(stateId),
      leaveId: known(leaveId),
      outputId: known(outputId),
      scheme: { ...scheme, keys },
      interval,
      items,
    };
  });
  return lost ? { ...gadget, menus: tidied } : gadget;
}
