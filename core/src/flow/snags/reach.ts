import {
  isHistory,
  nestingOf,
  type Derived,
  type Gadget,
  type Nesting,
  type State,
} from '../../gadget/index.ts';
import { compileFlow } from '../compile.ts';
import { constantValue } from '../evaluate.ts';
import type { Code } from '../expression.ts';

/** The compiled flow, once per check run. */
export function compiled(gadget: Gadget, derived: Derived): ReturnType<typeof compileFlow> {
  return derived.once('flow.compiled', () => compileFlow(gadget));
}

/** How the states lie in one another, once per check run. */
export const nested = (gadget: Gadget, derived: Derived): Nesting =>
  derived.once('flow.nesting', () => nestingOf(gadget.flow));

/** Whether a guard holds whatever the variables are: true, false, or it depends (null). */
export function alwaysOrNever(guard: Code | null): boolean | null {
  if (guard === null) return true;
  const value = constantValue(guard);
  return value === null ? null : value !== 0;
}

/** States that hold no others: in them the gadget stands. */
export const standing = ({ flow }: Gadget, nesting: Nesting): State[] =>
  flow.states.filter((state) => !isHistory(state) && nesting.childrenOf(state.id).length === 0);

/** The state and those around it. */
export const outwards = (nesting: Nesting, state: State): State[] => [
  state,
  ...nesting.ancestorsOf(state.id),
];

/** States that can be active at the same time in other regions. */
export function beside({ flow }: Gadget, nesting: Nesting, state: State): State[] {
  const home = outwards(nesting, state);
  return home
    .slice(1)
    .flatMap((over, depth) =>
      over.kind === 'parallel'
        ? flow.states.filter(
            (other) =>
              nesting.isInside(other.id, over.id) &&
              !home
                .slice(0, depth + 1)
                .some((own) => own.id === other.id || nesting.isInside(other.id, own.id)),
          )
        : [],
    );
}

/** States that some chain of rules can enter from power-up, guards taken as possible unless constant 0. */
export function reachable(gadget: Gadget, derived: Derived): ReadonlySet<string> {
  return derived.once('flow.reachable', () => {
    const nesting = nested(gadget, derived);
    const { tables } = compiled(gadget, derived);
    const never = new Set(
      tables.ruleIds.filter((_, rule) => alwaysOrNever(tables.ruleGuard[rule]!) === false),
    );
    const reached = new Set<string>();
    const waiting: string[] = [];
    /** With all around it, and with what entering it leads into. */
    const enter = (id: string) => {
      const state = nesting.byId.get(id);
      if (!state || reached.has(id)) return;
      reached.add(id);
      waiting.push(id);
      for (const over of nesting.ancestorsOf(id)) {
        if (over.kind === 'parallel')
          nesting
            .childrenOf(over.id)
            .filter((one) => !isHistory(one))
            .forEach((one) => enter(one.id));
        enterAround(over.id);
      }
      const inner = nesting.childrenOf(id).filter((one) => !isHistory(one));
      if (isHistory(state)) {
        // What it remembers was reached before; what stands in for it is entered now.
        for (const target of state.initial?.targetIds ?? firstIn(state.parentId)) enter(target);
      } else if (state.kind === 'parallel') inner.forEach((one) => enter(one.id));
      else for (const target of state.initial?.targetIds ?? firstIn(id)) enter(target);
    };
    const enterAround = (id: string) => {
      if (reached.has(id)) return;
      reached.add(id);
      waiting.push(id);
    };
    const firstIn = (id: string | null) =>
      nesting
        .childrenOf(id)
        .filter((one) => !isHistory(one))
        .slice(0, 1)
        .map((one) => one.id);
    if (gadget.flow.initialId !== null) enter(gadget.flow.initialId);
    for (let id = waiting.pop(); id !== undefined; id = waiting.pop())
      for (const rule of nesting.byId.get(id)!.rules) if (!never.has(rule.id)) rule.targetIds.forEach(enter);
    return reached;
  });
}

/** Ids of the states that some chain of rules can enter from power-up; see `reachable`. */
export const statesReached = (gadget: Gadget): ReadonlySet<string> =>
  reachable(gadget, { once: (_key, make) => make(), bouncedPresses: () => [] });
