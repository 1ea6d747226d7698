import type { Control } from './controls.schema.ts';
import type { Action, Rule, State } from './flow.schema.ts';
import type { Gadget } from './gadget.schema.ts';
import { actionLists } from './references.ts';

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

/** Every expression and template text of the flow. */
export function expressionTexts(gadget: Gadget): string[] {
  const guards = allRules(gadget).flatMap(({ rule }) => (rule.guard === null ? [] : [rule.guard]));
  const values = allActions(gadget).flatMap((action) => {
    if (action.kind === 'set') return [action.value];
    if (action.kind === 'tone') return [action.hz];
    return action.kind === 'text' ? [action.text] : [];
  });
  return [...guards, ...values];
}

/** In how many places of the flow this id is used: as trigger, target, output or in an expression. */
export function countUses(gadget: Gadget, id: string): number {
  const word = new RegExp(`\\b${id}\\b`);
  const inRules = allRules(gadget).filter(
    ({ rule: { targetId, trigger } }) =>
      targetId === id ||
      (trigger.kind === 'gesture' && trigger.controlId === id) ||
      (trigger.kind === 'chord' && trigger.chordId === id) ||
      (trigger.kind === 'code' && trigger.codeId === id),
  ).length;
  const inActions = allActions(gadget).filter(
    (action) =>
      ('outputId' in action && action.outputId === id) || (action.kind === 'set' && action.variableId === id),
  ).length;
  return inRules + inActions + expressionTexts(gadget).filter((text) => word.test(text)).length;
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
