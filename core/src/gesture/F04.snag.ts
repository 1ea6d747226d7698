import { human, type SnagRule } from '../gadget/index.ts';
import { isAnswered } from './uses.ts';

/** A hold threshold that an ordinary press reaches. */
export const F04: SnagRule = {
  id: 'F04',
  check: (gadget) =>
    gadget.controls.flatMap((control) => {
      const { holdUs } = control.gestures;
      if (holdUs === null || holdUs >= human.longTapUs || !isAnswered(gadget, control.id, 'hold')) return [];
      return [
        {
          rule: 'F04',
          level: 'likely',
          place: { kind: 'control', id: control.id },
          values: { name: control.name, holdUs, longTapUs: human.longTapUs },
          mend: {
            key: 'longerHold',
            edit: {
              name: 'changeControl',
              args: [control.id, { gestures: { ...control.gestures, holdUs: human.holdFeltUs } }],
            },
            values: { holdUs: human.holdFeltUs },
          },
        },
      ];
    }),
};
