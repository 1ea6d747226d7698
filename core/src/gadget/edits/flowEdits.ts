import { produce, type Draft } from 'immer';
import { findRule } from '../find.ts';
import type { Rule, State, Variable } from '../flow.schema.ts';
import type { Gadget } from '../gadget.schema.ts';
import { nextId } from '../ids.ts';
import { drop, EditRefused, eachActions, findIn, moveBy, unlink, type Patch } from './help.ts';

const ruleDraft = (draft: Draft<Gadget>, id: string) => {
  const found = findRule(draft, id);
  if (!found) throw new EditRefused(`There is no rule "${id}" any more.`);
  return found;
};

export const flowEdits = {
  addVariable: (gadget: Gadget, variable: Omit<Variable, 'id'>) =>
    produce(
      gadget,
      (draft) => void draft.flow.variables.push({ ...variable, id: nextId(gadget, 'variable') }),
    ),
  changeVariable: (gadget: Gadget, id: string, patch: Patch<Variable>) =>
    produce(gadget, (draft) => void Object.assign(findIn(draft.flow.variables, id, 'variable'), patch)),
  /** Takes along the actions that set it; expressions that read it stay, and become a snag. */
  removeVariable: (gadget: Gadget, id: string) =>
    produce(gadget, (draft) => {
      drop(draft.flow.variables, (variable) => variable.id === id);
      eachActions(draft, (actions) =>
        drop(actions, (action) => action.kind === 'set' && action.variableId === id),
      );
    }),

  addState: (gadget: Gadget, name: string) =>
    produce(gadget, (draft) => {
      const id = nextId(gadget, 'state');
      draft.flow.states.push({ id, name, entry: [], exit: [], rules: [] });
      draft.flow.initialId ??= id;
    }),
  changeState: (gadget: Gadget, id: string, patch: Partial<Pick<State, 'name' | 'entry' | 'exit'>>) =>
    produce(gadget, (draft) => void Object.assign(findIn(draft.flow.states, id, 'state'), patch)),
  moveState: (gadget: Gadget, id: string, by: number) =>
    produce(gadget, (draft) => moveBy(draft.flow.states, id, by, 'state')),
  setInitialState: (gadget: Gadget, id: string) =>
    produce(gadget, (draft) => void (draft.flow.initialId = id)),
  /** Takes along the rules that lead there, and frees the tasks that name it. */
  removeState: (gadget: Gadget, id: string) =>
    produce(gadget, (draft) => {
      drop(draft.flow.states, (state) => state.id === id);
      for (const { rules } of draft.flow.states) drop(rules, (rule) => rule.targetId === id);
      for (const task of draft.brief.tasks) {
        if (task.startStateId === id) task.startStateId = null;
        if (task.goalStateId === id) task.goalStateId = null;
      }
      unlink(draft, id);
      if (draft.flow.initialId === id) draft.flow.initialId = draft.flow.states[0]?.id ?? null;
    }),

  addRule: (gadget: Gadget, stateId: string, rule: Omit<Rule, 'id'>) =>
    produce(gadget, (draft) => {
      findIn(draft.flow.states, stateId, 'state').rules.push({ ...rule, id: nextId(gadget, 'rule') });
    }),
  changeRule: (gadget: Gadget, id: string, patch: Patch<Rule>) =>
    produce(gadget, (draft) => void Object.assign(ruleDraft(draft, id).rule, patch)),
  moveRule: (gadget: Gadget, id: string, by: number) =>
    produce(gadget, (draft) => moveBy(ruleDraft(draft, id).state.rules, id, by, 'rule')),
  removeRule: (gadget: Gadget, id: string) =>
    produce(gadget, (draft) => drop(ruleDraft(draft, id).state.rules, (rule) => rule.id === id)),

  /**
   * Turns a blocking wait inside a rule into a state of its own that is left by a timer: what followed the wait
   * happens on leaving it. Only for a rule that leads somewhere; otherwise coming back would enter the state anew.
   */
  waitInOwnState: (gadget: Gadget, ruleId: string, actionIndex: number, name: string) =>
    produce(gadget, (draft) => {
      const { rule } = ruleDraft(draft, ruleId);
      const wait = rule.actions[actionIndex];
      if (wait?.kind !== 'wait' || rule.targetId === null)
        throw new EditRefused('Expected a wait in a rule that leads to a state.');
      const id = nextId(gadget, 'state');
      const after: Rule = {
        id: nextId(gadget, 'rule'),
        trigger: { kind: 'after', delayUs: wait.lengthUs },
        guard: null,
        actions: rule.actions.slice(actionIndex + 1),
        targetId: rule.targetId,
      };
      draft.flow.states.push({ id, name, entry: [], exit: [], rules: [after] });
      rule.actions = rule.actions.slice(0, actionIndex);
      rule.targetId = id;
    }),
};
