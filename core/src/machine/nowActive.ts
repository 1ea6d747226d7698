import { nestingOf, type Gadget } from '../gadget/index.ts';

/** The active states, in the order of the document, once another is entered. */
export type NowActive = (active: readonly string[], entered: string) => string[];

/** A trace tells what is entered; what is left follows: all but what lies around it, or beside it in other regions. */
export function nowActiveIn(gadget: Pick<Gadget, 'flow'>): NowActive {
  if (gadget.flow.states.every(({ parentId }) => parentId === null)) return (_, entered) => [entered];
  const nesting = nestingOf(gadget.flow);
  const order = new Map(nesting.ordered.map(({ id }, at) => [id, at]));
  const outwards = new Map(
    nesting.ordered.map(({ id }) => [id, [id, ...nesting.ancestorsOf(id).map((over) => over.id)]]),
  );
  const stays = (id: string, entered: readonly string[]): boolean => {
    if (entered.includes(id)) return true;
    const nearest = outwards.get(id)?.find((over) => entered.includes(over));
    return nearest !== undefined && nearest !== entered[0] && nesting.byId.get(nearest)?.kind === 'parallel';
  };
  return (active, entered) => {
    const around = outwards.get(entered) ?? [entered];
    const kept = active.filter((id) => id !== entered && stays(id, around));
    return [...kept, entered].sort((a, b) => (order.get(a) ?? 0) - (order.get(b) ?? 0));
  };
}
