import type { Flow, State } from './flow.schema.ts';

/** How the states of a flow lie in one another. Made once for a list of states; holds for that list only. */
export interface Nesting {
  /** Depth first, siblings in the order of the list: the order of the document. Those inside a circle are missing. */
  ordered: State[];
  byId: ReadonlyMap<string, State>;
  /** The states directly in it; of null: those on the outermost floor. */
  childrenOf(id: string | null): readonly State[];
  /** From the state that it is in outwards. */
  ancestorsOf(id: string): State[];
  /** Whether `inner` lies in `outer`, at any depth; a state does not lie in itself. */
  isInside(inner: string, outer: string): boolean;
}

export const isHistory = ({ kind }: State): boolean => kind === 'history' || kind === 'deepHistory';

const none: readonly State[] = [];

export function nestingOf({ states }: Pick<Flow, 'states'>): Nesting {
  const byId = new Map(states.map((state) => [state.id, state]));
  const children = new Map<string | null, State[]>();
  for (const state of states) {
    const siblings = children.get(state.parentId);
    if (siblings) siblings.push(state);
    else children.set(state.parentId, [state]);
  }
  const childrenOf = (id: string | null) => children.get(id) ?? none;
  const ordered: State[] = [];
  // A list of what is still to visit: nesting of hostile depth must not end in a full stack.
  const waiting = [...childrenOf(null)].reverse();
  for (let state = waiting.pop(); state; state = waiting.pop()) {
    ordered.push(state);
    const inner = childrenOf(state.id);
    for (let at = inner.length - 1; at >= 0; at -= 1) waiting.push(inner[at]!);
  }
  const ancestorsOf = (id: string): State[] => {
    const found: State[] = [];
    let { parentId } = byId.get(id) ?? { parentId: null };
    while (parentId !== null && found.length < states.length) {
      const parent = byId.get(parentId);
      if (!parent) break;
      found.push(parent);
      ({ parentId } = parent);
    }
    return found;
  };
  return {
    ordered,
    byId,
    childrenOf,
    ancestorsOf,
    isInside: (inner, outer) => ancestorsOf(inner).some(({ id }) => id === outer),
  };
}

/** Whether both can be active at the same time, neither lying in the other: their nearest common home is parallel. */
export function areApart(nesting: Nesting, a: string, b: string): boolean {
  if (a === b || nesting.isInside(a, b) || nesting.isInside(b, a)) return false;
  const over = new Set(nesting.ancestorsOf(b).map(({ id }) => id));
  return nesting.ancestorsOf(a).find(({ id }) => over.has(id))?.kind === 'parallel';
}

/** Whether all of these lie in that state. */
export function areInside(
  gadget: { flow: Pick<Flow, 'states'> },
  ids: readonly string[],
  outer: string,
): boolean {
  const nesting = nestingOf(gadget.flow);
  return ids.every((id) => nesting.isInside(id, outer));
}
