import type { Snag, SnagRule } from '../../gadget/index.ts';
import { lightOhms } from '../companions.ts';
import { fittedFor, lampUa, netsIn } from '../nets.ts';
import { fit, leadSnag } from './help.ts';

/** A light without a resistor, or with one that gives it too much or too little current. */
export const W15: SnagRule = {
  id: 'W15',
  check(gadget, derived) {
    const nets = netsIn(gadget, derived);
    const { board, logicMv } = nets;
    if (!board) return [];
    return nets.owners.flatMap((owner) =>
      (owner.part?.kind.lamps?.(owner.part.figures) ?? []).flatMap((lamp): Snag[] => {
        const { terminal, forwardMv, wantUa, maxUa } = lamp;
        // Not before it is wired: until then the resistor is only proposed.
        const wired = nets.leads.some(
          (lead) => lead.owner.id === owner.id && lead.terminal.name === terminal && lead.wire !== null,
        );
        if (!wired) return [];
        const resistor = fittedFor(nets, 'light-resistor', owner.id, terminal);
        const ua = lampUa(nets, owner, terminal);
        // Behind a transistor, the pin does not carry it.
        const mostUa = owner.drivers.has(terminal) ? maxUa : Math.min(maxUa, board.pinMaxUa);
        const best = lightOhms(logicMv, lamp);
        const reason =
          best === null
            ? 'voltage'
            : ua === null
              ? 'none'
              : ua > mostUa
                ? 'much'
                : ua * 2 < wantUa
                  ? 'little'
                  : null;
        if (reason === null) return [];
        const values = {
          name: owner.name,
          terminal,
          reason,
          ohms: resistor?.value ?? 0,
          ua: ua ?? 0,
          wantUa,
          mostUa,
          forwardMv,
          logicMv,
        };
        const lead = { owner, terminal: owner.terminals.find(({ name }) => name === terminal)! };
        return [
          leadSnag(
            'W15',
            reason === 'little' ? 'note' : 'stop',
            lead,
            values,
            best === null
              ? {}
              : fit({
                  role: 'light-resistor',
                  forId: owner.id,
                  terminal,
                  value: best,
                  quantity: resistor?.quantity ?? 1,
                }),
          ),
        ];
      }),
    );
  },
};
