import type { Button, Gadget, Rule, Snag, SnagRule, State } from '../gadget/index.ts';

/** Two hands that answer the same light lie so far apart, by the spread of simple reactions (σ 25, τ 55 ms each). */
const apartUs = Math.sqrt(2 * (25_000 ** 2 + 55_000 ** 2));
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

/** One player is read before the other: presses of one turn are a tie, and the first in the list always wins it. */
export const F13: SnagRule = {
  id: 'F13',
  check: (gadget) =>
    gadget.flow.states.flatMap((state): Snag[] => {
      const racing = races(gadget, state);
      if (racing.length < 2) return [];
      const order = gadget.controls.map(({ id }) => id);
      const [first, second] = [...racing].sort(
        (a, b) => order.indexOf(a.control.id) - order.indexOf(b.control.id),
      );
      // Chance that both fall between the same two readings, of two normal moments: period · density at 0.
      const { periodUs } = gadget.loop;
      const tiesPerMille = Math.round(Math.min(1, periodUs / (apartUs * Math.sqrt(2 * Math.PI))) * 1_000);
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
