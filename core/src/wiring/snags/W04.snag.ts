import type { SnagRule } from '../../gadget/index.ts';
import { jumperFor } from '../companions.ts';
import { fittedFor } from '../nets.ts';
import { fit, leadSnag, leadValues, movePin, onEachPin } from './help.ts';

/** A part on the pins used for uploading or for the console. */
export const W04: SnagRule = {
  id: 'W04',
  check: (gadget, derived) =>
    onEachPin(gadget, derived, (lead, nets) => {
      const { pin } = lead;
      if (!pin.upload && !pin.console) return null;
      const { owner, terminal } = lead;
      // Taken off the line while something is uploaded, it spoils nothing.
      if (pin.upload && terminal.drives && fittedFor(nets, 'upload-jumper', owner.id, terminal.name))
        return null;
      const values = { ...leadValues(lead, pin.name), trap: pin.upload ? 'upload' : 'console' };
      // What drives the pin itself, or is held by a hand, spoils the upload; what only listens sees its chatter.
      const fights = terminal.drives || terminal.contact;
      const elsewhere = movePin(nets, lead);
      const mend =
        elsewhere.mend || !pin.upload || !terminal.drives ? elsewhere : fit(jumperFor(owner, terminal));
      return leadSnag('W04', pin.upload && fights ? 'likely' : 'note', lead, values, mend);
    }),
};
