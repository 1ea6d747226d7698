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
          const highMv = Math.round(0.7 * nets.logicMv);
          // Above what is read as a high it leaves the line alone; it only glows when its line is scanned.
          const pulls = lamp.forwardMv < highMv;
          const values = {
            ...leadValues(lead, pin),
            pulls: pulls ? 1 : 0,
            other: keys.lead.owner.name,
            lines: keys.lead.owner.terminals.length,
            forwardMv: lamp.forwardMv,
            highMv,
          };
          return leadSnag('K04', pulls ? 'stop' : 'note', lead, values, movePin(nets, lead));
        });
    });
  },
};
