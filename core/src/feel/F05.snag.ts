import { controlsOf, type SnagRule } from '../gadget/index.ts';
import { encoderPart } from '../parts/index.ts';
import { neededPeriodUs, periodInTimeUs, shortestPeriodUs, speedRow } from './turning.ts';

/** An encoder that these hands turn faster than the loop reads it: steps are lost. Measured, bounce and all. */
export const F05: SnagRule = {
  id: 'F05',
  check: (gadget) =>
    controlsOf(gadget, 'encoder').flatMap((control) => {
      const part = encoderPart(gadget, control.id);
      const { quickTurnUs } = gadget.hands;
      const { periodUs } = gadget.loop;
      const { expected, lost, countsPerSecond } = speedRow(control, part, periodUs, quickTurnUs);
      if (part.interrupts || lost === 0) return [];
      const neededUs = neededPeriodUs(part, quickTurnUs);
      const halfUs = Math.max(shortestPeriodUs, Math.floor(periodUs / 2));
      const shorterUs = Math.min(periodInTimeUs(part, quickTurnUs), halfUs);
      return [
        {
          rule: 'F05',
          level: lost * 20 >= expected ? 'stop' : 'likely',
          place: { kind: 'control', id: control.id },
          values: {
            name: control.name,
            countsPerSecond: Math.round(countsPerSecond),
            neededUs,
            periodUs,
            lostPerMille: Math.round((1_000 * lost) / expected),
            turnUs: quickTurnUs,
          },
          ...(shorterUs < periodUs && {
            mend: {
              key: 'readOftener',
              edit: { name: 'setLoopPeriod', args: [shorterUs] },
              values: { periodUs: shorterUs },
            },
          }),
        },
      ];
    }),
};
