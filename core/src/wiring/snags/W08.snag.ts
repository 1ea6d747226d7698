import type { SnagRule } from '../../gadget/index.ts';
import { netsIn } from '../nets.ts';
import { leadSnag, leadValues, movePin } from './help.ts';

/** The pin exists on the chip but is not brought out on this board, or this board has none of that name. */
export const W08: SnagRule = {
  id: 'W08',
  check(gadget, derived) {
    const nets = netsIn(gadget, derived);
    const { board } = nets;
    if (!board) return [];
    return nets.leads.flatMap((lead) => {
      const { wire, pin } = lead;
      if (wire?.to.kind !== 'pin' || (pin && !pin.hidden)) return [];
      const values = { ...leadValues(lead, wire.to.pin), board: board.name, hidden: pin ? 1 : 0 };
      return [leadSnag('W08', 'stop', lead, values, movePin(nets, lead))];
    });
  },
};
