import type { SnagRule } from '../../gadget/index.ts';
import { explored, nameOfState } from './explored.ts';

/** Rules that go on for ever without an event: the gadget hangs. */
export const L06: SnagRule = {
  id: 'L06',
  check(gadget, derived) {
    const explorer = explored(gadget, derived);
    const places = new Map(explorer.restless.map((one) => [one.where, one]));
    return [...places.values()].map(({ where, from }) => ({
      rule: 'L06',
      level: 'stop',
      place: { kind: 'state', id: where },
      values: { name: nameOfState(gadget, where), steps: from < 0 ? 0 : explorer.pathTo(from).length + 1 },
    }));
  },
};
