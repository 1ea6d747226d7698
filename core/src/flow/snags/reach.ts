import type { Derived, Gadget } from '../../gadget/index.ts';
import { compileFlow } from '../compile.ts';
import { constantValue, type Code } from '../expression.ts';
import type { FlowTables } from '../tables.ts';

/** The compiled flow, once per check run. */
export function compiled(gadget: Gadget, derived: Derived): ReturnType<typeof compileFlow> {
  return derived.once('flow.compiled', () => compileFlow(gadget));
}

/** Whether a guard holds whatever the variables are: true, false, or it depends (null). */
export function alwaysOrNever(guard: Code | null): boolean | null {
  if (guard === null) return true;
  const value = constantValue(guard);
  return value === null ? null : value !== 0;
}

/** State numbers that some chain of rules can reach from power-up, guards taken as possible unless constant 0. */
export function reachable(tables: FlowTables): Set<number> {
  const reached = new Set<number>(tables.initial < 0 ? [] : [tables.initial]);
  for (const state of reached)
    for (let rule = tables.firstRule[state]!; rule < tables.firstRule[state + 1]!; rule += 1) {
      const target = tables.ruleTarget[rule]!;
      if (target >= 0 && alwaysOrNever(tables.ruleGuard[rule]!) !== false) reached.add(target);
    }
  return reached;
}
