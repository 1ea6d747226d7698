import { controlsOf, type Rule, type Snag, type SnagRule, type State } from '../../gadget/index.ts';

const waits = ({ trigger, targetIds }: Rule): boolean => trigger.kind === 'after' && targetIds.length > 0;
const answers = (state: State, controlId: string): boolean =>
  state.rules.some(({ trigger }) => 'controlId' in trigger && trigger.controlId === controlId);

/** A game waits for the moment, and a press that comes before it is not answered: who presses all the time cannot lose. */
export const L11: SnagRule = {
  id: 'L11',
  check: (gadget) =>
    gadget.flow.states.flatMap((state): Snag[] => {
      const next = state.rules
        .filter(waits)
        .flatMap(({ targetIds }) => gadget.flow.states.filter(({ id }) => targetIds.includes(id)));
      const early = controlsOf(gadget, 'button').find(
        ({ id, wants }) =>
          wants.purpose === 'game' &&
          !answers(state, id) &&
          // Only where the next state is about being quick: it waits for the press, and for time to run out.
          next.some(
            (one) =>
              one.id !== state.id &&
              one.rules.some(
                ({ trigger, targetIds }) =>
                  trigger.kind === 'gesture' &&
                  trigger.controlId === id &&
                  trigger.gesture === 'press' &&
                  targetIds.length > 0,
              ) &&
              one.rules.some(waits),
          ) &&
          !gadget.flow.ignored.some(
            ({ stateId, trigger }) =>
              stateId === state.id && 'controlId' in trigger && trigger.controlId === id,
          ),
      );
      if (!early) return [];
      const trigger = { kind: 'gesture', controlId: early.id, gesture: 'press' } as const;
      const homeId = gadget.flow.initialId!;
      return [
        {
          rule: 'L11',
          level: 'likely',
          place: { kind: 'state', id: state.id },
          values: { name: state.name, control: early.name },
          mend: {
            key: 'earlyLoses',
            edit: {
              name: 'addRule',
              args: [state.id, { trigger, guard: null, actions: [], targetIds: [homeId], internal: false }],
            },
            values: { home: gadget.flow.states.find(({ id }) => id === homeId)!.name },
          },
        },
      ];
    }),
};
