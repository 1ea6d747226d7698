import type { Need, SnagRule } from '../../gadget/index.ts';
import type { PinFacts } from '../boards.ts';
import { leadSnag, leadValues, movePin, needWord, onEachPin } from './help.ts';

/** What the need wants of the pin and the pin lacks; plain outputs and waking have rules of their own. */
function lacks(need: Need | null, pin: PinFacts, radioOn: boolean): string | null {
  if (need === null) return null;
  if (typeof need === 'object') return pin.bus.some(({ line }) => line === need.line) ? null : 'bus';
  if (need === 'analog' && !pin.analog) return 'analog';
  if (need === 'analog' && pin.radio && radioOn) return 'radio';
  if (need === 'pwm' && pin.out && pin.pwm.length === 0) return 'pwm';
  if (need === 'edge' && pin.edge === null) return 'edge';
  if (need === 'usb' && !pin.usb) return 'usb';
  if (need === 'in' && !pin.in) return 'in';
  return !pin.in && !pin.out && need !== 'analog' && need !== 'usb' ? 'digital' : null;
}

/** The pin lacks what the part needs: analog, PWM, interrupt, bus. */
export const W03: SnagRule = {
  id: 'W03',
  check: (gadget, derived) =>
    onEachPin(gadget, derived, (lead, nets) => {
      const lack = lacks(lead.terminal.need, lead.pin, gadget.wiring.radioOn);
      if (lack === null) return null;
      const values = { ...leadValues(lead, lead.pin.name), lacks: lack, need: needWord(lead.terminal) };
      return leadSnag('W03', 'stop', lead, values, movePin(nets, lead));
    }),
};
