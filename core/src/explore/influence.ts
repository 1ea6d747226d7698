import type { Gadget } from '../gadget/index.ts';
import { codesOf, everyAction, slotsRead, type Code, type FlowTables } from '../flow/index.ts';

/** Number of the variable that a slot belongs to. */
export const ownerOf = ({ slot, size }: FlowTables, place: number): number =>
  slot.findIndex((from, variable) => place >= from && place < from + size[variable]!);

/** Numbers of the variables that an expression reads. */
export const readsOf = (tables: FlowTables, code: Code): number[] =>
  slotsRead(code).map((place) => ownerOf(tables, place));

/**
 * Numbers of the variables that decide what happens next: those that conditions and delays read, and those that are
 * worked into such a variable (the cone of influence). One that is only shown, sent or counted for its own sake is not
 * among them: two runs that differ by it alone go on alike for ever.
 * @param asked numbers of further variables that are wanted
 */
export function influencing(tables: FlowTables, asked: Iterable<number> = []): ReadonlySet<number> {
  const actions = everyAction(tables);
  const feeds = new Map<number, number[]>();
  const deciding: Code[] = [
    ...tables.ruleGuard.filter((guard) => guard !== null),
    ...tables.ruleDelay.flatMap((delay) => (typeof delay === 'object' && delay !== null ? [delay.ms] : [])),
    ...tables.layers.flatMap(({ condition }) => (condition ? [condition] : [])),
  ];
  for (const action of actions) {
    if (action.kind === 'start' && typeof action.length === 'object') deciding.push(action.length.ms);
    if (action.kind === 'raise' && typeof action.delay === 'object' && action.delay !== null)
      deciding.push(action.delay.ms);
    if (!('variable' in action)) continue;
    const known = feeds.get(action.variable) ?? [];
    feeds.set(action.variable, [...known, ...codesOf(action).flatMap((code) => readsOf(tables, code))]);
  }
  const found = new Set<number>(asked);
  for (const code of deciding) for (const variable of readsOf(tables, code)) found.add(variable);
  // A set grows while it is walked through: what feeds one that was added comes later.
  for (const variable of found) for (const one of feeds.get(variable) ?? []) found.add(one);
  return found;
}

/** Ids of the variables that an expression over ids names. */
export function variablesIn({ flow }: Gadget, text: string): string[] {
  const words = new Set(text.match(/\w+/g));
  return flow.variables.flatMap(({ id }) => (words.has(id) ? [id] : []));
}
