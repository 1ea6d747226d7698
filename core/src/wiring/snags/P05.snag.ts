import type { Edit, Gadget, Snag, SnagRule, Wire } from '../../gadget/index.ts';
import { netsIn, type Lead, type Nets } from '../nets.ts';
import { placeOf, withNewPart } from './help.ts';

interface Source {
  key: string;
  name: string;
  lead: Lead | null;
}

/** What feeds each net of the supply: cells, converters and the board's own rails. Fuses and switches join their ends. */
function sourcesByNet({ leads, owners }: Nets): Map<string, Source[]> {
  const above = new Map<string, string>();
  const root = (key: string): string => {
    const up = above.get(key);
    return up === undefined ? key : root(up);
  };
  const join = (a: string, b: string) => {
    if (root(a) !== root(b)) above.set(root(a), root(b));
  };
  const sources: Source[] = [];
  for (const lead of leads) {
    const { owner, terminal, wire, pin } = lead;
    const key = `${owner.id}.${terminal.name}`;
    if (terminal.role !== 'feed' && terminal.role !== 'fed') continue;
    const chain = owner.part?.kind.chain;
    if (terminal.role === 'feed' && (chain === 'source' || chain === 'converter'))
      sources.push({ key, name: owner.name, lead });
    // Charging a cell is what a charger is for: its output is no second supply.
    if (chain === 'charger' || !wire) continue;
    if (wire.to.kind === 'terminal') join(key, `${wire.to.ownerId}.${wire.to.terminal}`);
    else if (pin) {
      join(key, `pin ${pin.name}`);
      if (pin.givesMv !== null) sources.push({ key: `pin ${pin.name}`, name: pin.name, lead: null });
    }
  }
  for (const { id, part } of owners)
    if (part?.kind.chain === 'fuse' || part?.kind.chain === 'switch') join(`${id}.in`, `${id}.out`);
  const nets = new Map<string, Source[]>();
  for (const source of sources) {
    const net = root(source.key);
    const known = nets.get(net) ?? [];
    if (!known.some(({ key }) => key === source.key)) nets.set(net, [...known, source]);
  }
  return nets;
}

/** A diode between what feeds a pin and the pin. */
function diodeBefore(gadget: Gadget, lead: Lead, to: Wire['to']): Edit {
  const from = { kind: 'terminal', ownerId: lead.owner.id, terminal: lead.terminal.name } as const;
  return withNewPart(gadget, 'protection-diode', 'Protection diode', (id) => [
    { name: 'wire', args: [lead.owner.id, lead.terminal.name, null, false] },
    { name: 'wire', args: [id, 'in', from, false] },
    { name: 'wire', args: [id, 'out', to, false] },
  ]);
}

/** Two supplies joined: each feeds, or burns, the other. */
export const P05: SnagRule = {
  id: 'P05',
  check(gadget, derived) {
    const nets = netsIn(gadget, derived);
    return [...sourcesByNet(nets).values()].flatMap((sources): Snag[] => {
      if (sources.length < 2) return [];
      const own = sources.find(({ lead }) => lead !== null)!;
      // The wire that leads to the pin may come from a fuse or switch behind the source.
      const last = nets.leads.find(
        ({ terminal, wire, pin }) =>
          terminal.role === 'feed' &&
          wire?.to.kind === 'pin' &&
          pin !== null &&
          sources.some(({ name }) => name === pin.name),
      );
      return [
        {
          rule: 'P05',
          level: 'stop',
          place: placeOf(own.lead!.owner),
          values: { names: sources.map(({ name }) => name).join(', '), count: sources.length },
          ...(last && {
            mend: {
              key: 'diodeBetween',
              edit: diodeBefore(gadget, last, last.wire!.to),
              values: { pin: last.pin!.name },
            },
          }),
        },
      ];
    });
  },
};
