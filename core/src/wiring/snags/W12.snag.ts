import type { SnagRule } from '../../gadget/index.ts';
import { leadSnag, leadValues, movePin, onEachPin } from './help.ts';

/** What should wake the gadget is on a pin that cannot wake. */
export const W12: SnagRule = {
  id: 'W12',
  check: (gadget, derived) =>
    onEachPin(gadget, derived, (lead, nets) =>
      lead.terminal.need === 'wake' && !lead.pin.wake
        ? leadSnag('W12', 'stop', lead, leadValues(lead, lead.pin.name), movePin(nets, lead))
        : null,
    ),
};
