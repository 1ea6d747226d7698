import { worth } from '../kernel/index.ts';
import { noEvent } from './events.ts';
import { guardHolds } from './guards.ts';
import type { Run } from './run.ts';
import { exitSet } from './sets.ts';

/* Which rules answer: selectTransitions and its kin of the standard's algorithm. */

/** The first rule of the state or one around it, in document order, that answers. -1: none. */
function firstOf(run: Run, atom: number, answers: (rule: number) => boolean): number {
  const { firstRule, parent } = run.tables;
  for (let state = atom; state !== -1; state = parent[state]!) {
    const end = firstRule[state + 1]!;
    run.work.left -= worth.rule * (end - firstRule[state]!);
    for (let rule = firstRule[state]!; rule < end; rule += 1) if (answers(rule)) return rule;
  }
  return -1;
}

/** Of every atomic state the rule that answers, without conflicts. (selectTransitions.) */
function enabledBy(run: Run, answers: (rule: number) => boolean): number[] {
  const enabled: number[] = [];
  for (const atom of run.state.atoms) {
    const rule = firstOf(run, atom, answers);
    if (rule >= 0 && !enabled.includes(rule)) enabled.push(rule);
  }
  return enabled.length > 1 ? withoutConflicts(run, enabled) : enabled;
}

const none: number[] = [];

export function select(run: Run, event: number, also: readonly number[] | null): number[] {
  const { ruleEvent, ruleGuard, sequential, firstRule, parent } = run.tables;
  if (sequential && also === null) {
    // The usual case, without any set: one atomic state.
    for (let state = run.state.atoms[0] ?? -1; state !== -1; state = parent[state]!) {
      const end = firstRule[state + 1]!;
      run.work.left -= worth.rule * (end - firstRule[state]!);
      for (let rule = firstRule[state]!; rule < end; rule += 1) {
        const wants = ruleEvent[rule]!;
        if ((wants === event || wants === noEvent.any) && run.holds(ruleGuard[rule]!)) return [rule];
      }
    }
    return none;
  }
  return enabledBy(run, (rule) => {
    const wants = ruleEvent[rule]!;
    const hears = wants === event || wants === noEvent.any || (also !== null && also.includes(wants));
    return hears && run.holds(ruleGuard[rule]!);
  });
}

/** Rules that wait for this event by name: coming to life is not `any` event. */
export const selectExactly = (run: Run, event: number): number[] =>
  enabledBy(run, (rule) => run.tables.ruleEvent[rule] === event && run.holds(run.tables.ruleGuard[rule]!));

/** (selectEventlessTransitions.) */
export const selectAlways = (run: Run): number[] =>
  enabledBy(run, (rule) => run.tables.ruleEvent[rule] === noEvent.always && guardHolds(run, rule));

/** The rule whose own timer is due, where its state is active. */
export const selectTimed = (run: Run, timed: number): number[] =>
  run.state.active[run.tables.ruleOwner[timed]!] === 1 && run.holds(run.tables.ruleGuard[timed]!)
    ? [timed]
    : none;

/** Inner rules go before outer ones, earlier before later. (removeConflictingTransitions.) */
function withoutConflicts(run: Run, enabled: readonly number[]): number[] {
  const { ruleOwner, end } = run.tables;
  const kept: number[] = [];
  for (const rule of enabled) {
    const leaves = new Set(exitSet(run, [rule]));
    const clashing = kept.filter((other) => exitSet(run, [other]).some((state) => leaves.has(state)));
    const source = ruleOwner[rule]!;
    const innermost = clashing.every((other) => {
      const over = ruleOwner[other]!;
      return source > over && source < end[over]!;
    });
    if (!innermost) continue;
    for (const other of clashing) kept.splice(kept.indexOf(other), 1);
    kept.push(rule);
  }
  return kept;
}
