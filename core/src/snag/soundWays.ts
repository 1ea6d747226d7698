import { applyEdit, type Edit, type Gadget } from '../gadget/index.ts';
import { boardOf, fitted, proposalsFor, supplyWires } from '../wiring/index.ts';
import { checkGadget } from './check.ts';
import { snagRules } from './registry.ts';

/** What a change of the wiring can break; all else is none of its business. */
const rules = snagRules.filter(({ id }) => /^[WKP]/.test(id));

/** With the small parts fitted that its wiring proposes: that those are still to come is no fault of a way. */
function fittedOut(gadget: Gadget): Gadget {
  const proposals = proposalsFor(gadget);
  return proposals.length === 0
    ? gadget
    : applyEdit(gadget, { name: 'decide', args: [proposals.map(fitted)] });
}

/** Where it cannot work at all, told apart by rule and place. */
const stops = (gadget: Gadget): Set<string> =>
  new Set(
    checkGadget(fittedOut(gadget), rules)
      .snags.filter(({ level }) => level === 'stop')
      .map(({ rule, place }) => `${rule} ${place.kind} ${place.id}`),
  );

/** With what has no wire yet led to its rail: what is wrong with the supply itself is the fault of no way either. */
function supplied(gadget: Gadget): Gadget {
  const board = boardOf(gadget);
  if (!board) return gadget;
  const { wires } = gadget.wiring;
  const laid = new Set(wires.map(({ ownerId, terminal }) => `${ownerId}.${terminal}`));
  const more = supplyWires(gadget, board).filter(
    ({ ownerId, terminal }) => !laid.has(`${ownerId}.${terminal}`),
  );
  return applyEdit(gadget, { name: 'layWires', args: [[...wires.filter(({ locked }) => !locked), ...more]] });
}

/**
 * Those of some ways that break nothing: what they bring that cannot work was wrong before. They stay in their order,
 * each with how many of the stops that there were it does away with.
 */
export function soundWays<W extends { edit: Edit }>(
  gadget: Gadget,
  ways: readonly W[],
): (W & { mends: number })[] {
  const before = new Set([...stops(gadget), ...stops(supplied(gadget))]);
  return ways.flatMap((way) => {
    const after = stops(applyEdit(gadget, way.edit));
    if ([...after].some((stop) => !before.has(stop))) return [];
    return [{ ...way, mends: [...before].filter((stop) => !after.has(stop)).length }];
  });
}
