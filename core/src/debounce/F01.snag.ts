import { controlsOf, type SnagRule } from '../gadget/index.ts';
import { measureSetting } from './lab/measure.ts';
import { safeSetting, testPresses } from './lab/safe.ts';
import { debounceMend } from './mend.ts';

/** Debounce shorter than the bounce: one press counts twice. Measured on the part's own switch. */
export const F01: SnagRule = {
  id: 'F01',
  check: (gadget, derived) =>
    controlsOf(gadget, 'button').flatMap((control) => {
      const { hands, loop } = gadget;
      const { falsePresses: extra, presses } = measureSetting(
        control.debounce,
        loop.periodUs,
        testPresses(derived, gadget, control),
        hands.ordinaryPressUs,
      );
      if (extra === 0) return [];
      const debounce = safeSetting(derived, gadget, control);
      return [
        {
          rule: 'F01',
          level: extra * 100 >= presses ? 'stop' : 'likely',
          place: { kind: 'control', id: control.id },
          values: {
            name: control.name,
            extra,
            presses,
            closeMaxUs: control.contact.closeMaxUs,
            openMaxUs: control.contact.openMaxUs,
          },
          ...(debounce && { mend: debounceMend(control.id, debounce) }),
        },
      ];
    }),
};
