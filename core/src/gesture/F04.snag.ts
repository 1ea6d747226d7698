import { buttonsHeard, type SnagRule } from '../gadget/index.ts';
import { triedSeed, tryTaps } from './people.ts';
import { isAnswered } from './uses.ts';

/** A hold threshold that an ordinary press reaches. */
export const F04: SnagRule = {
  id: 'F04',
  check: (gadget) =>
    buttonsHeard(gadget).flatMap((control) => {
      const { holdUs } = control.gestures;
      const { longTapUs, holdFeltUs } = gadget.hands;
      if (holdUs === null || holdUs >= longTapUs || !isAnswered(gadget, control.id, 'hold')) return [];
      const longer = control.gestures.longerHoldsUs.filter((us) => us > holdFeltUs);
      const { asHold, tried } = tryTaps(control.gestures, gadget.hands, triedSeed);
      return [
        {
          rule: 'F04',
          level: 'likely',
          place: { kind: 'control', id: control.id },
          values: { name: control.name, holdUs, longTapUs, asHold, tried },
          mend: {
            key: 'longerHold',
            edit: {
              name: 'changeControl',
              args: [
                control.id,
                { gestures: { ...control.gestures, holdUs: holdFeltUs, longerHoldsUs: longer } },
              ],
            },
            values: { holdUs: holdFeltUs },
          },
        },
      ];
    }),
};
