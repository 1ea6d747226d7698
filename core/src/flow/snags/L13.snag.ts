import {
  pageTexts,
  type Action,
  type Gadget,
  type Snag,
  type SnagRule,
  type State,
} from '../../gadget/index.ts';
import { nested, unfinished } from '../reach.ts';

const unseen: ReadonlySet<Action['kind']> = new Set([
  'set',
  'shift',
  'save',
  'recall',
  'start',
  'stop',
  'raise',
  'cancel',
  'wait',
]);

/** Ids of values and states that some page speaks of. A page shows them by itself. */
const onPages = ({ pages }: Gadget): ReadonlySet<string> =>
  new Set(pages.flatMap(pageTexts).flatMap((text) => text.match(/\b[vs]\d+\b/g) ?? []));

/** What rules of those states do for signals that are raised among these actions, and for those that they raise. */
function answered(actions: readonly Action[], states: readonly State[]): Action[] {
  const heard = new Set<string>();
  const found: Action[] = [];
  // Each signal once: no more rounds than there are signals.
  for (let round: readonly Action[] = actions; round.length > 0;) {
    const raised = round.flatMap((action) =>
      action.kind === 'raise' && action.delay === null && !heard.has(action.signalId)
        ? [action.signalId]
        : [],
    );
    for (const id of raised) heard.add(id);
    round = states
      .flatMap(({ rules }) => rules)
      .filter(({ trigger }) => trigger.kind === 'signal' && raised.includes(trigger.signalId))
      .flatMap((rule) => rule.actions);
    found.push(...round);
  }
  return found;
}

/** A change of state with no light, text, sound or anything else to show it. */
export const L13: SnagRule = {
  id: 'L13',
  check: (gadget, derived) => {
    const nesting = nested(gadget, derived);
    const blank = unfinished(gadget, derived);
    const seen = onPages(gadget);
    const shows = (action: Action) =>
      !unseen.has(action.kind) || ('variableId' in action && seen.has(action.variableId));
    return gadget.flow.states.flatMap((from) =>
      from.rules.flatMap(({ id, actions, targetIds }): Snag[] => {
        const targets = targetIds.map((target) => nesting.byId.get(target)!);
        const [first] = targets;
        if (!first || blank.has(first.id) || first === from || nesting.isInside(from.id, first.id)) return [];
        // Which inner states are left and entered is not known before the gadget runs: any of it may show the change.
        const entered = targets.flatMap((target) => [
          target,
          ...gadget.flow.states.filter((inner) => nesting.isInside(inner.id, target.id)),
          ...nesting.ancestorsOf(target.id).filter((over) => !nesting.isInside(from.id, over.id)),
        ]);
        const left = [
          from,
          ...gadget.flow.states.filter((inner) => nesting.isInside(inner.id, from.id)),
          ...nesting
            .ancestorsOf(from.id)
            .filter((over) => !targets.every((target) => nesting.isInside(target.id, over.id))),
        ];
        const done = [
          ...left.flatMap(({ exit }) => exit),
          ...actions,
          ...entered.flatMap(({ entry, initial }) => [...entry, ...(initial?.actions ?? [])]),
        ];
        // A signal that is raised is answered at once by whatever state is active then.
        const active = [...entered, ...targets.flatMap((target) => nesting.ancestorsOf(target.id))];
        if (
          done.some(shows) ||
          seen.has(from.id) ||
          entered.some((state) => seen.has(state.id)) ||
          answered(done, active).some(shows)
        )
          return [];
        return [
          {
            rule: 'L13',
            level: 'likely',
            place: { kind: 'rule', id },
            values: { from: from.name, to: first.name },
          },
        ];
      }),
    );
  },
};
