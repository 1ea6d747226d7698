import type { SnagRule } from '../../gadget/index.ts';
import { unfinished } from '../reach.ts';

/** States that wait for their maker's next step: one line for all of them. Said from the second state on. */
export const X05: SnagRule = {
  id: 'X05',
  check(gadget, derived) {
    const { states } = gadget.flow;
    const blank = states.filter(({ id }) => unfinished(gadget, derived).has(id));
    const [first] = blank;
    if (!first || states.length < 2) return [];
    return [
      {
        rule: 'X05',
        level: 'note',
        place: { kind: 'state', id: first.id },
        values: { names: blank.map(({ name }) => name).join(', '), count: blank.length },
      },
    ];
  },
};
