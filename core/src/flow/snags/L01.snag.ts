import type { SnagRule } from '../../gadget/index.ts';
import { compiled, reachable } from './reach.ts';

/** A state that no rule ever leads to. */
export const L01: SnagRule = {
  id: 'L01',
  check(gadget, derived) {
    const reached = reachable(compiled(gadget, derived).tables);
    return gadget.flow.states.flatMap(({ id, name }, index) =>
      reached.has(index)
        ? []
        : [
            {
              rule: 'L01',
              level: 'likely',
              place: { kind: 'state', id },
              values: { name, reached: reached.size, states: gadget.flow.states.length },
              mend: { key: 'removeState', edit: { name: 'removeState', args: [id] } },
            },
          ],
    );
  },
};
