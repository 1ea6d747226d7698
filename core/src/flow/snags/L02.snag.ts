import { controlsOf, type Edit, type Gadget, type SnagRule, type State } from '../../gadget/index.ts';

/** A tap, of the first control that this state does not listen to already, that leads home. */
function wayHome(gadget: Gadget, state: State): { edit: Edit; control: string } | null {
  const homeId = gadget.flow.initialId;
  const free = controlsOf(gadget, 'button').find(({ id }) =>
    state.rules.every(
      ({ trigger }) => !(trigger.kind === 'gesture' && trigger.controlId === id && trigger.gesture === 'tap'),
    ),
  );
  if (!free || homeId === null || homeId === state.id) return null;
  const trigger = { kind: 'gesture', controlId: free.id, gesture: 'tap' } as const;
  return {
    control: free.name,
    edit: { name: 'addRule', args: [state.id, { trigger, guard: null, actions: [], targetId: homeId }] },
  };
}

/** A state that no rule leaves. */
export const L02: SnagRule = {
  id: 'L02',
  check(gadget) {
    const { states, initialId } = gadget.flow;
    if (states.length < 2) return [];
    const home = states.find(({ id }) => id === initialId)!;
    return states.flatMap((state) => {
      if (state.rules.some(({ targetId }) => targetId !== null && targetId !== state.id)) return [];
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
