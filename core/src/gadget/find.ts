import type { Control } from './controls.schema.ts';
import type { Action } from './actions.schema.ts';
import type { Length } from './expressions.schema.ts';
import type { Rule, State } from './flow.schema.ts';
import type { Gadget } from './gadget.schema.ts';
import { fieldList, isOutputAction, type OutputAction } from './outputs.schema.ts';
import { actionLists } from './flowReferences.ts';
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
  return [...actionLists(gadget.flow)].flatMap(({ actions }) => actions);
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

/** Every expression and template text of the flow. */
export function expressionTexts(gadget: Gadget): string[] {
  const rules = allRules(gadget).flatMap(({ rule: { guard, trigger } }) => [
    ...(guard === null ? [] : [guard]),
    ...('delay' in trigger ? lengthText(trigger.delay) : []),
  ]);
  const layers = gadget.flow.layers.flatMap(({ when }) => (when?.kind === 'on' ? [when.condition] : []));
  const written = allActions(gadget).flatMap((action) => {
    const { expressions, templates } = writtenIn(action);
    return [...expressions, ...templates];
  });
  return [...rules, ...written, ...layers];
}

const namedBy = (record: object, id: string) =>
  Object.entries(record).some(([field, value]) => field.endsWith('Id') && value === id);

/** In how many places of the flow this id is used: as trigger, target, output or in an expression. */
export function countUses(gadget: Gadget, id: string): number {
  return usesOf(gadget, id).length;
}

/** Where this id is used in the flow: the state, rule or layer, once for each time. */
export function usesOf(gadget: Gadget, id: string): Place[] {
  const word = new RegExp(`\\b${id}\\b`);
  const inActions = (place: Place, actions: readonly Action[]) =>
    actions.flatMap((action) => {
      const { expressions, templates } = writtenIn(action);
      const texts = [...expressions, ...templates].filter((text) => word.test(text)).length;
      return Array<Place>(texts + (namedBy(action, id) ? 1 : 0)).fill(place);
    });
  const ofStates = gadget.flow.states.flatMap((state): Place[] => {
    const place: Place = { kind: 'state', id: state.id };
    const initial = state.initial?.targetIds.includes(id) ? [place] : [];
    const actions = [...(state.initial?.actions ?? []), ...state.entry, ...state.exit];
    return [
      ...initial,
      ...inActions(place, actions),
      ...state.rules.flatMap((rule): Place[] => {
        const at: Place = { kind: 'rule', id: rule.id };
        const texts = [rule.guard ?? '', ...('delay' in rule.trigger ? lengthText(rule.trigger.delay) : [])];
        return [
          ...(namedBy(rule.trigger, id) ? [at] : []),
          ...(rule.targetIds.includes(id) ? [at] : []),
          ...texts.filter((text) => word.test(text)).map(() => at),
          ...inActions(at, rule.actions),
        ];
      }),
    ];
  });
  const ofLayers = gadget.flow.layers.flatMap(({ id: layerId, when, keys }): Place[] => {
    const place: Place = { kind: 'layer', id: layerId };
    const condition = when?.kind === 'on' && word.test(when.condition);
    return [
      ...((when && namedBy(when, id)) || condition ? [place] : []),
      ...keys.flatMap((key) => [
        ...(layerKeyId(key) === id ? [place] : []),
        ...inActions(place, [...key.press, ...key.release]),
      ]),
    ];
  });
  return [...ofStates, ...ofLayers];
}

/** The part that plays this control or output. */
export function partOf(gadget: Pick<Gadget, 'parts'>, endId: string): Gadget['parts'][number] | undefined {
  return gadget.parts.find(({ plays }) => plays.includes(endId));
}

/** The controls of one kind, in document order. */
export function controlsOf<K extends Control['kind']>(
  { controls }: Pick<Gadget, 'controls'>,
  kind: K,
): Extract<Control, { kind: K }>[] {
  return controls.filter((control): control is Extract<Control, { kind: K }> => control.kind === kind);
}
