import {
  placedActions,
  type Action,
  type Edit,
  type Place,
  type Snag,
  type SnagRule,
} from '../../gadget/index.ts';

const waitUs = (actions: readonly Action[]) =>
  actions.reduce((sum, action) => (action.kind === 'wait' ? sum + action.lengthUs : sum), 0);

/**
 * Presses lost while something blocks. Read once per standstill B, a press of length L < B is missed with
 * probability 1 − L/B (`reckoning`, polling).
 */
export const F12: SnagRule = {
  id: 'F12',
  check(gadget) {
    const { shortestPressUs } = gadget.hands;
    const found = (
      name: string,
      place: Place,
      actions: readonly Action[],
      mend?: { edit: Edit; name: string },
    ): Snag[] => {
      const blockedUs = waitUs(actions);
      if (blockedUs <= shortestPressUs) return [];
      const lostPerMille = Math.round(1_000 * (1 - shortestPressUs / blockedUs));
      return [
        {
          rule: 'F12',
          level: 'likely',
          place,
          values: { name, blockedUs, pressUs: shortestPressUs, lostPerMille },
          ...(mend && { mend: { key: 'waitInOwnState', edit: mend.edit, values: { name: mend.name } } }),
        },
      ];
    };
    return placedActions(gadget.flow).flatMap(({ name, place, actions, state, rule }) => {
      if (!rule || !state || rule.targetIds.length === 0) return found(name, place, actions);
      const at = rule.actions.findIndex(({ kind }) => kind === 'wait');
      const waiting = `${state.name}, waiting`.slice(0, 80);
      const edit: Edit = { name: 'waitInOwnState', args: [rule.id, at, waiting] };
      return found(name, place, actions, { name: waiting, edit });
    });
  },
};
