import type { SnagRule } from '../../gadget/index.ts';
import { netsIn } from '../nets.ts';
import { placeOf } from './help.ts';

/** Terminals that lead nowhere while others are wired already. */
export const W19: SnagRule = {
  id: 'W19',
  check(gadget, derived) {
    const nets = netsIn(gadget, derived);
    if (!nets.board || gadget.wiring.wires.length === 0) return [];
    // The plus of a cell and the output of a converter are led to by others, and count as led.
    const reached = new Set(
      gadget.wiring.wires.flatMap(({ to }) =>
        to.kind === 'terminal' ? [`${to.ownerId}.${to.terminal}`] : [],
      ),
    );
    return nets.owners.flatMap((owner) => {
      const loose = nets.leads
        .filter((lead) => lead.owner.id === owner.id && lead.wire === null)
        .map(({ terminal }) => terminal.name)
        .filter((name) => !reached.has(`${owner.id}.${name}`));
      if (loose.length === 0) return [];
      const values = { name: owner.name, terminals: loose.join(', '), count: loose.length };
      return [{ rule: 'W19', level: 'likely', place: placeOf(owner), values }];
    });
  },
};
