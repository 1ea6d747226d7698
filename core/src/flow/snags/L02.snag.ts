import {
  buttonsHeard,
  hearsGesture,
  type Edit,
  type Gadget,
  type Nesting,
  type Snag,
  type SnagRule,
  type State,
} from '../../gadget/index.ts';
import { beside, nested, outwards, standing, unfinished } from '../reach.ts';

/** A tap, of the first control that this state does not listen to already, that leads home. */
function wayHome(gadget: Gadget, state: State): { edit: Edit; control: string } | null {
  const homeId = gadget.flow.initialId;
  const free = buttonsHeard(gadget).find(({ id }) =>
    state.rules.every(({ trigger }) => !hearsGesture(gadget, trigger, id, 'tap')),
  );
  if (!free || homeId === null || homeId === state.id) return null;
  const trigger = { kind: 'gesture', controlId: free.id, gesture: 'tap' } as const;
  const rule = { trigger, guard: null, actions: [], targetIds: [homeId], internal: false };
  return { control: free.name, edit: { name: 'addRule', args: [state.id, rule] } };
}

/** Whether one of its own rules, of those around it, or of other regions, leads out of it. */
function hasWayOut(gadget: Gadget, nesting: Nesting, state: State): boolean {
  const elsewhere = (id: string) => id !== state.id && !nesting.isInside(state.id, id);
  const leaves = ({ rules }: State) => rules.some(({ targetIds }) => targetIds.some(elsewhere));
  if (outwards(nesting, state).some(leaves)) return true;
  const home = outwards(nesting, state).find(({ kind }) => kind === 'parallel');
  return beside(gadget, nesting, state).some(({ rules }) =>
    rules.some(({ targetIds }) => targetIds.some((id) => home && !nesting.isInside(id, home.id))),
  );
}

/** A state that no rule leaves. One that is a region of its own has nowhere to go, and is none. */
export const L02: SnagRule = {
  id: 'L02',
  check(gadget, derived) {
    const { states, initialId } = gadget.flow;
    if (states.length < 2) return [];
    const nesting = nested(gadget, derived);
    const home = nesting.byId.get(initialId!)!;
    const blank = unfinished(gadget, derived);
    return standing(gadget, nesting).flatMap((state): Snag[] => {
      if (blank.has(state.id)) return [];
      const region = nesting.byId.get(state.parentId ?? '')?.kind === 'parallel';
      if (state.kind === 'final' || region || hasWayOut(gadget, nesting, state)) return [];
      const way = wayHome(gadget, state);
      return [
        {
          rule: 'L02',
          level: 'stop',
          place: { kind: 'state', id: state.id },
          values: { name: state.name, rules: state.rules.length },
          ...(way && {
            mend: { key: 'wayHome', edit: way.edit, values: { control: way.control, home: home.name } },
          }),
        },
      ];
    });
  },
};
