import type { Action } from './actions.schema.ts';
import type { Flow, Rule, State } from './flow.schema.ts';
import type { Place } from './place.ts';

/** A list of things to do, and where it stands. */
export interface PlacedActions {
  actions: readonly Action[];
  place: Place;
  where: 'initial' | 'entry' | 'exit' | 'rule' | 'press' | 'release';
  /** Name of the state or layer. */
  name: string;
  /** null: in a layer. */
  state: State | null;
  /** Of a rule's list. */
  rule: Rule | null;
}

/** Every list of actions of a flow, in document order: whoever judges actions looks at all of them. */
export function placedActions({ states, layers }: Pick<Flow, 'states' | 'layers'>): PlacedActions[] {
  const ofStates = states.flatMap((state): PlacedActions[] => {
    const here = { place: { kind: 'state', id: state.id } as const, name: state.name, state, rule: null };
    return [
      ...(state.initial ? [{ ...here, where: 'initial' as const, actions: state.initial.actions }] : []),
      { ...here, where: 'entry', actions: state.entry },
      { ...here, where: 'exit', actions: state.exit },
      ...state.rules.map((rule): PlacedActions => {
        const place = { kind: 'rule', id: rule.id } as const;
        return { ...here, where: 'rule', place, rule, actions: rule.actions };
      }),
    ];
  });
  const ofLayers = layers.flatMap(({ id, name, keys }) =>
    keys.flatMap((key) =>
      (['press', 'release'] as const).map((where): PlacedActions => {
        const place = { kind: 'layer', id } as const;
        return { actions: key[where], where, place, name, state: null, rule: null };
      }),
    ),
  );
  return [...ofStates, ...ofLayers];
}
