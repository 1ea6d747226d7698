import type { Need, SnagRule } from '../../gadget/index.ts';
import { leadSnag, leadValues, movePin, onEachPin } from './help.ts';

const drives = (need: Need | null) =>
  typeof need === 'object'
    ? need !== null && need.line !== 'rx' && need.line !== 'miso'
    : ['out', 'both', 'pwm', 'tone', 'servo'].includes(need);

/** An output on a pin that can only listen. */
export const W02: SnagRule = {
  id: 'W02',
  check: (gadget, derived) =>
    onEachPin(gadget, derived, (lead, nets) =>
      lead.pin.out || !lead.pin.in || !drives(lead.terminal.need)
        ? null
        : leadSnag('W02', 'stop', lead, leadValues(lead, lead.pin.name), movePin(nets, lead)),
    ),
};
