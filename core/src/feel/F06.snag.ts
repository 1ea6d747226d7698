import { controlsOf, type Snag, type SnagRule } from '../gadget/index.ts';
import { encoderPart } from '../parts/index.ts';
import { speedRow, stepPerClick } from './turning.ts';

/** Slow enough that nothing is lost to reading: what is wrong then is wrong by design. */
const leisurely = 16;

/** Clicks of an encoder that do not make one step each: counts per detent are wrong, or the shortcut counts bounce. */
export const F06: SnagRule = {
  id: 'F06',
  check: (gadget) =>
    controlsOf(gadget, 'encoder').flatMap((control): Snag[] => {
      const part = encoderPart(gadget, control.id);
      const { countsPerDetent } = part;
      const { reading } = control;
      const turnUs = gadget.hands.quickTurnUs * leisurely;
      const fits = reading.countsPerStep === countsPerDetent;
      const { expected, extra, wrongWay } = speedRow(control, part, gadget.loop.periodUs, turnUs);
      const shortcut = reading.method === 'edge' && extra + wrongWay > 0;
      if (fits && !shortcut) return [];
      const mended = stepPerClick(reading, part);
      const { countsPerStep } = mended;
      return [
        {
          rule: 'F06',
          level: fits ? 'likely' : 'stop',
          place: { kind: 'control', id: control.id },
          values: {
            name: control.name,
            reason: fits ? 'shortcut' : countsPerDetent < reading.countsPerStep ? 'several' : 'parts',
            countsPerDetent,
            countsPerStep: reading.countsPerStep,
            extraPerMille: Math.round((1_000 * (extra + wrongWay)) / Math.max(1, expected)),
          },
          ...((countsPerStep === countsPerDetent || fits) && {
            mend: {
              key: 'stepPerClick',
              edit: { name: 'changeControl', args: [control.id, { reading: mended }] },
              values: { countsPerStep },
            },
          }),
        },
      ];
    }),
};
