import type { Snag, SnagRule } from '../../gadget/index.ts';
import { linesToShift } from '../companions.ts';
import { fittedFor, netsIn, supplyMvOf } from '../nets.ts';
import { railFor } from '../supplies.ts';
import { fit, leadSnag, leadTo, leadValues } from './help.ts';

/** Levels that do not meet: a part that does not hear the board, a pin that gets too much, a part on the wrong rail. */
export const W13: SnagRule = {
  id: 'W13',
  check(gadget, derived) {
    const nets = netsIn(gadget, derived);
    const { board } = nets;
    if (!board) return [];
    return nets.leads.flatMap((lead): Snag[] => {
      const { owner, terminal, pin } = lead;
      if (!pin) return [];
      const supplyMv = supplyMvOf(nets, owner);
      if (terminal.role === 'supply') {
        const range = owner.part?.kind.supply(owner.part.figures) ?? null;
        if (!range || pin.givesMv === null || (supplyMv >= range.minMv && supplyMv <= range.maxMv)) return [];
        const values = { ...leadValues(lead, pin.name), reason: 'rail', supplyMv, ...range };
        return [leadSnag('W13', 'stop', lead, values, leadTo(lead, railFor(owner, board)))];
      }
      const lines = linesToShift(nets, owner);
      const line = lines.find((one) => one.terminal === terminal.name);
      if (!line || fittedFor(nets, 'level-shifter', owner.id)) return [];
      const needsMv = Math.round((supplyMv * terminal.highPerMille) / 1_000);
      const values = {
        ...leadValues(lead, pin.name),
        reason: line.why,
        supplyMv,
        needsMv,
        logicMv: nets.logicMv,
      };
      const shifter = fit({
        role: 'level-shifter',
        forId: owner.id,
        terminal: lines[0]!.terminal,
        value: lines.length,
        quantity: 1,
      });
      return [leadSnag('W13', line.why === 'too-high' ? 'stop' : 'likely', lead, values, shifter)];
    });
  },
};
