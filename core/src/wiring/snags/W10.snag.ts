import type { SnagRule } from '../../gadget/index.ts';
import { busesOf, busPullUps, isTwoWireData, modulePullOhms } from '../companions.ts';
import { fittedFor, netsIn } from '../nets.ts';
import { fit, leadSnag } from './help.ts';

/** What a two-wire output must be able to pull down in the standard and fast modes: 3 mA. */
const sinkUa = 3_000;

/** Bus pull-ups missing, or so strong together that no device can pull the line low. */
export const W10: SnagRule = {
  id: 'W10',
  check(gadget, derived) {
    const nets = netsIn(gadget, derived);
    const wired = new Set(
      nets.leads.flatMap(({ owner, terminal, wire }) => (wire && isTwoWireData(terminal) ? [owner.id] : [])),
    );
    return busesOf(nets).flatMap(({ owners }) => {
      if (!owners.some(({ id }) => wired.has(id))) return [];
      const own = owners.flatMap(({ id }) => fittedFor(nets, 'bus-pull-up', id) ?? []);
      const siemens =
        1 / modulePullOhms(owners) + own.reduce((sum, { value }) => sum + (value > 0 ? 1 / value : 0), 0);
      const first = { owner: owners[0]!, terminal: owners[0]!.terminals[0]! };
      const devices = owners.map(({ name }) => name).join(', ');
      if (siemens === 0) {
        return [
          leadSnag(
            'W10',
            'stop',
            first,
            { devices, ohms: 0, pullUa: 0, sinkUa, reason: 'missing' },
            fit(busPullUps(owners[0]!)),
          ),
        ];
      }
      const pullUa = Math.round(nets.logicMv * 1_000 * siemens);
      if (pullUa <= sinkUa) return [];
      const values = { devices, ohms: Math.round(1 / siemens), pullUa, sinkUa, reason: 'strong' };
      const [spare] = own;
      return [
        leadSnag('W10', 'likely', first, values, {
          ...(spare && {
            mend: {
              key: 'leaveOut',
              edit: { name: 'decide', args: [[{ ...spare, fate: 'declined' }]] },
              values: { role: 'bus-pull-up' },
            },
          }),
        }),
      ];
    });
  },
};
