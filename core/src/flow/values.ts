import {
  placedActions,
  variableRange,
  variableShape,
  variableStart,
  type Derived,
  type Gadget,
  type PlacedActions,
} from '../gadget/index.ts';
import { ExpressionError } from './error.ts';
import { parseExpression, type Node } from './parse.ts';
import { rangeOf, type KnownRanges, type Range } from './range.ts';
import { scopeOf, type Scope } from './scope.ts';

/** Rounds until ends that still move are taken to go on to where they may go. */
const patience = 12;
/** Each brings back what hangs on what the one before has brought back. */
const settling = 4;
/** A flow with more to set than that is not looked through at every edit: what may be is taken for what can be. */
const mostSets = 20_000;

type Ranges = Map<string, Range>;

function read(text: string): Node | null {
  try {
    return parseExpression(text);
  } catch (error) {
    if (error instanceof ExpressionError) return null;
    throw error;
  }
}

const mirrored: Readonly<Record<string, string>> = { '<': '>', '<=': '>=', '>': '<', '>=': '<=', '==': '==' };

/** Leaves of a variable what a comparison leaves of it. */
function bounded({ low, high }: Range, operator: string, by: Range): Range {
  switch (operator) {
    case '<':
      return { low, high: Math.min(high, by.high - 1) };
    case '<=':
      return { low, high: Math.min(high, by.high) };
    case '>':
      return { low: Math.max(low, by.low + 1), high };
    case '>=':
      return { low: Math.max(low, by.low), high };
    default:
      return { low: Math.max(low, by.low), high: Math.min(high, by.high) };
  }
}

/** What variables can be where a condition holds; null: it never can. */
export function narrowed(guard: Node | null, scope: Scope, known: KnownRanges): KnownRanges | null {
  if (!guard) return known;
  if (guard.type !== 'binary') return known;
  if (guard.operator === '&&') {
    const left = narrowed(guard.left, scope, known);
    return left && narrowed(guard.right, scope, left);
  }
  const { left, right, operator } = guard;
  const pairs: [Node, string, Node][] = [
    [left, operator, right],
    [right, mirrored[operator] ?? '', left],
  ];
  let next: Ranges | null = null;
  for (const [one, by, other] of pairs) {
    if (one.type !== 'name' || !(by in mirrored)) continue;
    const id = one.name.text;
    const before = (next ?? known).get(id);
    if (!before) continue;
    const after = bounded(before, by, rangeOf(other, scope, known));
    if (after.low > after.high) return null;
    next ??= new Map(known);
    next.set(id, after);
  }
  return next ?? known;
}

interface SetBy {
  guard: Node | null;
  sets: { id: string; value: Node | null }[];
}

/** What a list of actions sets, in order; lists of numbers are not followed. */
function setsOf({ actions, rule }: PlacedActions): SetBy[] {
  const sets = actions.flatMap((action) =>
    action.kind === 'set' && action.index === null
      ? [{ id: action.variableId, value: read(action.value) }]
      : [],
  );
  return sets.length === 0 ? [] : [{ guard: rule?.guard ? read(rule.guard) : null, sets }];
}

/**
 * What variables can come to, by interval arithmetic over everything that sets them, as far as guards let it: never too
 * narrow, sometimes too wide.
 */
export function valueRanges(gadget: Pick<Gadget, 'flow' | 'controls'>): KnownRanges {
  const { variables } = gadget.flow;
  const followed = variables.filter((one) => variableShape(one) === 'one');
  const may = new Map(followed.map((one) => [one.id, variableRange(one)]));
  const lists = placedActions(gadget.flow).flatMap(setsOf);
  if (lists.reduce((sum, { sets }) => sum + sets.length, 0) > mostSets) return may;
  const scope = scopeOf(gadget);
  const wraps = new Set(
    followed.flatMap((one) => (one.kind === 'number' && one.overflow === 'wrap' ? [one.id] : [])),
  );
  const started = (): Ranges =>
    new Map(
      followed.map((one) => {
        const start = variableStart(one);
        return [one.id, { low: start, high: start }];
      }),
    );
  /** What lies outside stops at the end, or comes in anywhere. */
  const held = (id: string, range: Range): Range => {
    const own = may.get(id)!;
    const inside = range.low >= own.low && range.high <= own.high;
    if (wraps.has(id) && !inside) return own;
    const into = (value: number) => Math.max(own.low, Math.min(own.high, value));
    return { low: into(range.low), high: into(range.high) };
  };
  /** Everything that is set, once, seen from what variables can be so far. */
  const pass = (seen: KnownRanges, into: (id: string, range: Range) => void) => {
    for (const { guard, sets } of lists) {
      let known = narrowed(guard, scope, seen);
      if (!known) continue;
      for (const { id, value } of sets) {
        const own = may.get(id);
        if (!own) continue;
        const set = held(id, valueRange(value, scope, known, own));
        into(id, set);
        // What comes after it sees what was set, whatever the guard said before.
        known = new Map(known).set(id, set);
      }
    }
  };
  let found = started();
  // After `patience` each end moves once more, to where it may go at most: it ends.
  for (let round = 0, moved = true; moved; round += 1) {
    moved = false;
    pass(found, (id, set) => {
      const own = may.get(id)!;
      const before = found.get(id)!;
      if (set.low >= before.low && set.high <= before.high) return;
      moved = true;
      const wide = round >= patience;
      found.set(id, {
        low: set.low < before.low ? (wide ? own.low : set.low) : before.low,
        high: set.high > before.high ? (wide ? own.high : set.high) : before.high,
      });
    });
  }
  // What was taken too far comes back as far as conditions hold it: nothing lies outside what is set from there.
  for (let round = 0; round < settling; round += 1) {
    const next = started();
    pass(found, (id, set) => {
      const before = next.get(id)!;
      next.set(id, { low: Math.min(before.low, set.low), high: Math.max(before.high, set.high) });
    });
    found = next;
  }
  return found;
}

function valueRange(value: Node | null, scope: Scope, known: KnownRanges, own: Range): Range {
  if (!value) return { low: 0, high: 0 };
  try {
    return rangeOf(value, scope, known);
  } catch (error) {
    if (error instanceof ExpressionError) return own;
    throw error;
  }
}

/** The same, once per check run. */
export const valuesOf = (gadget: Gadget, derived: Derived): KnownRanges =>
  derived.once('flow.values', () => valueRanges(gadget));

/** What they can be where a condition holds, as it is written; null: it never does. */
export const valuesWhere = (gadget: Gadget, known: KnownRanges, condition: string): KnownRanges | null =>
  narrowed(read(condition), scopeOf(gadget), known);

/** What they can be where these actions are done. */
export function valuesAt(
  gadget: Gadget,
  known: KnownRanges,
  { rule }: Pick<PlacedActions, 'rule'>,
): KnownRanges {
  if (!rule?.guard) return known;
  return narrowed(read(rule.guard), scopeOf(gadget), known) ?? known;
}
