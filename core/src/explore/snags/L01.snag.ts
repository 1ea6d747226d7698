import { nested, unfinished } from '../../flow/index.ts';
import { isHistory, type Snag, type SnagRule } from '../../gadget/index.ts';
import { reached } from './explored.ts';

/** A state that no rule ever leads to. One in a state that is not reached itself is not told of again. */
export const L01: SnagRule = {
  id: 'L01',
  check(gadget, derived) {
    const nesting = nested(gadget, derived);
    const known = reached(gadget, derived);
    const blank = unfinished(gadget, derived);
    return gadget.flow.states.flatMap((state): Snag[] => {
      const { id, name, parentId } = state;
      if (known.has(id) || blank.has(id) || isHistory(state) || (parentId !== null && !known.has(parentId)))
        return [];
      return [
        {
          rule: 'L01',
          level: 'likely',
          place: { kind: 'state', id },
          values: {
            name,
            reached: known.size,
            states: gadget.flow.states.length,
            inner: gadget.flow.states.filter((one) => nesting.isInside(one.id, id)).length,
          },
          mend: { key: 'removeState', edit: { name: 'removeState', args: [id] } },
        },
      ];
    });
  },
};
