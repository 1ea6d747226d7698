import type { SnagRule } from '../gadget/index.ts';
import { safeSetting, testPresses } from './feel.ts';
import { measureSetting } from './measure.ts';

/** Debounce shorter than the bounce: one press counts twice. Measured on the part's own switch. */
export const F01: SnagRule = {
  id: 'F01',
  check: (gadget, derived) =>
    gadget.controls.flatMap((control) => {
      const { periodUs } = gadget.loop;
      const { extra, presses } = measureSetting(control.debounce, periodUs, testPresses(derived, control));
      if (extra === 0) return [];
      const debounce = safeSetting(derived, control, periodUs);
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
          ...(debounce && {
            mend: {
              key: 'safeDebounce',
              edit: { name: 'changeControl', args: [control.id, { debounce }] },
              values: { algorithm: debounce.algorithm, ...debounce.params },
            },
          }),
        },
      ];
    }),
};
