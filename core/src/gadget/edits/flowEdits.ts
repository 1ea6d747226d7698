import { produce, type Draft } from 'immer';
import { canonicalJson } from '../canonical.ts';
import { findRule } from '../find.ts';
import {
  blankState,
  type Flow,
  type MarkKind,
  type Rule,
  type State,
  type StateKind,
  type Trigger,
} from '../flow.schema.ts';
import type { Gadget } from '../gadget.schema.ts';
import { nextId, nextIds } from '../ids.ts';
import { isHistory, nestingOf } from '../nesting.ts';
import { drop, dropTriggers, EditRefused, findIn, moveBy, unlink, type Patch } from './help.ts';

const ruleDraft = (draft: Draft<Gadget>, id: string) => {
  const found = findRule(draft, id);
  if (!found) throw new EditRefused(`There is no rule "${id}" any more.`);
  return found;
};

/** The state and all in it, by id. */
function withInner(gadget: Gadget, id: string): Set<string> {
  const nesting = nestingOf(gadget.flow);
  return new Set([
    id,
    ...gadget.flow.states.filter((one) => nesting.isInside(one.id, id)).map((one) => one.id),
  ]);
}

/** No rule and no beginning leads to these any more; a rule that led nowhere else goes. */
function dropTargets(draft: Draft<Gadget>, gone: ReadonlySet<string>): void {
  for (const state of draft.flow.states) {
    drop(state.rules, (rule) => {
      const before = rule.targetIds.length;
      drop(rule.targetIds, (id) => gone.has(id));
      return before > 0 && rule.targetIds.length === 0;
    });
    if (state.initial) {
      drop(state.initial.targetIds, (id) => gone.has(id));
      if (state.initial.targetIds.length === 0) state.initial = null;
    }
  }
}

/** What a state without others in it cannot have. */
function tidyParent(draft: Draft<Gadget>, id: string | null): void {
  const inner = draft.flow.states.filter(({ parentId }) => parentId === id);
  const parent = draft.flow.states.find((state) => state.id === id);
  if (!parent) return;
  if (inner.every(isHistory)) {
    const gone = new Set(inner.map((state) => state.id));
    drop(draft.flow.states, (state) => gone.has(state.id));
    dropTargets(draft, gone);
    parent.initial = null;
    if (parent.kind === 'parallel') parent.kind = 'plain';
  }
}

/** Beginnings lead inside their own state: those that no longer do begin with its first state instead. */
function tidyBeginnings(draft: Draft<Gadget>): void {
  const nesting = nestingOf(draft.flow);
  for (const state of draft.flow.states) {
    const home = isHistory(state) ? state.parentId : state.id;
    if (
      state.initial &&
      (home === null || !state.initial.targetIds.every((id) => nesting.isInside(id, home)))
    )
      state.initial = null;
  }
}

const sameRule = ({ id: _a, ...a }: Rule, { id: _b, ...b }: Rule) => canonicalJson(a) === canonicalJson(b);

/** Names that a copy gets: the same with a number, where it is taken. */
function freshName(taken: readonly string[], name: string): string {
  const stem = name.replace(/ \d+$/, '').slice(0, 70);
  let n = 2;
  while (taken.includes(`${stem} ${n}`)) n += 1;
  return taken.includes(name) ? `${stem} ${n}` : name;
}

