import {
  isOutputAction,
  reachOf,
  type Action,
  type Button,
  type Gadget,
  type Rule,
  type Snag,
  type SnagRule,
  type State,
  type Trigger,
} from '../gadget/index.ts';
import { tiedShare } from '../gesture/index.ts';

/** Ties below this share are not worth a word. */
const seldomPerMille = 10;

/** Rules of a state by which presses of different controls for a game lead to different states: who is first wins. */
function races(gadget: Gadget, { rules }: State): { rule: Rule; control: Button }[] {
  const found: { rule: Rule; control: Button }[] = [];
  for (const rule of rules) {
    const { trigger, targetIds } = rule;
    if (trigger.kind !== 'gesture' || trigger.gesture !== 'press' || targetIds.length === 0) continue;
    const control = gadget.controls.find(({ id }) => id === trigger.controlId);
    if (control?.kind !== 'button' || control.wants.purpose !== 'game') continue;
    if (
      found.every((other) => other.control.id !== control.id && !other.rule.targetIds.includes(targetIds[0]!))
    )
      found.push({ rule, control });
  }
  return found;
}

/** What is to be seen, heard or sent. */
const tells = (action: Action) => isOutputAction(action) && reachOf(action) !== 'machines';

/** Whether some rule leads there that no hand causes, and something is told with it: a signal that both answer. */
function signalsInto({ flow }: Gadget, state: State): boolean {
  return flow.states.some((from) =>
    from.rules.some(
      ({ trigger, targetIds, actions }) =>
        targetIds.includes(state.id) &&
        byItself.has(trigger.kind) &&
        [...from.exit, ...actions, ...state.entry].some(tells),
    ),
  );
}
const byItself: ReadonlySet<Trigger['kind']> = new Set([
  'after',
  'every',
  'timer',
  'signal',
  'always',
  'done',
]);

/** One player is read before the other: presses of one turn are a tie, and the first in the list always wins it. */
export const F13: SnagRule = {
  id: 'F13',
  check: (gadget) =>
    gadget.flow.states.flatMap((state): Snag[] => {
      const racing = races(gadget, state);
      // Where no signal is shared, each acts in their own time.
      if (racing.length < 2 || !signalsInto(gadget, state)) return [];
      const order = gadget.controls.map(({ id }) => id);
      const [first, second] = [...racing].sort(
        (a, b) => order.indexOf(a.control.id) - order.indexOf(b.control.id),
      );
      const { periodUs } = gadget.loop;
      const tiesPerMille = Math.round(tiedShare(periodUs) * 1_000);
      if (tiesPerMille < seldomPerMille) return [];
      const shorterUs = 1_000;
      return [
        {
          rule: 'F13',
          level: 'likely',
          place: { kind: 'state', id: state.id },
          values: {
            name: state.name,
            first: first!.control.name,
            second: second!.control.name,
            periodUs,
            tiesPerMille,
          },
          mend: {
            key: 'readOftener',
            edit: { name: 'setLoopPeriod', args: [shorterUs] },
            values: { periodUs: shorterUs },
          },
        },
      ];
    }),
};
