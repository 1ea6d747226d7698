import { applyEdit, type Edit, type Gadget, type KeySet, type SingleEdit } from '../gadget/index.ts';
import { ownersOf } from './owners.ts';

/** The edit that reads a set another way, and leaves on their pins all lines that the new way has as well. */
export function readSetBy(
  gadget: Gadget,
  set: KeySet,
  patch: Pick<KeySet, 'params'> & Partial<Pick<KeySet, 'scheme'>>,
): Edit {
  const change: SingleEdit = { name: 'changeKeySet', args: [set.id, patch] };
  const after = ownersOf(applyEdit(gadget, change)).find(({ id }) => id === set.id);
  const lines = new Set(after?.terminals.map(({ name }) => name));
  const kept = gadget.wiring.wires
    .filter(({ ownerId, terminal }) => ownerId === set.id && lines.has(terminal))
    .map(({ ownerId, terminal, to, locked }): SingleEdit => {
      return { name: 'wire', args: [ownerId, terminal, to, locked] };
    });
  return kept.length === 0 ? change : { name: 'several', args: [[change, ...kept]] };
}
