import type { Snag, SnagRule } from '../../gadget/index.ts';
import { ladderGap, schemeOf } from '../../scan/index.ts';
import { netsIn } from '../nets.ts';
import { arraysOf } from '../owners.ts';
import { readSetBy } from '../setEdits.ts';

/** Ladder levels that overlap within tolerance and noise. */
export const K03: SnagRule = {
  id: 'K03',
  check(gadget, derived) {
    const { logicMv } = netsIn(gadget, derived);
    return arraysOf(gadget, logicMv).flatMap(({ id, name, circuit }): Snag[] => {
      if (circuit.kind !== 'ladder') return [];
      const { noiseCounts, tolerancePerMille } = circuit.figures;
      const gapCounts = ladderGap(circuit.figures);
      if (gapCounts > 2 * noiseCounts) return [];
      const set = gadget.wiring.sets.find((one) => one.id === id)!;
      // Better resistors first; what even those do not tell apart needs another way of reading.
      const params = { ...set.params, tolerancePerMille: 10, series: 24 };
      const keys = set.controlIds.length;
      const better = schemeOf('ladder').circuit(keys, params, logicMv);
      const helps = better.kind === 'ladder' && ladderGap(better.figures) > 2 * noiseCounts;
      const scheme = helps ? 'ladder' : 'matrix';
      const patch = helps ? { params } : { scheme, params: schemeOf(scheme).defaults(keys) };
      return [
        {
          rule: 'K03',
          level: gapCounts < 0 ? 'stop' : 'likely',
          place: { kind: 'keySet', id },
          values: { name, keys, gapTenths: Math.round(10 * gapCounts), noiseCounts, tolerancePerMille },
          mend: {
            key: helps ? 'finerResistors' : 'otherScheme',
            edit: readSetBy(gadget, set, patch),
            values: helps ? { tolerancePerMille: 10 } : { scheme },
          },
        },
      ];
    });
  },
};
