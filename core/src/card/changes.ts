import { canonicalJson, type Gadget } from '../gadget/index.ts';

/** What a change is of; `rule` by the name of its state, `pins` is what is wired to which pin. */
export type ChangedKind =
  | 'state'
  | 'rule'
  | 'variable'
  | 'signal'
  | 'timer'
  | 'layer'
  | 'part'
  | 'control'
  | 'output'
  | 'page'
  | 'picture'
  | 'font'
  | 'neighbour'
  | 'effect'
  | 'tune'
  | 'menu'
  /** Of a menu. */
  | 'item'
  | 'chord'
  | 'capture'
  | 'task'
  | 'word'
  | 'board'
  | 'pins'
  | 'name'
  | 'purpose'
  | 'settings';

/** One difference between two documents. */
export interface Change {
  how: 'added' | 'removed' | 'changed';
  what: ChangedKind;
  /** Of what was changed, as it is called now, or was; empty where there is only one. */
  name: string;
}

type Things = ReadonlyMap<string, { name: string; json: string }>;

const things = <T extends { id: string }>(all: readonly T[], nameOf: (one: T) => string): Things =>
  new Map(all.map((one) => [one.id, { name: nameOf(one), json: canonicalJson(one) }]));
const named = (all: readonly { id: string; name: string }[]) => things(all, ({ name }) => name);

/** What a document has many of, each kind by id. A state stands without its rules, which are told by themselves. */
function collections(gadget: Gadget): readonly (readonly [ChangedKind, Things])[] {
  const { flow, brief } = gadget;
  const states = flow.states.map(({ rules, ...state }) => ({ ...state, order: rules.map(({ id }) => id) }));
  const rules = flow.states.flatMap(({ name, rules }) => rules.map((rule) => ({ ...rule, of: name })));
  const menus = gadget.menus.map(({ items, ...menu }) => ({ ...menu, order: items.map(({ id }) => id) }));
  return [
    ['part', named(gadget.parts)],
    ['state', named(states)],
    ['rule', things(rules, ({ of }) => of)],
    ['variable', named(flow.variables)],
    ['signal', named(flow.signals)],
    ['timer', named(flow.timers)],
    ['layer', named(flow.layers)],
    ['control', named(gadget.controls)],
    ['output', named(gadget.outputs)],
    ['page', named(gadget.pages)],
    ['picture', named(gadget.pictures)],
    ['font', named(gadget.fonts)],
    ['neighbour', named(gadget.neighbours)],
    ['effect', named(gadget.effects)],
    ['tune', named(gadget.tunes)],
    ['menu', named(menus)],
    ['item', named(gadget.menus.flatMap(({ items }) => items))],
    ['chord', named(gadget.chords)],
    ['capture', named(gadget.captures)],
    ['task', named(brief.tasks)],
    ['word', things(brief.words, ({ text }) => text)],
  ];
}

/** What there is one of. Everything that is in none of these and in no collection is `settings`. */
const single = ({ name, brief, wiring, ...rest }: Gadget): readonly (readonly [ChangedKind, string])[] => {
  const { boardId, boards, ...wired } = wiring;
  const { loop, hands, bill, flow } = rest;
  const { initialId, chance, ignored, marks } = flow;
  const { purpose, wishes, picture } = brief;
  return [
    ['name', name],
    ['purpose', purpose],
    ['board', canonicalJson({ boardId, boards })],
    ['pins', canonicalJson(wired)],
    ['settings', canonicalJson({ loop, hands, bill, wishes, picture, initialId, chance, ignored, marks })],
  ];
};

/** Ids that parts of one document bring along which the other does not have. */
const broughtBeyond = ({ parts }: Gadget, other: Gadget): string[] => {
  const there = new Set(other.parts.map(({ id }) => id));
  return parts.flatMap(({ id, plays }) => (there.has(id) ? [] : plays));
};

/**
 * What makes one document another, in the order of the sheets within each: first what came and went, then what is
 * different. What a part brings along or takes away is told with the part only. Empty where they are alike.
 */
export function changesBetween(before: Gadget, after: Gadget): Change[] {
  const came: Change[] = [];
  const changed: Change[] = [];
  const byPart = new Set([...broughtBeyond(after, before), ...broughtBeyond(before, after)]);
  const was = new Map(collections(before));
  for (const [what, now] of collections(after)) {
    const then = was.get(what)!;
    const told = (id: string) => (what === 'control' || what === 'output') && byPart.has(id);
    for (const [id, { name, json }] of now) {
      const old = then.get(id);
      if (!old) {
        if (!told(id)) came.push({ how: 'added', what, name });
      } else if (old.json !== json) changed.push({ how: 'changed', what, name });
    }
    for (const [id, { name }] of then)
      if (!now.has(id) && !told(id)) came.push({ how: 'removed', what, name });
  }
  const once = new Map(single(before));
  for (const [what, now] of single(after))
    if (once.get(what) !== now) changed.push({ how: 'changed', what, name: '' });
  return [...came, ...changed];
}
