import type { SnagRule } from '../../gadget/index.ts';
import { leadSnag, leadValues, movePin, onEachPin } from './help.ts';

/** A part on the pins used for uploading or for the console. */
export const W04: SnagRule = {
  id: 'W04',
  check: (gadget, derived) =>
    onEachPin(gadget, derived, (lead, nets) => {
      const { pin } = lead;
      if (!pin.upload && !pin.console) return null;
      const values = { ...leadValues(lead, pin.name), trap: pin.upload ? 'upload' : 'console' };
      // What drives the pin itself, or is held by a hand, spoils the upload; what only listens sees its chatter.
      const fights = lead.terminal.drives || lead.terminal.contact;
      return leadSnag('W04', pin.upload && fights ? 'likely' : 'note', lead, values, movePin(nets, lead));
    }),
};
