import { produce, type Draft } from 'immer';
import { findRule } from './find.ts';
import type { Action, Rule, State, Variable } from './flow.schema.ts';
import { gadgetSchema, type Gadget, type Task } from './gadget.schema.ts';
import { nextId } from './ids.ts';
import { faultsOf, type Fault } from './open.ts';
import type { Control, Output } from './parts.schema.ts';
import { actionLists } from './references.ts';

/* Every change to a document is one of these: small, named, pure. Undo, history, API and mends share them. */

type Without<T> = T extends unknown ? Omit<T, 'id'> : never;
type Patch<T> = T extends unknown ? Partial<Omit<T, 'id' | 'kind'>> : never;

const findIn = <T extends { id: string }>(list: T[], id: string, what: string): T => {
  const found = list.find((one) => one.id === id);
  if (!found) throw new EditRefused(`There is no ${what} "${id}" any more.`);
  return found;
};
const drop = <T>(list: T[], condemned: (one: T) => boolean) => {
  for (let i = list.length - 1; i >= 0; i -= 1) if (condemned(list[i]!)) list.splice(i, 1);
};
const moveBy = <T extends { id: string }>(list: T[], id: string, by: number, what: string) => {
  const from = list.indexOf(findIn(list, id, what));
  const to = Math.min(list.length - 1, Math.max(0, from + by));
  list.splice(to, 0, ...list.splice(from, 1));
};
const ruleDraft = (draft: Draft<Gadget>, id: string) => {
  const found = findRule(draft, id);
  if (!found) throw new EditRefused(`There is no rule "${id}" any more.`);
  return found;
};
const eachActions = (draft: Draft<Gadget>, visit: (actions: Action[]) => void) => {
  for (const { actions } of actionLists(draft.flow)) visit(actions);
};

export const edits = {
  renameGadget: (gadget: Gadget, name: string) => ({ ...gadget, name }),
  setPurpose: (gadget: Gadget, purpose: string) => ({ ...gadget, brief: { ...gadget.brief, purpose } }),
  setLoopPeriod: (gadget: Gadget, periodUs: number) => ({ ...gadget, loop: { ...gadget.loop, periodUs } }),

  addTask: (gadget: Gadget, task: Omit<Task, 'id'>) =>
    produce(gadget, (draft) => void draft.brief.tasks.push({ ...task, id: nextId(gadget, 'task') })),
  changeTask: (gadget: Gadget, id: string, patch: Patch<Task>) =>
    produce(gadget, (draft) => void Object.assign(findIn(draft.brief.tasks, id, 'task'), patch)),
  removeTask: (gadget: Gadget, id: string) =>
    produce(gadget, (draft) => drop(draft.brief.tasks, (task) => task.id === id)),

  addControl: (gadget: Gadget, control: Without<Control>) =>
    produce(gadget, (draft) => void draft.controls.push({ ...control, id: nextId(gadget, 'control') })),
  changeControl: (gadget: Gadget, id: string, patch: Patch<Control>) =>
    produce(gadget, (draft) => void Object.assign(findIn(draft.controls, id, 'control'), patch)),
  /** Takes along the rules that it triggers. */
  removeControl: (gadget: Gadget, id: string) =>
    produce(gadget, (draft) => {
      drop(draft.controls, (control) => control.id === id);
      for (const { rules } of draft.flow.states)
        drop(rules, ({ trigger }) => trigger.kind === 'gesture' && trigger.controlId === id);
    }),

  addOutput: (gadget: Gadget, output: Without<Output>) =>
    produce(
      gadget,
      (draft) => void draft.outputs.push({ ...output, id: nextId(gadget, 'output') } as Output),
    ),
  changeOutput: (gadget: Gadget, id: string, patch: Patch<Output>) =>
    produce(gadget, (draft) => void Object.assign(findIn(draft.outputs, id, 'output'), patch)),
  /** Takes along the actions that drive it. */
  removeOutput: (gadget: Gadget, id: string) =>
    produce(gadget, (draft) => {
      drop(draft.outputs, (output) => output.id === id);
      eachActions(draft, (actions) =>
        drop(actions, (action) => 'outputId' in action && action.outputId === id),
      );
    }),

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
} satisfies Record<string, (gadget: Gadget, ...args: never[]) => Gadget>;

export type EditName = keyof typeof edits;
type Rest<F> = F extends (gadget: Gadget, ...rest: infer R) => unknown ? R : never;

/** An edit as data: what a mend offers, what history remembers, what crosses to a worker. */
export type Edit = { [K in EditName]: { name: K; args: Rest<(typeof edits)[K]> } }[EditName];

/** The edit would not leave a valid gadget, or names something that is gone. Nothing was changed. */
export class EditRefused extends Error {
  readonly faults: Fault[];
  constructor(message: string, faults: Fault[] = []) {
    super(message);
    this.faults = faults;
  }
}

/**
 * The edited document. The result is checked by the document's own schema.
 * @throws EditRefused, naming the field, when the result would not be valid.
 */
export function applyEdit(gadget: Gadget, edit: Edit): Gadget {
  const edited = (edits[edit.name] as (gadget: Gadget, ...args: unknown[]) => Gadget)(gadget, ...edit.args);
  const parsed = gadgetSchema.safeParse(edited);
  if (parsed.success) return edited;
  const faults = faultsOf(parsed.error.issues);
  throw new EditRefused(`${faults[0]!.path}: ${faults[0]!.message}`, faults);
}
