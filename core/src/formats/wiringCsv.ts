import type { Gadget } from '../gadget/index.ts';
import { netsOf } from '../wiring/index.ts';
import { printRows } from './csv.ts';

/** The wiring list as a table: from where to where, and whether it is soldered already. */
export function printWiringCsv(gadget: Gadget): string {
  const nets = netsOf(gadget);
  const names = new Map(nets.owners.map(({ id, name }) => [id, name]));
  return printRows(
    ['part', 'terminal', 'to', 'soldered'],
    nets.leads.flatMap(({ owner, terminal, wire }) => {
      if (!wire) return [];
      const { to } = wire;
      const end = to.kind === 'pin' ? to.pin : `${names.get(to.ownerId) ?? ''} ${to.terminal}`;
      return [[owner.name, terminal.name, end, wire.locked ? 'yes' : 'no']];
    }),
  );
}
