import type { Action } from './actions.schema.ts';
import type { Flow, Layer, LayerKey, Rule, State } from './flow.schema.ts';
import type { Page } from './pages.schema.ts';
import type { Place } from './place.ts';

/** A list of things to do, and where it stands. */
export interface PlacedActions {
  actions: Action[];
  place: Place;
  where: 'initial' | 'entry' | 'exit' | 'rule' | 'press' | 'release';
  /** In the document. */
  path: (string | number)[];
  /** Name of the state or layer. */
  name: string;
  /** null: in a layer. */
  state: State | null;
  /** Of a rule's list. */
  rule: Rule | null;
  /** Of a layer's list. */
  key: LayerKey | null;
}

/** Every list of actions of a flow, in document order: whoever judges, follows or changes actions looks at all of them. */
export const placedActions = ({ states, layers }: Pick<Flow, 'states' | 'layers'>): PlacedActions[] => [
  ...states.flatMap((state, s) => ofState(state, ['flow', 'states', s])),
  ...layers.flatMap((layer, y) => ofLayer(layer, ['flow', 'layers', y])),
];

/** Lists of what draws, page by page. They are no deeds: only who follows or changes what is written looks at them, too. */
export const drawnLists = (
  pages: readonly Page[],
): Pick<PlacedActions, 'actions' | 'place' | 'path' | 'name'>[] =>
  pages.map(({ id, name, elements }, p) => ({
    actions: elements,
    place: { kind: 'page', id },
    path: ['pages', p, 'elements'],
    name,
  }));

function ofState(state: State, base: (string | number)[]): PlacedActions[] {
  const { id, name, initial, entry, exit, rules } = state;
  const here = { place: { kind: 'state', id } as const, name, state, rule: null, key: null };
  return [
    ...(initial
      ? [
          {
            ...here,
            where: 'initial' as const,
            actions: initial.actions,
            path: [...base, 'initial', 'actions'],
          },
        ]
      : []),
    { ...here, where: 'entry', actions: entry, path: [...base, 'entry'] },
    { ...here, where: 'exit', actions: exit, path: [...base, 'exit'] },
    ...rules.map((rule, r): PlacedActions => {
      const place = { kind: 'rule', id: rule.id } as const;
      const path = [...base, 'rules', r, 'actions'];
      return { ...here, where: 'rule', place, rule, actions: rule.actions, path };
    }),
  ];
}

const ofLayer = ({ id, name, keys }: Layer, base: (string | number)[]): PlacedActions[] =>
  keys.flatMap((key, k) =>
    (['press', 'release'] as const).map((where): PlacedActions => {
      const place = { kind: 'layer', id } as const;
      const path = [...base, 'keys', k, where];
      return { actions: key[where], where, place, path, name, state: null, rule: null, key };
    }),
  );
