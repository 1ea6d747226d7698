import { controlsOf, type SnagRule } from '../gadget/index.ts';
import { taperOf } from '../parts/index.ts';
import { middleShare, suits } from './knobs.ts';

/** A taper that does not match what is set with it. */
export const F08: SnagRule = {
  id: 'F08',
  check: (gadget) =>
    controlsOf(gadget, 'knob').flatMap((control) => {
      if (control.returns) return [];
      const { least, most, curve } = suits[control.sets];
      const taper = taperOf(gadget, control.id);
      const share = middleShare(control, taper);
      const middle = control.reading.reversed ? 1 - share : share;
      if (middle >= least && middle <= most) return [];
      return [
        {
          rule: 'F08',
          level: 'likely',
          place: { kind: 'control', id: control.id },
          values: { name: control.name, sets: control.sets, taper, middlePercent: Math.round(middle * 100) },
          mend: {
            key: 'matchTaper',
            edit: {
              name: 'changeControl',
              args: [control.id, { reading: { ...control.reading, straighten: taper !== 'linear', curve } }],
            },
            values: { curve },
          },
        },
      ];
    }),
};
