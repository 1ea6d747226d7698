import type { SnagRule } from '../../gadget/index.ts';
import { causeValues, placeOfCause } from '../cause.ts';
import { explored } from './explored.ts';
import { ran } from './ran.ts';

/** More is asked for than can happen: it stands still by itself, or as soon as somebody uses it. */
export const X03: SnagRule = {
  id: 'X03',
  check(gadget, derived) {
    const { still, seed, stimuli } = ran(gadget, derived);
    if (!still) return [];
    const { excess, cause, times, atUs, sinceUs } = still;
    // Rules that set one another off for ever are told as such.
    if (explored(gadget, derived).restless.some((one) => one.cause.id === cause.id)) return [];
    return [
      {
        rule: 'X03',
        level: 'stop',
        place: placeOfCause(gadget, cause),
        values: {
          excess,
          ...causeValues(gadget, cause),
          times,
          atUs,
          overUs: atUs - sinceUs,
        },
        way: { seed, stimuli: stimuli.filter((one) => one.atUs <= atUs), endUs: atUs + 1_000 },
      },
    ];
  },
};
