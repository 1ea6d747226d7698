import type { Gadget } from '../gadget/index.ts';
import { keyPlaces, type KeyPlace } from '../scan/index.ts';
import { netsOf } from '../wiring/index.ts';
import { printRows } from './csv.ts';

/** Where a key of a set goes, in the words of the table. */
function placeOf(place: KeyPlace, set: string): string {
  switch (place.kind) {
    case 'crossing':
      return `${set} ${place.drive} and ${place.sense}${place.diode ? ', diode towards the first' : ''}`;
    case 'resistor':
      return `${set} ${place.line} through ${place.ohms} ohm, other end to ground`;
    case 'pin':
      return `${set} ${place.line}, other end to ground`;
    case 'input':
      return `${set} chip ${place.chip} input ${place.input}, other end to ground`;
  }
}

/**
 * The wiring list as a table: from where to where, and whether it is soldered already; then, for every set of keys,
 * where each of its keys goes.
 */
export function printWiringCsv(gadget: Gadget): string {
  const nets = netsOf(gadget);
  const names = new Map(nets.owners.map(({ id, name }) => [id, name]));
  const keyNames = new Map(gadget.controls.map(({ id, name }) => [id, name]));
  const keys = gadget.wiring.sets.flatMap((set) =>
    keyPlaces(set).map((place) => [keyNames.get(place.controlId) ?? '', 'key', placeOf(place, set.name), '']),
  );
  return printRows(
    ['part', 'terminal', 'to', 'soldered'],
    [
      ...nets.leads.flatMap(({ owner, terminal, wire }) => {
        if (!wire) return [];
        const { to } = wire;
        const end = to.kind === 'pin' ? to.pin : `${names.get(to.ownerId) ?? ''} ${to.terminal}`;
        return [[owner.name, terminal.name, end, wire.locked ? 'yes' : 'no']];
      }),
      ...keys,
    ],
  );
}
