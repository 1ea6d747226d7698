import { noEvent } from './events.ts';
import { op, operands, slotsRead, type Code } from './expression.ts';
import type { FlowTables, KnownGuards } from './tables.ts';

/*
 * Rules that need no event are looked at after everything that happens. Their guards are worked out once while nothing
 * they ask for has changed, and only where working one out again could not differ: nothing random, no time, no states,
 * no mishap to be said again.
 */

/** What a guard must not ask for to be kept. Controls stand still within a macrostep. */
const changing: ReadonlySet<number> = new Set([
  op.heard,
  op.random,
  op.elapsed,
  op.active,
  op.place,
  op.textLength,
  op.sameText,
  op.isText,
  op.div,
  op.rem,
]);
/** A variable against a number costs less to work out than to look up. */
const shortest = 6;

/** First slots of the variables it asks for; null where it has to be worked out each time. */
function slotsAsked(code: Code): number[] | null {
  for (let at = 0; at < code.length; at += 1 + operands(code[at]!)) if (changing.has(code[at]!)) return null;
  return slotsRead(code);
}

function lookAt({ ruleEvent, ruleGuard, slot, variableIds }: FlowTables): KnownGuards {
  const asking = variableIds.map((): number[] => []);
  const since = new Float64Array(ruleEvent.length).fill(-1);
  ruleGuard.forEach((guard, rule) => {
    if (ruleEvent[rule] !== noEvent.always || !guard || guard.length < shortest) return;
    const slots = slotsAsked(guard);
    if (!slots) return;
    since[rule] = 0;
    // Slots of a variable follow one another: the one that begins last at or before it.
    for (const variable of new Set(slots.map((at) => slot.findLastIndex((from) => from <= at))))
      asking[variable]!.push(rule);
  });
  return { asking, since, held: new Uint8Array(ruleEvent.length), macrostep: 0 };
}

/** What was known belongs to another step, or to another state of the same flow. */
export function newMacrostep({ plans }: FlowTables): void {
  if (plans.guards) plans.guards.macrostep += 1;
}

/** A variable has changed. */
export function forgetGuards({ plans: { guards } }: FlowTables, variable: number): void {
  if (guards) for (const rule of guards.asking[variable]!) guards.since[rule] = 0;
}

/** What runs the step under way. */
interface Judge {
  readonly tables: FlowTables;
  holds(guard: Code | null): boolean;
}

/** Whether the guard of a rule that needs no event holds. */
export function guardHolds(run: Judge, rule: number): boolean {
  const { tables } = run;
  const guards = (tables.plans.guards ??= { ...lookAt(tables), macrostep: 1 });
  const since = guards.since[rule]!;
  if (since < 0) return run.holds(tables.ruleGuard[rule]!);
  if (since !== guards.macrostep) {
    guards.since[rule] = guards.macrostep;
    guards.held[rule] = run.holds(tables.ruleGuard[rule]!) ? 1 : 0;
  }
  return guards.held[rule] === 1;
}
