import { buttonsHeard, type SnagRule } from '../gadget/index.ts';
import { answeredIn, inBurst } from './lab/limits.ts';
import { safeSetting } from './lab/safe.ts';
import { debounceMend } from './mend.ts';

/**
 * Debounce longer than the shortest press or the fastest repeat: presses are lost. Tried with a burst on a switch
 * that does not bounce at all: what is lost there is lost to the debouncing alone.
 */
export const F02: SnagRule = {
  id: 'F02',
  check: (gadget, derived) =>
    buttonsHeard(gadget).flatMap((control) => {
      const { shortestPressUs, fastestRepeatUs } = gadget.hands;
      const answered = (setting: typeof control.debounce) =>
        answeredIn(setting, gadget.loop.periodUs, fastestRepeatUs, shortestPressUs);
      const came = answered(control.debounce);
      if (came === inBurst) return [];
      const debounce = safeSetting(derived, gadget, control);
      const mends = debounce !== null && answered(debounce) === inBurst;
      return [
        {
          rule: 'F02',
          level: came === 0 ? 'stop' : 'likely',
          place: { kind: 'control', id: control.id },
          values: {
            name: control.name,
            lost: inBurst - came,
            of: inBurst,
            pressUs: shortestPressUs,
            repeatUs: fastestRepeatUs,
          },
          ...(mends && { mend: debounceMend(control.id, debounce) }),
        },
      ];
    }),
};
