import type { SnagRule } from '../../gadget/index.ts';
import { pullMissing, wantedPull } from '../demands.ts';
import { fittedFor } from '../nets.ts';
import { fit, leadSnag, leadValues, onEachPin } from './help.ts';

/** No pull inside that pin, and none fitted: the open contact reads anything. */
export const W06: SnagRule = {
  id: 'W06',
  check: (gadget, derived) =>
    onEachPin(gadget, derived, (lead, nets) => {
      const { owner, terminal, pin } = lead;
      if (!terminal.contact || owner.set) return null;
      const outside = wantedPull(owner, terminal) === null;
      if (!outside && !pullMissing(owner, terminal, pin)) return null;
      const role = owner.part?.figures.pull === 2 ? 'pull-down' : 'pull-up';
      if (fittedFor(nets, role, owner.id, terminal.name)) return null;
      const values = { ...leadValues(lead, pin.name), outside: outside ? 1 : 0 };
      return leadSnag(
        'W06',
        'stop',
        lead,
        values,
        fit({ role, forId: owner.id, terminal: terminal.name, value: 10_000, quantity: 1 }),
      );
    }),
};
