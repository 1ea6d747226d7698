import type { Action, SnagRule } from '../../gadget/index.ts';

const shows = ({ kind }: Action) =>
  kind === 'light' || kind === 'text' || kind === 'tone' || kind === 'silence';

/** A change of state with no light, text or sound to show it. */
export const L13: SnagRule = {
  id: 'L13',
  check: (gadget) =>
    gadget.flow.states.flatMap((from) =>
      from.rules.flatMap((rule) => {
        const target = gadget.flow.states.find(({ id }) => id === rule.targetId);
        if (!target || target === from) return [];
        if ([...from.exit, ...rule.actions, ...target.entry].some(shows)) return [];
        return [
          {
            rule: 'L13',
            level: 'likely',
            place: { kind: 'rule', id: rule.id },
            values: { from: from.name, to: target.name },
          },
        ];
      }),
    ),
};
