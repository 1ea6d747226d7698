import {
  applyEdit,
  singleEdits,
  type Companion,
  type Edit,
  type Gadget,
  type SingleEdit,
  type Wire,
} from '../gadget/index.ts';
import { boardOf } from './boards.ts';
import { proposalsFor } from './companions.ts';
import { layWiring } from './lay.ts';
import { ownersOf } from './owners.ts';

const endsOf = (gadget: Gadget): ReadonlySet<string> =>
  new Set(ownersOf(gadget).flatMap(({ id, terminals }) => terminals.map(({ name }) => `${id} ${name}`)));
const isOf =
  (ends: ReadonlySet<string>) =>
  ({ ownerId, terminal }: Wire): boolean =>
    ends.has(`${ownerId} ${terminal}`);

/**
 * An edit that adds parts like one, with the wires of what it adds, to pins that are free, and with the small parts
 * that were decided on for that one. No wire that is there is moved, and no end that was left open is led anywhere.
 * @param adding what adds the parts
 * @param likeId the part that they are like
 * @returns null where no board is chosen, the pins do not suffice, or no answer was found in time
 */
export function wiredAlong(gadget: Gadget, adding: Edit, likeId: string): Edit | null {
  const after = applyEdit(gadget, adding);
  const board = boardOf(after);
  if (!board) return null;
  const { wires } = after.wiring;
  const held = {
    ...after,
    wiring: { ...after.wiring, wires: wires.map((wire) => ({ ...wire, locked: true })) },
  };
  const laid = layWiring(held, board);
  if (laid.outcome !== 'laid') return null;
  const were = isOf(endsOf(gadget));
  const more = laid.wires.filter((wire) => !were(wire));
  const lays: SingleEdit = {
    name: 'layWires',
    args: [[...wires.filter(({ locked }) => !locked), ...more]],
  };
  const small = smallParts(gadget, applyEdit(after, lays), likeId);
  const decides: SingleEdit[] = small.length > 0 ? [{ name: 'decide', args: [small] }] : [];
  return { name: 'several', args: [[...singleEdits(adding), lays, ...decides]] };
}

/** What was decided on for one part, for those that are new. */
function smallParts(before: Gadget, after: Gadget, likeId: string): Companion[] {
  const decided = before.wiring.companions.filter(({ forId }) => forId === likeId);
  const old = new Set(before.parts.map(({ id }) => id));
  const fresh = new Set(after.parts.flatMap(({ id }) => (old.has(id) ? [] : [id])));
  return proposalsFor(after).flatMap(({ role, forId, terminal }) => {
    const like = decided.find((one) => one.role === role && one.terminal === terminal);
    return like && fresh.has(forId) ? [{ ...like, forId, have: 0 }] : [];
  });
}
