import { nestingOf, type Flow, type State } from '../gadget/index.ts';
import { nowActiveIn } from './nowActive.ts';

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

/** From where the innermost state of a region was entered to where it was left. `entry`: of the trace, what it began with. */
export interface Visit {
  regionId: string | null;
  stateId: string;
  fromUs: number;
  toUs: number;
  entry: number;
}

/**
 * Follows what a trace tells of states, region by region.
 * @returns `enter` takes the state entries in their order, and both give the visits that end there
 */
export function followRegions(flow: Pick<Flow, 'states'>) {
  const nesting = nestingOf(flow);
  const next = nowActiveIn({ flow: flow as Flow });
  const regions = regionsOf(flow).map((region) => ({ region, open: null as Omit<Visit, 'toUs'> | null }));
  let active: string[] = [];
  const ended = ({ open }: (typeof regions)[number], toUs: number): Visit[] =>
    open ? [{ ...open, toUs }] : [];
  return {
    enter(id: string, fromUs: number, entry: number): Visit[] {
      active = next(active, id);
      return regions.flatMap((one) => {
        const { region, open } = one;
        // What is not in the flow any more is still where it was.
        const unknown = region.id === null && !nesting.byId.has(id) ? id : null;
        const stateId = region.innermost(active)?.id ?? unknown;
        // Entered anew, it begins anew.
        if (stateId === (open?.stateId ?? null) && stateId !== id) return [];
        // On the way in, what lies around a state is entered, too, and is no state that it was in.
        const onTheWay =
          open?.fromUs === fromUs && stateId !== null && nesting.isInside(stateId, open.stateId);
        const left = onTheWay ? [] : ended(one, fromUs);
        one.open = stateId === null ? null : { regionId: region.id, stateId, fromUs, entry };
        return left;
      });
    },
    close: (atUs: number): Visit[] => regions.flatMap((one) => ended(one, atUs)),
  };
}
