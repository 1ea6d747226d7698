import {
  asOneEdit,
  placedActions,
  standsUs,
  type Action,
  type Edit,
  type Gadget,
  type Place,
  type Snag,
  type SnagRule,
} from '../../gadget/index.ts';

const sum = (all: readonly number[]) => all.reduce((one, next) => one + next, 0);

/**
 * What sounds then goes on beside the loop; null: no sounder keeps it waiting, or what is told to it behind that would
 * come too early then, and cut it off.
 */
function besideInstead(gadget: Gadget, actions: readonly Action[]): Edit | null {
  const waits = (action: Action) => action.kind !== 'wait' && standsUs(gadget, action) > 0;
  const toldTo = (action: Action) => ('outputId' in action ? action.outputId : null);
  const ids = [...new Set(actions.filter(waits).flatMap((action) => toldTo(action) ?? []))];
  const cutsOff = placedActions(gadget.flow).some(({ actions: list }) =>
    list.some(
      (action, n) => waits(action) && list.slice(n + 1).some((next) => toldTo(next) === toldTo(action)),
    ),
  );
  if (ids.length === 0 || cutsOff) return null;
  return asOneEdit(ids.map((id) => ({ name: 'changeOutput', args: [id, { blocking: false }] })));
}

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
      const blockedUs = sum(actions.map((action) => standsUs(gadget, action)));
      if (blockedUs <= shortestPressUs) return [];
      const beside = besideInstead(gadget, actions);
      const lostPerMille = Math.round(1_000 * (1 - shortestPressUs / blockedUs));
      return [
        {
          rule: 'F12',
          level: 'likely',
          place,
          values: { name, blockedUs, pressUs: shortestPressUs, lostPerMille },
          ...(beside
            ? { mend: { key: 'soundBeside', edit: beside } }
            : mend && { mend: { key: 'waitInOwnState', edit: mend.edit, values: { name: mend.name } } }),
        },
      ];
    };
    return placedActions(gadget.flow).flatMap(({ name, place, actions, state, rule }) => {
      if (!rule || !state || rule.targetIds.length === 0) return found(name, place, actions);
      const at = rule.actions.findIndex(({ kind }) => kind === 'wait');
      if (at < 0) return found(name, place, actions);
      const waiting = `${state.name}, waiting`.slice(0, 80);
      const edit: Edit = { name: 'waitInOwnState', args: [rule.id, at, waiting] };
      return found(name, place, actions, { name: waiting, edit });
    });
  },
};