export const flowEdits = {
  /** Another flow in its place; tasks and words that named its states are freed. */
  replaceFlow: (gadget: Gadget, flow: Flow) =>
    produce(gadget, (draft) => {
      const kept = new Set(flow.states.map(({ id }) => id));
      const gone = gadget.flow.states.filter(({ id }) => !kept.has(id)).map(({ id }) => id);
      draft.flow = flow;
      for (const task of draft.brief.tasks) {
        if (task.startStateId !== null && !kept.has(task.startStateId)) task.startStateId = null;
        if (task.goalStateId !== null && !kept.has(task.goalStateId)) task.goalStateId = null;
      }
      for (const id of gone) unlink(draft, id);
    }),

  addState: (
    gadget: Gadget,
    name: string,
    parentId: string | null = null,
    kind: Exclude<StateKind, 'parallel'> = 'plain',
  ) =>
    produce(gadget, (draft) => {
      const id = nextId(gadget, 'state');
      draft.flow.states.push({ ...blankState(), id, name, parentId, kind });
      draft.flow.initialId ??= id;
    }),
  /** A state whose regions, by name, are all at once; it is none without them. */
  addParallelState: (
    gadget: Gadget,
    name: string,
    regions: readonly string[],
    parentId: string | null = null,
  ) =>
    produce(gadget, (draft) => {
      if (regions.length === 0) throw new EditRefused('Expected a name for at least one region.');
      const [id, ...inner] = nextIds(gadget, 'state', regions.length + 1) as [string, ...string[]];
      draft.flow.states.push(
        { ...blankState(), id, name, parentId, kind: 'parallel' },
        ...inner.map((one, at) => ({ ...blankState(), id: one, name: regions[at]!, parentId: id })),
      );
      draft.flow.initialId ??= id;
    }),
  /**
   * A rule leads to a state that is made for it: beside the rule's own, or in it where that is a region, as a state
   * beside it would be one more region.
   */
  leadToNewState: (gadget: Gadget, ruleId: string, name: string) =>
    produce(gadget, (draft) => {
      const { rule, state } = ruleDraft(draft, ruleId);
      const id = nextId(gadget, 'state');
      const region = draft.flow.states.some((one) => one.id === state.parentId && one.kind === 'parallel');
      draft.flow.states.push({ ...blankState(), id, name, parentId: region ? state.id : state.parentId });
      rule.targetIds = [id];
      rule.internal = false;
    }),
  changeState: (
    gadget: Gadget,
    id: string,
    patch: Partial<Pick<State, 'name' | 'kind' | 'initial' | 'entry' | 'exit'>>,
  ) =>
    produce(gadget, (draft) => {
      const state = Object.assign(findIn(draft.flow.states, id, 'state'), patch);
      if (state.kind === 'parallel' || state.kind === 'final') state.initial = null;
      if (isHistory(state) || state.kind === 'final') state.rules = [];
      if (isHistory(state)) state.entry = state.exit = [];
    }),
  /** Among the states that lie in the same one. */
  moveState: (gadget: Gadget, id: string, by: number) =>
    produce(gadget, (draft) => {
      const { states } = draft.flow;
      const { parentId } = findIn(states, id, 'state');
      const siblings = states.filter((state) => state.parentId === parentId);
      moveBy(siblings, id, by, 'state');
      // Siblings change places among themselves; the others keep theirs.
      let next = 0;
      draft.flow.states = states.map((state) => (state.parentId === parentId ? siblings[next++]! : state));
    }),
  /** Into another state, or out to the outermost floor, with all that is in it. */
  nestState: (gadget: Gadget, id: string, parentId: string | null) =>
    produce(gadget, (draft) => {
      const state = findIn(draft.flow.states, id, 'state');
      if (parentId !== null && withInner(gadget, id).has(parentId))
        throw new EditRefused('Expected another state than this one or one in it.');
      const from = state.parentId;
      state.parentId = parentId;
      tidyParent(draft, from);
      tidyBeginnings(draft);
    }),
  setInitialState: (gadget: Gadget, id: string) =>
    produce(gadget, (draft) => {
      const state = findIn(draft.flow.states, id, 'state');
      const parent = draft.flow.states.find((one) => one.id === state.parentId);
      if (parent) parent.initial = { targetIds: [id], actions: parent.initial?.actions ?? [] };
      else draft.flow.initialId = id;
    }),
  /** Takes along the states in it and the rules that lead to them, and frees the tasks that name them. */
  removeState: (gadget: Gadget, id: string) =>
    produce(gadget, (draft) => {
      const gone = withInner(gadget, id);
      const parentId = draft.flow.states.find((state) => state.id === id)?.parentId ?? null;
      drop(draft.flow.states, (state) => gone.has(state.id));
      dropTargets(draft, gone);
      dropTriggers(draft, (trigger) => trigger.kind === 'done' && gone.has(trigger.stateId));
      drop(draft.flow.ignored, ({ stateId }) => gone.has(stateId));
      for (const task of draft.brief.tasks) {
        if (task.startStateId !== null && gone.has(task.startStateId)) task.startStateId = null;
        if (task.goalStateId !== null && gone.has(task.goalStateId)) task.goalStateId = null;
      }
      for (const one of gone) unlink(draft, one);
      tidyParent(draft, parentId);
      const { initialId, states } = draft.flow;
      if (initialId !== null && gone.has(initialId))
        draft.flow.initialId = states.find((state) => state.parentId === null)?.id ?? null;
    }),
  /** Puts states that lie side by side into a new one; rules that they all have alike, and in the same order, move up. */
  extractParent: (gadget: Gadget, ids: readonly string[], name: string) =>
    produce(gadget, (draft) => {
      const { states } = draft.flow;
      const inner = states.filter((state) => ids.includes(state.id));
      const [first] = inner;
      if (!first || inner.some(({ parentId }) => parentId !== first.parentId))
        throw new EditRefused('Expected states that lie side by side.');
      const id = nextId(gadget, 'state');
      const shared = first.rules.filter(
        (rule) =>
          rule.trigger.kind !== 'after' &&
          rule.trigger.kind !== 'every' &&
          inner.every(({ rules }) => rules.some((other) => sameRule(rule, other))),
      );
      const beginsHere =
        draft.flow.initialId !== null && ids.includes(draft.flow.initialId) ? draft.flow.initialId : null;
      states.splice(states.indexOf(first), 0, {
        ...blankState(),
        id,
        name,
        parentId: first.parentId,
        initial: beginsHere !== null ? { targetIds: [beginsHere], actions: [] } : null,
        rules: shared.map((rule) => ({ ...rule })),
      });
      for (const state of inner) {
        state.parentId = id;
        drop(state.rules, (rule) => shared.some((other) => sameRule(rule, other)));
      }
      if (beginsHere !== null) draft.flow.initialId = id;
    }),
  /** A second state with the same rules beside it, to be made different; what led to the first goes on leading there. */
  splitState: (gadget: Gadget, id: string) =>
    produce(gadget, (draft) => {
      const { states } = draft.flow;
      const state = findIn(states, id, 'state');
      const copy: State = { ...gadget.flow.states[states.indexOf(state)]! };
      copy.id = nextId(gadget, 'state');
      copy.name = freshName(
        gadget.flow.states.map((one) => one.name),
        state.name,
      );
      copy.initial = null;
      const ids = nextIds(gadget, 'rule', copy.rules.length);
      copy.rules = copy.rules.map((rule, at) => ({ ...rule, id: ids[at]! }));
      states.splice(states.indexOf(state) + 1, 0, copy);
    }),
  /** Whether the state leaves that event unanswered on purpose. */
  setIgnored: (gadget: Gadget, stateId: string, trigger: Trigger, ignored: boolean) =>
    produce(gadget, (draft) => {
      const key = canonicalJson(trigger);
      drop(draft.flow.ignored, (one) => one.stateId === stateId && canonicalJson(one.trigger) === key);
      if (ignored) draft.flow.ignored.push({ stateId, trigger });
    }),

  /** Says of a state or a rule what no tool can know. */
  setMark: (gadget: Gadget, placeId: string, means: MarkKind, on: boolean) =>
    produce(gadget, (draft) => {
      drop(draft.flow.marks, (one) => one.placeId === placeId && one.means === means);
      if (on) draft.flow.marks.push({ placeId, means });
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
      const { rule, state } = ruleDraft(draft, ruleId);
      const wait = rule.actions[actionIndex];
      if (wait?.kind !== 'wait' || rule.targetIds.length === 0)
        throw new EditRefused('Expected a wait in a rule that leads to a state.');
      const id = nextId(gadget, 'state');
      const after: Rule = {
        id: nextId(gadget, 'rule'),
        trigger: { kind: 'after', delay: wait.lengthUs },
        guard: null,
        actions: rule.actions.slice(actionIndex + 1),
        targetIds: rule.targetIds,
        internal: false,
      };
      draft.flow.states.push({
        ...blankState(),
        id,
        name,
        parentId: state.parentId,
        rules: [after],
      });
      rule.actions = rule.actions.slice(0, actionIndex);
      rule.targetIds = [id];
    }),
};
