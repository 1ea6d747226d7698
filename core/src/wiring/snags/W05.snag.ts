import type { SnagRule } from '../../gadget/index.ts';
import { leadSnag, leadValues, movePin, onEachPin } from './help.ts';

/** A part can hold a boot-strap pin the wrong way when power comes: the board does not start. */
export const W05: SnagRule = {
  id: 'W05',
  check: (gadget, derived) =>
    onEachPin(gadget, derived, (lead, nets) => {
      const { boot, name } = lead.pin;
      const { atBoot } = lead.terminal;
      if (boot === null || atBoot === null || atBoot === boot) return null;
      const values = { ...leadValues(lead, name), must: boot, held: atBoot };
      return leadSnag('W05', 'stop', lead, values, movePin(nets, lead));
    }),
};
