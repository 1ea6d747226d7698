import type { Snag, SnagRule } from '../../gadget/index.ts';
import { openPins } from '../boards.ts';
import { netsIn } from '../nets.ts';
import { railFor } from '../supplies.ts';
import { leadSnag, leadTo, leadValues } from './help.ts';

/** A pin used as supply or ground for more than it can carry, or a rail asked for more than it gives. */
export const W16: SnagRule = {
  id: 'W16',
  check(gadget, derived) {
    const nets = netsIn(gadget, derived);
    const { board } = nets;
    if (!board) return [];
    const ground = openPins(board).find((pin) => pin.ground);
    const onSignals = nets.leads.flatMap((lead): Snag[] => {
      const { owner, terminal, pin } = lead;
      if (!pin?.signal || (terminal.role !== 'supply' && terminal.role !== 'ground')) return [];
      if (terminal.maxUa <= board.pinMaxUa) return [];
      const right = terminal.role === 'ground' ? ground : railFor(owner, board);
      const values = {
        ...leadValues(lead, pin.name),
        scope: 'pin',
        ua: terminal.maxUa,
        mostUa: board.pinMaxUa,
      };
      return [leadSnag('W16', 'stop', lead, values, leadTo(lead, right))];
    });
    const fed = nets.leads.filter(
      ({ owner, terminal, pin }) =>
        pin &&
        (terminal.role === 'supply'
          ? pin.givesMv !== null
          : // Behind a transistor, it hangs on a rail instead of its pin.
            owner.drivers.has(terminal.name) && !terminal.sinks),
    );
    const ua = fed.reduce((sum, { terminal }) => sum + terminal.maxUa, 0);
    if (fed.length === 0 || ua <= board.railMaxUa) return onSignals;
    const most = fed.reduce((a, b) => (b.terminal.maxUa > a.terminal.maxUa ? b : a));
    const values = { ...leadValues(most, most.pin!.name), scope: 'rail', ua, mostUa: board.railMaxUa };
    return [...onSignals, leadSnag('W16', 'likely', most, values)];
  },
};
