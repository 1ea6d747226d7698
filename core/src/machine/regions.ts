import { nestingOf, type Flow, type State } from '../gadget/index.ts';

/** One line of states of which at most one is active at a time: the outermost floor, or a region of a parallel state. */
export interface Region {
  /** The state that is the region; null: the outermost floor. */
  id: string | null;
  /** The innermost active state of this region that lies in no region of its own; null: the region is not active. */
  innermost(active: readonly string[]): State | null;
}

/** The regions of a flow, outermost first, in the order of the document. */
export function regionsOf(flow: Pick<Flow, 'states'>): Region[] {
  const nesting = nestingOf(flow);
  const isRegion = ({ parentId }: State) => nesting.byId.get(parentId ?? '')?.kind === 'parallel';
  const homeOf = new Map<string, { region: string | null; depth: number }>(
    nesting.ordered.map((state) => {
      const outwards = [state, ...nesting.ancestorsOf(state.id)];
      return [state.id, { region: outwards.find(isRegion)?.id ?? null, depth: outwards.length }];
    }),
  );
  const regionOf = (id: string | null): Region => ({
    id,
    innermost: (active) => {
      let found: State | null = null;
      let deepest = 0;
      for (const one of active) {
        const home = homeOf.get(one);
        if (home?.region !== id || home.depth <= deepest) continue;
        deepest = home.depth;
        found = nesting.byId.get(one)!;
      }
      return found;
    },
  });
  return [regionOf(null), ...nesting.ordered.filter(isRegion).map(({ id }) => regionOf(id))];
}
