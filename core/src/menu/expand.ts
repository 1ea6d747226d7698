import {
  allRules,
  canonicalJson,
  madeFor,
  type Gadget,
  type Menu,
  type OpenedOut,
  type Trigger,
} from '../gadget/index.ts';
import { makeMenu } from './make.ts';
import { Outline } from './outline.ts';

/** What one menu comes to in the flow, by ids of its own; nothing where it is nowhere yet. */
export function madeOf(document: Gadget, menu: Menu): OpenedOut {
  if (menu.stateId === null) return { states: [], variables: [], timers: [], pages: [], ignored: [] };
  // What it came to before is not there for it.
  const isMade = madeForAny(menu);
  const pages = document.pages.filter((page) => !isMade(page));
  const gadget = { ...document, pages };
  const made = makeMenu(new Outline(gadget, menu));
  return { ...made, pages: [...blankFirst(gadget, menu), ...made.pages] };
}

/** Whether a thing was made for this menu or one of its items. */
function madeForAny({ id, items }: Menu): (thing: { id: string }) => boolean {
  const owners = new Set([id, ...items.map((item) => item.id)]);
  return (thing) => owners.has(madeFor(thing.id) ?? '');
}

/** A display begins with its first page: where a maker drew none, that must not be one of the menu. */
function blankFirst({ pages, outputs }: Gadget, { id, outputId }: Menu): OpenedOut['pages'] {
  const display = outputs.find((output) => output.id === outputId);
  if (display?.kind !== 'screen') return [];
  if (pages.some((page) => page.outputId === outputId && page.over === null)) return [];
  return [{ id: `${id}b`, name: 'Blank', outputId: display.id, over: null, elements: [] }];
}

const ofControls: ReadonlySet<Trigger['kind']> = new Set<Trigger['kind']>([
  'gesture',
  'keys',
  'turn',
  'crossing',
  'chord',
  'code',
]);

/** Keys that have no meaning in a menu are meant to have none there. */
function ignoredIn(gadget: Gadget, containers: readonly string[]): Gadget['flow']['ignored'] {
  const triggers = new Map<string, Trigger>();
  for (const { rule } of allRules(gadget))
    if (ofControls.has(rule.trigger.kind)) triggers.set(canonicalJson(rule.trigger), rule.trigger);
  return containers.flatMap((stateId) => [...triggers.values()].map((trigger) => ({ stateId, trigger })));
}

const known = new WeakMap<Gadget, Gadget>();

/**
 * The gadget as it is played, checked and explored: its menus as ordinary states, rules, values and pages. The same
 * gadget where there is none. Pure; what is made has ids of its own (`madeFor`) and no limit of a document.
 */
export function withMenus(gadget: Gadget): Gadget {
  if (gadget.menus.every((menu) => menu.openedOut)) return gadget;
  let whole = known.get(gadget);
  if (!whole) {
    whole = expanded(gadget);
    known.set(gadget, whole);
  }
  return whole;
}

function expanded(gadget: Gadget): Gadget {
  const made = gadget.menus.flatMap((menu) => (menu.openedOut ? [] : [madeOf(gadget, menu)]));
  const { flow, pages } = gadget;
  const all = <K extends keyof OpenedOut>(part: K) =>
    made.flatMap((one) => one[part] as OpenedOut[K][number][]) as OpenedOut[K][number][];
  const whole: Gadget = {
    ...gadget,
    // They are there by hand now, as it were: nothing is made of them a second time.
    menus: gadget.menus.map((menu) => ({ ...menu, openedOut: true })),
    pages: [...pages, ...(all('pages') as Gadget['pages'])],
    flow: {
      ...flow,
      // In front: the state that a menu is in begins with it.
      states: [...(all('states') as Gadget['flow']['states']), ...flow.states],
      variables: [...flow.variables, ...(all('variables') as Gadget['flow']['variables'])],
      timers: [...flow.timers, ...(all('timers') as Gadget['flow']['timers'])],
    },
  };
  const containers = made.flatMap(({ states }) => (states[0] ? [states[0].id] : []));
  const done = {
    ...whole,
    flow: { ...whole.flow, ignored: [...flow.ignored, ...ignoredIn(whole, containers)] },
  };
  kept.set(done, gadget);
  return done;
}

