import type { Snag, SnagRule } from '../../gadget/index.ts';
import { driverFor } from '../companions.ts';
import { leadUa, netsIn, signalLeads } from '../nets.ts';
import { fit, leadSnag, leadValues, movePin } from './help.ts';

/** More current than a pin, its port or all pins together may carry. */
export const W14: SnagRule = {
  id: 'W14',
  check(gadget, derived) {
    const nets = netsIn(gadget, derived);
    const { board } = nets;
    if (!board) return [];
    const loads = signalLeads(nets).map((lead) => ({ lead, ua: leadUa(nets, lead) }));
    const single = loads
      .filter(({ ua }) => ua > board.pinMaxUa)
      .map(({ lead, ua }) => {
        const values = { ...leadValues(lead, lead.pin.name), scope: 'pin', ua, mostUa: board.pinMaxUa };
        const driver = driverFor(nets, lead.owner, lead.terminal);
        return leadSnag('W14', 'stop', lead, values, driver ? fit(driver) : {});
      });
    const ports = new Map<string, typeof loads>();
    for (const load of loads)
      if (load.ua > 0 && load.lead.pin.port !== '')
        ports.set(load.lead.pin.port, [...(ports.get(load.lead.pin.port) ?? []), load]);
    const groups: { scope: string; port: string; of: typeof loads; mostUa: number }[] = [
      ...(board.portMaxUa > 0
        ? [...ports].map(([port, of]) => ({ scope: 'port', port, of, mostUa: board.portMaxUa }))
        : []),
      { scope: 'all', port: '', of: loads.filter(({ ua }) => ua > 0), mostUa: board.allPinsMaxUa },
    ];
    const together = groups.flatMap(({ scope, port, of, mostUa }): Snag[] => {
      const ua = of.reduce((sum, load) => sum + load.ua, 0);
      if (ua <= mostUa) return [];
      const most = of.reduce((a, b) => (b.ua > a.ua ? b : a));
      const values = {
        ...leadValues(most.lead, most.lead.pin.name),
        scope,
        port,
        ua,
        mostUa,
        count: of.length,
      };
      return [
        leadSnag(
          'W14',
          'stop',
          most.lead,
          values,
          scope === 'port' ? movePin(nets, most.lead, (pin) => pin.port !== port) : {},
        ),
      ];
    });
    return [...single, ...together];
  },
};
