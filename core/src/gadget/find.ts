import type { Control } from './controls.schema.ts';
import type { Action } from './actions.schema.ts';
import type { Length } from './expressions.schema.ts';
import type { Rule, State } from './flow.schema.ts';
import type { Gadget } from './gadget.schema.ts';
import type { Page } from './pages.schema.ts';
import { fieldList, isOutputAction, type OutputAction } from './outputs.schema.ts';
import { drawnLists, placedActions, type PlacedActions } from './placedActions.ts';
import { layerKeyId } from './keySets.ts';
import type { Place } from './place.ts';

/** The rule of that id and the state that owns it, or undefined. */
export function findRule(gadget: Gadget, ruleId: string): { state: State; rule: Rule } | undefined {
  for (const state of gadget.flow.states)
    for (const rule of state.rules) if (rule.id === ruleId) return { state, rule };
  return undefined;
}

/** All actions of the gadget in document order. */
export function allActions(gadget: Gadget): Action[] {
  return placedActions(gadget.flow).flatMap(({ actions }) => actions);
}

/** All rules of the gadget in document order, each with the state that owns it. */
export function allRules(gadget: Gadget): { state: State; rule: Rule }[] {
  return gadget.flow.states.flatMap((state) => state.rules.map((rule) => ({ state, rule })));
}

const lengthText = (length: Length | null): string[] =>
  length !== null && typeof length === 'object' ? [length.ms] : [];

/** What can be written in an action: expressions, and texts with expressions in braces. */
export interface Written {
  expressions: string[];
  templates: string[];
}

export function writtenIn(action: Action): Written {
  if (isOutputAction(action)) {
    const said = action as unknown as Record<string, unknown>;
    const fields = fieldList(action.kind);
    const expressions = fields.flatMap(([name, { role }]) => {
      if (role === 'length') return lengthText(said[name] as Length);
      return role === 'expression' ? [said[name] as string] : [];
    });
    const templates = fields.flatMap(([name, { role }]) =>
      role === 'template' ? [said[name] as string] : [],
    );
    return { expressions, templates };
  }
  const templates = action.kind === 'setText' || action.kind === 'append' ? [action.text] : [];
  return { expressions: expressionsOf(action), templates };
}

function expressionsOf(action: Exclude<Action, OutputAction>): string[] {
  switch (action.kind) {
    case 'set':
      return action.index === null ? [action.value] : [action.index, action.value];
    case 'shift':
      return [action.value];
    case 'setText':
    case 'append':
      return action.index === null ? [] : [action.index];
    case 'shorten':
      return action.index === null ? [action.by] : [action.index, action.by];
    case 'start':
      return lengthText(action.length);
    case 'raise':
      return lengthText(action.delay);
    case 'save':
    case 'recall':
    case 'stop':
    case 'cancel':
    case 'wait':
      return [];
  }
}

/** Every expression and template text of a page. */
export const pageTexts = ({ over, elements }: Page): string[] => [
  ...(over === null ? [] : [over]),
  ...elements.flatMap(actionTexts),
];
function actionTexts(action: Action): string[] {
  const { expressions, templates } = writtenIn(action);
  return [...expressions, ...templates];
}

/** Every expression and template text of the flow, and of what displays show. */
export function expressionTexts(gadget: Gadget): string[] {
  const rules = allRules(gadget).flatMap(({ rule: { guard, trigger } }) => [
    ...(guard === null ? [] : [guard]),
    ...('delay' in trigger ? lengthText(trigger.delay) : []),
  ]);
  const layers = gadget.flow.layers.flatMap(({ when }) => (when?.kind === 'on' ? [when.condition] : []));
  const written = allActions(gadget).flatMap(actionTexts);
  return [...rules, ...written, ...layers, ...gadget.pages.flatMap(pageTexts)];
}

const namedBy = (record: object, id: string) =>
  Object.entries(record).some(([field, value]) => field.endsWith('Id') && value === id);

/** How many fields of a menu, of its keys or of an item name this id; its own and its place do not count. */
const namesIt = (record: object, id: string): number =>
  Object.entries(record).filter(([field, value]) => value === id && field !== 'id' && field !== 'parentId')
    .length;

/** In how many places of the flow this id is used: as trigger, target, output or in an expression. */
export function countUses(gadget: Gadget, id: string): number {
  return usesOf(gadget, id).length;
}

/** Where this id is used in the flow, on pages or in menus: the state, rule, layer, page or item, once for each time. */
export function usesOf({ flow, pages, menus }: Gadget, id: string): Place[] {
  const word = new RegExp(`\\b${id}\\b`);
  const inText = (text: string | null) => (text !== null && word.test(text) ? 1 : 0);
  const inAction = (action: Action): number => {
    const texts = actionTexts(action).filter((text) => word.test(text)).length;
    return texts + (namedBy(action, id) ? 1 : 0);
  };
  /** Of what stands around a list of actions: where it begins, what a rule waits for and where it leads, whose key it is. */
  const around = ({ where, state, rule, key }: PlacedActions): number => {
    if (where === 'initial') return state!.initial!.targetIds.includes(id) ? 1 : 0;
    if (where === 'press') return layerKeyId(key!) === id ? 1 : 0;
    if (!rule) return 0;
    const { trigger, guard, targetIds } = rule;
    const lengths = 'delay' in trigger ? lengthText(trigger.delay) : [];
    return [namedBy(trigger, id), targetIds.includes(id), inText(guard), ...lengths.map(inText)]
      .map(Number)
      .reduce((sum, one) => sum + one);
  };
  const times = (place: Place, count: number) => Array<Place>(count).fill(place);
  const inLists = placedActions(flow).flatMap((list) =>
    times(list.place, around(list) + list.actions.reduce((sum, action) => sum + inAction(action), 0)),
  );
  const held = flow.layers.flatMap(({ id: layerId, when }) => {
    const condition = when?.kind === 'on' && word.test(when.condition);
    return times({ kind: 'layer', id: layerId }, (when && namedBy(when, id)) || condition ? 1 : 0);
  });
  const drawn = drawnLists(pages).flatMap(({ place, actions }, p) =>
    times(
      place,
      actions.reduce((sum, action) => sum + inAction(action), inText(pages[p]!.over)),
    ),
  );
  const set = menus.flatMap((menu) => [
    ...times({ kind: 'menu', id: menu.id }, namesIt(menu, id) + namesIt(menu.scheme.keys, id)),
    ...menu.items.flatMap((item) => times({ kind: 'menu', id: item.id }, namesIt(item, id))),
  ]);
  return [...inLists, ...held, ...drawn, ...set];
}

/** The part that plays this control or output. */
export function partOf(gadget: Pick<Gadget, 'parts'>, endId: string): Gadget['parts'][number] | undefined {
  return gadget.parts.find(({ plays }) => plays.includes(endId));
}

/** Whether a control is a value that a module tells: no hand turns it to its ends. */
export function isReading(gadget: Pick<Gadget, 'parts'>, controlId: string): boolean {
  const part = partOf(gadget, controlId);
  const end = part?.own?.plays[part.plays.indexOf(controlId)];
  return typeof end === 'object' && end.kind === 'reading';
}

/** The controls of one kind, in document order. */
export function controlsOf<K extends Control['kind']>(
  { controls }: Pick<Gadget, 'controls'>,
  kind: K,
): Extract<Control, { kind: K }>[] {
  return controls.filter((control): control is Extract<Control, { kind: K }> => control.kind === kind);
}