const kept = new WeakMap<Gadget, Gadget>();

/** The gadget as it is stored and edited, also where its menus were worked out already. */
export const asKept = (gadget: Gadget): Gadget => kept.get(gadget) ?? gadget;

/** The menus of a gadget that are worked out, also where that was done already: those kept by hand are left out. */
export const outlinedMenus = (gadget: Gadget): readonly Menu[] =>
  asKept(gadget).menus.filter((menu) => !menu.openedOut);

/** What opening a menu out adds to the document. */
export function openedOut(gadget: Gadget, menu: Menu): OpenedOut {
  const made = madeOf(gadget, menu);
  const container = made.states[0];
  const rest = {
    ...gadget,
    menus: gadget.menus.map((one) => (one === menu ? { ...one, openedOut: true } : one)),
  };
  const whole = withMenus({
    ...rest,
    flow: { ...gadget.flow, states: [...made.states, ...gadget.flow.states] },
  });
  return { ...made, ignored: container ? ignoredIn(whole, [container.id]) : [] };
}

/** Everything in the document that was once made for a menu: what going back to the outline takes away. */
export function madeThings(gadget: Gadget, menu: Menu): string[] {
  const { states, variables, timers } = gadget.flow;
  return [...states, ...variables, ...timers, ...gadget.pages].filter(madeForAny(menu)).map(({ id }) => id);
}

/** What a menu would make otherwise than it stands in the flow now, where it was opened out. */
export interface Difference {
  kind: 'state' | 'rule' | 'variable' | 'timer' | 'page';
  id: string;
  name: string;
  /** changed: it is otherwise here; gone: the menu would make it; own: the menu knows nothing of it. */
  how: 'changed' | 'gone' | 'own';
}

export function differences(gadget: Gadget, menu: Menu): Difference[] {
  const made = madeOf(gadget, menu);
  const isMade = madeForAny(menu);
  const found: Difference[] = [];
  const compare = <T extends { id: string }>(
    kind: Difference['kind'],
    wanted: readonly T[],
    has: readonly T[],
    nameOf: (one: T) => string,
  ) => {
    const there = new Map(has.map((one) => [one.id, one]));
    const meant = new Set(wanted.map(({ id }) => id));
    for (const one of wanted) {
      const kept = there.get(one.id);
      if (!kept) found.push({ kind, id: one.id, name: nameOf(one), how: 'gone' });
      else if (canonicalJson(kept) !== canonicalJson(one))
        found.push({ kind, id: one.id, name: nameOf(kept), how: 'changed' });
    }
    for (const one of has)
      if (!meant.has(one.id) && (kind === 'rule' || isMade(one)))
        found.push({ kind, id: one.id, name: nameOf(one), how: 'own' });
  };
  const named = ({ name }: { name: string }) => name;
  const bare = (states: readonly Gadget['flow']['states'][number][]) =>
    states.map((state) => ({ ...state, rules: [] }));
  const rules = (states: readonly Gadget['flow']['states'][number][]) =>
    states.flatMap((state) => state.rules);
  const ruleNames = new Map(
    [...gadget.flow.states, ...made.states].flatMap(({ name, rules: own }) =>
      own.map(({ id }) => [id, name] as const),
    ),
  );
  const { flow } = gadget;
  const own = flow.states.filter(isMade);
  compare('state', bare(made.states), bare(own), named);
  compare('rule', rules(made.states), rules(own), ({ id }) => ruleNames.get(id) ?? '');
  compare('variable', made.variables, flow.variables, named);
  compare('timer', made.timers, flow.timers, named);
  compare('page', made.pages, gadget.pages, named);
  return found;
}
