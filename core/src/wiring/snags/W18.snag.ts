import type { SnagRule } from '../../gadget/index.ts';
import { netsIn } from '../nets.ts';
import { isScanned, leadSnag, leadValues, movePin, sharers } from './help.ts';

/** One line serves two scanned arrays: keys of the one answer for keys of the other. */
export const W18: SnagRule = {
  id: 'W18',
  check(gadget, derived) {
    const nets = netsIn(gadget, derived);
    return [...nets.byPin.keys()].flatMap((pin) => {
      const [first, ...others] = sharers(nets, pin).filter(({ lead }) => isScanned(lead));
      return others.flatMap(({ lead }) => {
        const values = { ...leadValues(lead, pin), other: first!.lead.owner.name };
        return [leadSnag('W18', 'stop', lead, values, movePin(nets, lead))];
      });
    });
  },
};
