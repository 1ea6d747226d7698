import type { SnagRule } from '../../gadget/index.ts';
import { netsIn } from '../nets.ts';
import { isLight, isScanned, leadSnag, leadValues, movePin, sharers } from './help.ts';

/** Keys and lights on shared lines: scanning makes the light flicker, the light pulls the line while it is read. */
export const K04: SnagRule = {
  id: 'K04',
  check(gadget, derived) {
    const nets = netsIn(gadget, derived);
    return [...nets.byPin.keys()].flatMap((pin) => {
      const both = sharers(nets, pin);
      const keys = both.find(({ lead }) => isScanned(lead));
      if (!keys) return [];
      return both
        .filter(({ lead }) => isLight(lead))
        .map(({ lead }) => {
          const lamp = lead.owner.part!.kind.lamps!(lead.owner.part!.figures).find(
            ({ terminal }) => terminal === lead.terminal.name,
          )!;
          const values = {
            ...leadValues(lead, pin),
            other: keys.lead.owner.name,
            lines: keys.lead.owner.terminals.length,
            forwardMv: lamp.forwardMv,
            highMv: Math.round(0.7 * nets.logicMv),
          };
          return leadSnag('K04', 'stop', lead, values, movePin(nets, lead));
        });
    });
  },
};
