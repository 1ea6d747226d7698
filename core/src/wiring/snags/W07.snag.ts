import type { SnagRule } from '../../gadget/index.ts';
import { openPins } from '../boards.ts';
import { netsIn } from '../nets.ts';
import { leadSnag, leadTo, leadValues } from './help.ts';

/** A switch that leads to the same rail as its pull can never change anything. */
export const W07: SnagRule = {
  id: 'W07',
  check(gadget, derived) {
    const nets = netsIn(gadget, derived);
    const { board } = nets;
    if (!board) return [];
    return nets.leads.flatMap((lead) => {
      const { owner, terminal, pin } = lead;
      if (terminal.name !== 'far' || !pin) return [];
      const down = owner.part?.figures.pull === 2;
      if (down ? !pin.ground : pin.givesMv === null) return [];
      const right = openPins(board).find(({ ground, givesMv }) =>
        down ? givesMv === board.logicMv : ground,
      );
      const values = { ...leadValues(lead, pin.name), pull: down ? 'down' : 'up' };
      return [leadSnag('W07', 'stop', lead, values, leadTo(lead, right))];
    });
  },
};
