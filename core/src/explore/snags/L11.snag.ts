import {
  controlsHeard,
  controlsOf,
  hearsGesture,
  placedActions,
  type Gadget,
  type Rule,
  type Snag,
  type SnagRule,
  type State,
  type Trigger,
} from '../../gadget/index.ts';
import { tells } from './answering.ts';

/** Waits for a moment that nobody can know: chance decides when it comes. */
function waitsByChance({ flow }: Gadget, state: State, { trigger }: Rule): boolean {
  const byChance = (length: unknown) =>
    typeof length === 'object' &&
    length !== null &&
    'ms' in length &&
    /\brandom\b|\bv\d+\b/.test(String(length.ms));
  if (trigger.kind === 'after') return byChance(trigger.delay);
  if (trigger.kind !== 'timer') return false;
  return placedActions(flow).some(
    ({ actions, state: owner }) =>
      owner !== null &&
      actions.some(
        (one) => one.kind === 'start' && one.timerId === trigger.timerId && byChance(one.length),
      ) &&
      (owner.id === state.id || owner.rules.some(({ targetIds }) => targetIds.includes(state.id))),
  );
}

/** Whether it hears anything of the control, by itself or in its set. */
const isOf = (gadget: Gadget, trigger: Trigger, controlId: string): boolean =>
  ('controlId' in trigger && trigger.controlId === controlId) ||
  controlsHeard(gadget, trigger).includes(controlId);

/**
 * A round waits for a moment that chance picks, and tells when it has come; a press before it is not answered: who
 * presses all the time cannot be late. Only where one may not be early: a wait of fixed length can be learned.
 */
export const L11: SnagRule = {
  id: 'L11',
  check: (gadget) =>
    gadget.flow.states.flatMap((state): Snag[] => {
      const moments = state.rules.filter((rule) => waitsByChance(gadget, state, rule));
      const next = moments.flatMap((rule) =>
        gadget.flow.states.filter(
          (one) =>
            one.id !== state.id &&
            rule.targetIds.includes(one.id) &&
            [...state.exit, ...rule.actions, ...one.entry].some(tells),
        ),
      );
      const quick = controlsOf(gadget, 'button').filter(
        ({ id, wants }) =>
          (wants.purpose === 'game' || wants.purpose === null) &&
          next.some(({ rules }) =>
            rules.some(
              ({ trigger, targetIds }) => targetIds.length > 0 && hearsGesture(gadget, trigger, id, 'press'),
            ),
          ),
      );
      const early = quick.filter(
        ({ id }) =>
          !state.rules.some(({ trigger }) => isOf(gadget, trigger, id)) &&
          !gadget.flow.ignored.some(
            ({ stateId, trigger }) => stateId === state.id && isOf(gadget, trigger, id),
          ),
      );
      const [first] = early;
      if (!first) return [];
      const homeId = gadget.flow.initialId!;
      const rule = (controlId: string) => ({
        trigger: { kind: 'gesture', controlId, gesture: 'press' } as const,
        guard: null,
        actions: [],
        targetIds: [homeId],
        internal: false,
      });
      return [
        {
          rule: 'L11',
          level: 'likely',
          place: { kind: 'state', id: state.id },
          values: {
            name: state.name,
            control: early.map(({ name }) => name).join(', '),
            count: early.length,
            next: next[0]!.name,
          },
          mend: {
            key: 'earlyLoses',
            edit: {
              name: 'several',
              args: [early.map(({ id }) => ({ name: 'addRule', args: [state.id, rule(id)] }))],
            },
            values: { home: gadget.flow.states.find(({ id }) => id === homeId)!.name },
          },
        },
      ];
    }),
};
