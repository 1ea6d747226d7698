import { controlsOf, heardAs, type Button, type Gadget, type Snag, type SnagRule } from '../gadget/index.ts';
import { measureSetting } from './lab/measure.ts';
import { safeSetting, testPresses } from './lab/safe.ts';
import { debounceMend } from './mend.ts';

/** Every button, cleaned as the key that it is heard as; those that share a line together. */
function byLine(gadget: Gadget): { heardId: string; keys: Button[] }[] {
  const buttons = controlsOf(gadget, 'button');
  const as = heardAs(gadget);
  return buttons
    .filter(({ id }) => !as.has(id))
    .map(({ id: heardId, debounce }) => ({
      heardId,
      keys: buttons.flatMap((one) => ((as.get(one.id) ?? one.id) === heardId ? [{ ...one, debounce }] : [])),
    }));
}

/** Debounce shorter than the bounce: one press counts twice. Measured on the part's own switch. */
export const F01: SnagRule = {
  id: 'F01',
  check: (gadget, derived) =>
    byLine(gadget).flatMap(({ heardId, keys }): Snag[] => {
      const { hands, loop } = gadget;
      // Of several on a line the worst: what mends it mends the others.
      const [worst] = keys
        .map((control) => {
          const tried = testPresses(derived, gadget, control);
          const { falsePresses: extra, presses } = measureSetting(
            control.debounce,
            loop.periodUs,
            tried,
            hands.ordinaryPressUs,
          );
          return { control, extra, presses };
        })
        .sort((a, b) => b.extra / b.presses - a.extra / a.presses);
      if (!worst || worst.extra === 0) return [];
      const { control, extra, presses } = worst;
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
          ...(debounce && { mend: debounceMend(heardId, debounce) }),
        },
      ];
    }),
};
