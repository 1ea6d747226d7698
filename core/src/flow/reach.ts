import {
  allRules,
  isHistory,
  nestingOf,
  type Derived,
  type Gadget,
  type Nesting,
  type State,
} from '../gadget/index.ts';
import { compileFlow } from './compile.ts';
import { ExpressionError } from './error.ts';
import { expressionRange, holds } from './range.ts';
import { scopeOf } from './scope.ts';

/** The compiled flow, once per check run. */
export function compiled(gadget: Gadget, derived: Derived): ReturnType<typeof compileFlow> {
  return derived.once('flow.compiled', () => compileFlow(gadget));
}

/** How the states lie in one another, once per check run. */
export const nested = (gadget: Gadget, derived: Derived): Nesting =>
  derived.once('flow.nesting', () => nestingOf(gadget.flow));

/**
 * Whether the guard of a rule holds, by what its variables can be: always, never, or it depends (null). One that cannot
 * be read never does.
 */
export function verdicts(gadget: Gadget, derived: Derived): ReadonlyMap<string, boolean | null> {
  return derived.once('flow.verdicts', () => {
    const scope = scopeOf(gadget);
    const verdict = (guard: string | null): boolean | null => {
      if (guard === null) return true;
      try {
        return holds(expressionRange(guard, scope));
      } catch (error) {
        if (error instanceof ExpressionError) return false;
        throw error;
      }
    };
    return new Map(allRules(gadget).map(({ rule: { id, guard } }) => [id, verdict(guard)]));
  });
}

/** States that hold no others: in them the gadget stands. */
export const standing = ({ flow }: Gadget, nesting: Nesting): State[] =>
  flow.states.filter((state) => !isHistory(state) && nesting.childrenOf(state.id).length === 0);

/**
 * States that their maker has not come to yet: nothing is done in them and nothing leads out. Unfinished is not wrong:
 * one quiet line tells of all of them, and no rule accuses them of anything.
 */
export const unfinished = (gadget: Gadget, derived: Derived): ReadonlySet<string> =>
  derived.once('flow.unfinished', () => {
    const nesting = nested(gadget, derived);
    const blank = standing(gadget, nesting).filter(
      ({ kind, entry, exit, rules }) =>
        kind !== 'final' && rules.length === 0 && entry.length === 0 && exit.length === 0,
    );
    return new Set(blank.map(({ id }) => id));
  });

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

/** States that some chain of rules can enter from power-up. @param mayFire whether a rule of that id ever can */
export function reachable(
  { flow }: Gadget,
  nesting: Nesting,
  mayFire: (ruleId: string) => boolean,
): ReadonlySet<string> {
  const reached = new Set<string>();
  const waiting: string[] = [];
  const firstIn = (id: string | null) =>
    nesting
      .childrenOf(id)
      .filter((one) => !isHistory(one))
      .slice(0, 1)
      .map((one) => one.id);
  const add = (id: string): boolean => {
    if (reached.has(id)) return false;
    reached.add(id);
    waiting.push(id);
    return true;
  };
  /** With all around it, and with what entering it leads into. */
  const enter = (id: string) => {
    const state = nesting.byId.get(id);
    if (!state || !add(id)) return;
    for (const over of nesting.ancestorsOf(id)) {
      if (over.kind === 'parallel') enterAll(over.id);
      add(over.id);
    }
    // What history remembers was reached before; what stands in for it is entered now.
    if (state.kind === 'parallel') enterAll(id);
    else
      for (const target of state.initial?.targetIds ?? firstIn(isHistory(state) ? state.parentId : id))
        enter(target);
  };
  const enterAll = (id: string) =>
    nesting
      .childrenOf(id)
      .filter((one) => !isHistory(one))
      .forEach((one) => enter(one.id));
  if (flow.initialId !== null) enter(flow.initialId);
  for (let id = waiting.pop(); id !== undefined; id = waiting.pop())
    for (const rule of nesting.byId.get(id)!.rules) if (mayFire(rule.id)) rule.targetIds.forEach(enter);
  return reached;
}

/** States that can be reached, guards taken as possible unless they can never hold. */
export function statesReached(gadget: Gadget): ReadonlySet<string> {
  const guards = verdicts(gadget, {
    once: (_key, make) => make(),
    bouncedPresses: () => [],
    effort: { left: 0 },
    asIs: true,
  });
  return reachable(gadget, nestingOf(gadget.flow), (id) => guards.get(id) !== false);
}
