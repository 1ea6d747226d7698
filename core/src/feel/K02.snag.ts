import { algorithmOf } from '../debounce/index.ts';
import type { Snag, SnagRule } from '../gadget/index.ts';
import { keypadsOf } from './keypad.ts';

/** Keys that are scanned more slowly than the shortest press, or than their turn of the loop leaves time for. */
export const K02: SnagRule = {
  id: 'K02',
  check: (gadget) =>
    keypadsOf(gadget).flatMap(({ id, isSet, name, controlIds, scanUs, everyUs }): Snag[] => {
      const { shortestPressUs } = gadget.hands;
      const needs = gadget.controls.map((control) => {
        if (control.kind !== 'button' || !controlIds.includes(control.id)) return 0;
        const { algorithm, params } = control.debounce;
        return algorithmOf(algorithm).neededUs(params, everyUs);
      });
      const neededUs = Math.max(everyUs, ...needs);
      const { periodUs } = gadget.loop;
      if (neededUs <= shortestPressUs && scanUs <= periodUs) return [];
      // Half of it for the debouncing, whatever that is: found by trying shorter turns.
      const shorterUs = Math.max(
        scanUs,
        Math.min(periodUs, Math.floor((periodUs * shortestPressUs) / (2 * neededUs))),
      );
      const periodMended = scanUs > periodUs ? Math.ceil(scanUs / 100) * 100 : shorterUs;
      return [
        {
          rule: 'K02',
          level: neededUs > shortestPressUs ? 'stop' : 'likely',
          place: { kind: isSet ? 'keySet' : 'part', id },
          values: { name, keys: controlIds.length, scanUs, periodUs, neededUs, pressUs: shortestPressUs },
          ...(periodMended !== periodUs && {
            mend: {
              key: periodMended < periodUs ? 'readOftener' : 'readSlower',
              edit: { name: 'setLoopPeriod', args: [periodMended] },
              values: { periodUs: periodMended },
            },
          }),
        },
      ];
    }),
};
