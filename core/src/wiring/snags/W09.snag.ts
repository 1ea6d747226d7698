import type { SingleEdit, SnagRule } from '../../gadget/index.ts';
import { busesOf } from '../companions.ts';
import { netsIn } from '../nets.ts';
import type { Owner } from '../owners.ts';
import { leadSnag } from './help.ts';

const addressOf = ({ part, set }: Owner): number | null =>
  part ? (part.kind.address?.(part.figures) ?? null) : (set?.params.address ?? null);

/** Pin expanders that read keys. */
const expanderAddresses = [32, 33, 34, 35, 36, 37, 38, 39];
const addressesOf = ({ part }: Owner): readonly number[] =>
  part ? (part.kind.addresses ?? []) : expanderAddresses;

/** Another address for that device, as its solder bridges or its sheet may allow. */
function readdress({ id, part, set }: Owner, address: number): SingleEdit | null {
  if (part) return { name: 'changePart', args: [id, { figures: { ...part.part.figures, address } }] };
  return set ? { name: 'changeKeySet', args: [id, { params: { ...set.params, address } }] } : null;
}

/** Two devices with one address on one bus: both answer, neither is understood. */
export const W09: SnagRule = {
  id: 'W09',
  check: (gadget, derived) => {
    const nets = netsIn(gadget, derived);
    return busesOf(nets).flatMap(({ owners }) =>
      owners.flatMap((owner, n) => {
        const address = addressOf(owner);
        const other = owners.slice(0, n).find((before) => addressOf(before) === address);
        if (address === null || !other) return [];
        // Only what the part can be set to: its sheet, or its solder bridges, know of no other.
        const taken = new Set(owners.map(addressOf));
        const free = addressesOf(owner).find((one) => !taken.has(one));
        const edit = free === undefined ? null : readdress(owner, free);
        const values = { name: owner.name, other: other.name, address };
        const mend = edit ? { mend: { key: 'readdress', edit, values: { address: free! } } } : {};
        return [leadSnag('W09', 'stop', { owner, terminal: owner.terminals[0]! }, values, mend)];
      }),
    );
  },
};
