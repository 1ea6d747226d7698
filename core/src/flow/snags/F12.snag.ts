import type { Action, Edit, Place, Snag, SnagRule } from '../../gadget/index.ts';

const waitUs = (actions: Action[]) =>
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
      actions: Action[],
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
    return gadget.flow.states.flatMap((state) => [
      ...found(state.name, { kind: 'state', id: state.id }, state.entry),
      ...found(state.name, { kind: 'state', id: state.id }, state.exit),
      ...state.rules.flatMap((rule) => {
        const at = rule.actions.findIndex(({ kind }) => kind === 'wait');
        const name = `${state.name}, waiting`.slice(0, 80);
        const edit: Edit = { name: 'waitInOwnState', args: [rule.id, at, name] };
        const mend = rule.targetIds.length === 0 ? undefined : { name, edit };
        return found(state.name, { kind: 'rule', id: rule.id }, rule.actions, mend);
      }),
    ]);
  },
};
