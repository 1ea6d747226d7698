import type { SnagRule } from '../../gadget/index.ts';
import { netsIn } from '../nets.ts';
import { isLight, isScanned, leadSnag, leadValues, movePin, sharers } from './help.ts';

/** Two things that have nothing to do with each other on one pin. Scanned arrays and lights have rules of their own. */
export const W01: SnagRule = {
  id: 'W01',
  check(gadget, derived) {
    const nets = netsIn(gadget, derived);
    return [...nets.byPin.keys()].flatMap((pin) => {
      const [first, ...others] = sharers(nets, pin);
      return others.flatMap(({ lead }) => {
        const pair = [first!.lead, lead];
        if (pair.every(isScanned) || (pair.some(isScanned) && pair.some(isLight))) return [];
        const values = { ...leadValues(lead, pin), other: first!.lead.owner.name };
        return [leadSnag('W01', 'stop', lead, values, movePin(nets, lead))];
      });
    });
  },
};
