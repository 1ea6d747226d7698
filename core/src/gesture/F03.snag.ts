import { buttonsHeard, type SnagRule } from '../gadget/index.ts';
import { isAnswered } from './uses.ts';

/** A double-tap window delays every tap; needless where no rule answers a double. */
export const F03: SnagRule = {
  id: 'F03',
  check: (gadget) =>
    buttonsHeard(gadget).flatMap((control) => {
      const windowUs = control.gestures.doubleWindowUs;
      if (windowUs === null || !isAnswered(gadget, control.id, 'tap')) return [];
      const needed = isAnswered(gadget, control.id, 'double');
      return [
        {
          rule: 'F03',
          level: needed ? 'note' : 'likely',
          place: { kind: 'control', id: control.id },
          values: { name: control.name, windowUs, needed: needed ? 1 : 0 },
          ...(!needed && {
            mend: {
              key: 'noDouble',
              edit: {
                name: 'changeControl',
                args: [control.id, { gestures: { ...control.gestures, doubleWindowUs: null } }],
              },
            },
          }),
        },
      ];
    }),
};
