import { controlsOf, isReading, type SnagRule } from '../gadget/index.ts';
import { bandsNeeded } from './knobs.ts';

/** No dead band at the ends, or at the middle of an axis that returns: rest is not rest, and the ends are not reached. */
export const F10: SnagRule = {
  id: 'F10',
  check: (gadget) =>
    controlsOf(gadget, 'knob').flatMap((control) => {
      const { endBandCounts, centreBandCounts } = control.reading;
      const needed = bandsNeeded(control);
      const atEnds = endBandCounts < needed.endBandCounts;
      const atCentre = centreBandCounts < needed.centreBandCounts;
      if ((!atEnds && !atCentre) || isReading(gadget, control.id)) return [];
      const reading = {
        ...control.reading,
        endBandCounts: Math.max(endBandCounts, needed.endBandCounts),
        centreBandCounts: Math.max(centreBandCounts, needed.centreBandCounts),
      };
      return [
        {
          rule: 'F10',
          level: atCentre ? 'likely' : 'note',
          place: { kind: 'control', id: control.id },
          values: {
            name: control.name,
            where: atEnds ? (atCentre ? 'both' : 'ends') : 'centre',
            endCounts: needed.endBandCounts,
            centreCounts: needed.centreBandCounts,
          },
          mend: { key: 'deadBands', edit: { name: 'changeControl', args: [control.id, { reading }] } },
        },
      ];
    }),
};
