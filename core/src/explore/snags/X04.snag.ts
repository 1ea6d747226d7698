import type { SnagRule } from '../../gadget/index.ts';
import { partNs } from '../../kernel/index.ts';
import { causeValues, placeOfCause } from '../cause.ts';
import { ran } from './ran.ts';

/** From this share of real time on, a slower computer than ours may not keep up. */
const tellFrom = 0.25;

/** Dear to play: what takes most of it, in the gadget's time against real time. */
export const X04: SnagRule = {
  id: 'X04',
  check(gadget, derived) {
    const { still, dearest } = ran(gadget, derived);
    const { parts, withinUs, cause, times } = dearest;
    const share = (parts * partNs) / 1_000 / withinUs;
    if (still || share < tellFrom) return [];
    return [
      {
        rule: 'X04',
        level: share < 1 ? 'note' : 'likely',
        place: placeOfCause(gadget, cause),
        values: {
          ...causeValues(gadget, cause),
          perSecond: Math.round((times * 1_000_000) / withinUs),
          realUs: Math.round(share * 1_000_000),
        },
      },
    ];
  },
};
