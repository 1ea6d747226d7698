import { noEvent } from './events.ts';
import { transitionDomain } from './compile.ts';
import type { Run } from './run.ts';
import { domain, stateType, type Entering, type FlowTables, type Plan } from './tables.ts';

/*
 * The algorithm of the W3C statechart standard (SCXML, appendix D) over flat tables. Its function names are given
 * where they differ. States are numbered in document order, so that sets are sorted lists of numbers.
 */

/** The first rule of the state or one around it, in document order, that answers. -1: none. */
function firstOf(run: Run, atom: number, answers: (rule: number) => boolean): number {
  const { firstRule, parent } = run.tables;
  for (let state = atom; state !== -1; state = parent[state]!)
    for (let rule = firstRule[state]!; rule < firstRule[state + 1]!; rule += 1)
      if (answers(rule)) return rule;
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
  enabledBy(
    run,
    (rule) => run.tables.ruleEvent[rule] === noEvent.always && run.holds(run.tables.ruleGuard[rule]!),
  );

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

/** Targets with history put in its place. (getEffectiveTargetStates.) */
function effectiveTargets(run: Run, targets: readonly number[]): number[] {
  const { type, begin } = run.tables;
  return targets.flatMap((target) => {
    if (type[target]! < stateType.history) return [target];
    return run.state.history[target] ?? effectiveTargets(run, begin[target]!);
  });
}

function domainNow(run: Run, rule: number): number {
  const known = run.tables.ruleDomain[rule]!;
  if (known !== domain.byHistory) return known;
  return transitionDomain(run.tables, rule, effectiveTargets(run, run.tables.ruleTargets[rule]!));
}

/** Active states that these rules leave, in document order. (computeExitSet.) */
function exitSet(run: Run, rules: readonly number[]): number[] {
  const { end } = run.tables;
  const { active } = run.state;
  const left: number[] = [];
  for (const rule of rules) {
    const within = domainNow(run, rule);
    if (within === domain.none) continue;
    const last = within === domain.root ? active.length : end[within]!;
    for (let state = within + 1; state < last; state += 1)
      if (active[state] === 1 && !left.includes(state)) left.push(state);
  }
  return left.sort((a, b) => a - b);
}

function enteringFor(run: Run, rules: readonly number[]): Entering {
  const entering: Entering = { states: new Set(), begins: new Set(), blank: new Map() };
  for (const rule of rules) enterFor(run, entering, run.tables.ruleTargets[rule]!, domainNow(run, rule));
  return entering;
}

const inOrder = (states: ReadonlySet<number>): number[] => [...states].sort((a, b) => a - b);

function makePlan(run: Run, rule: number): Plan {
  const entering = enteringFor(run, [rule]);
  return { left: exitSet(run, [rule]), entered: inOrder(entering.states), ...entering };
}

/** One rule of a chart without regions and history always does the same from the same atomic state. */
function planOf(run: Run, rule: number): Plan {
  const { tables, state } = run;
  const known = tables.plans;
  const atom = state.atoms[0]!;
  if (tables.ruleOwner[rule] === atom) return (known.own[rule] ??= makePlan(run, rule));
  const key = rule * tables.stateIds.length + atom;
  let plan = known.outer.get(key);
  if (!plan) known.outer.set(key, (plan = makePlan(run, rule)));
  return plan;
}

/** (enterStates, first half; computeEntrySet.) @param within domain, -1 for the root */
function enterFor(run: Run, into: Entering, targets: readonly number[], within: number): void {
  for (const target of targets) addInner(run, into, target);
  for (const target of effectiveTargets(run, targets)) addOuter(run, into, target, within);
}

/** (addDescendantStatesToEnter.) */
function addInner(run: Run, into: Entering, state: number): void {
  const { type, begin, parent } = run.tables;
  const kind = type[state]!;
  if (kind >= stateType.history) {
    const remembered = run.state.history[state];
    if (!remembered) into.blank.set(parent[state]!, state);
    const targets = remembered ?? begin[state]!;
    for (const target of targets) addInner(run, into, target);
    for (const target of effectiveTargets(run, targets)) addOuter(run, into, target, parent[state]!);
    return;
  }
  into.states.add(state);
  if (kind === stateType.compound) {
    into.begins.add(state);
    for (const target of begin[state]!) addInner(run, into, target);
    for (const target of effectiveTargets(run, begin[state]!)) addOuter(run, into, target, state);
  } else if (kind === stateType.parallel) addRegions(run, into, state);
}

/** (addAncestorStatesToEnter.) */
function addOuter(run: Run, into: Entering, state: number, within: number): void {
  const { type, parent } = run.tables;
  for (let over = parent[state]!; over !== within && over !== -1; over = parent[over]!) {
    into.states.add(over);
    if (type[over] === stateType.parallel) addRegions(run, into, over);
  }
}

/** Regions that nothing is entered in yet. */
function addRegions(run: Run, into: Entering, state: number): void {
  for (const region of regionsOf(run.tables, state)) {
    const end = run.tables.end[region]!;
    let some = false;
    for (const entered of into.states) if (entered > region && entered < end) some = true;
    if (!some && !into.states.has(region)) addInner(run, into, region);
  }
}

/** States directly in one, history apart. (getChildStates.) */
export function regionsOf({ type, end }: FlowTables, state: number): number[] {
  const found: number[] = [];
  for (let inner = state + 1; inner < end[state]!; inner = end[inner]!)
    if (type[inner]! < stateType.history) found.push(inner);
  return found;
}

/** Enters what the chart begins with. */
export function enterFirst(run: Run): void {
  const entering: Entering = { states: new Set(), begins: new Set(), blank: new Map() };
  enterFor(run, entering, run.tables.initial, domain.root);
  enter(run, inOrder(entering.states), entering);
}

/** Leaves, does, enters. (microstep.) */
export function microstep(run: Run, rules: readonly number[]): void {
  const { tables } = run;
  const only = rules.length === 1 ? rules[0]! : -1;
  if (only >= 0 && tables.ruleDomain[only] === domain.none) {
    fire(run, only);
    return;
  }
  // What a rule is said to be fired from comes before what leaving does.
  for (const rule of rules) sayRule(run, rule);
  if (only >= 0 && tables.sequential && !tables.remembers) {
    const plan = planOf(run, only);
    leaveAll(run, plan.left);
    run.actAll(tables.ruleActions[only]!, tables.ruleOwner[only]!);
    enter(run, plan.entered, plan);
    return;
  }
  leaveAll(run, exitSet(run, rules));
  for (const rule of rules) run.actAll(tables.ruleActions[rule]!, tables.ruleOwner[rule]!);
  // Only now: what was left just now is remembered already.
  const entering = enteringFor(run, rules);
  enter(run, inOrder(entering.states), entering);
}

function leaveAll(run: Run, left: readonly number[]): void {
  const { state } = run;
  if (left.length === 0) return;
  if (run.tables.remembers) remember(run, left);
  for (let at = left.length - 1; at >= 0; at -= 1) leave(run, left[at]!);
  // Of a single one, the next takes the place.
  if (!run.tables.sequential) state.atoms = state.atoms.filter((atom) => state.active[atom] === 1);
}

function sayRule(run: Run, rule: number): void {
  const { tables } = run;
  run.around.fired?.(rule);
  if (run.quiet) return;
  run.effect({
    offsetUs: run.offsetUs,
    kind: 'rule',
    ruleId: tables.ruleIds[rule]!,
    stateId: tables.stateIds[tables.ruleOwner[rule]!]!,
  });
}

function fire(run: Run, rule: number): void {
  sayRule(run, rule);
  run.actAll(run.tables.ruleActions[rule]!, run.tables.ruleOwner[rule]!);
}

/** What history states of the states that are left will remember. */
function remember(run: Run, left: readonly number[]): void {
  const { histories, type, end, parent } = run.tables;
  const { active, atoms, history } = run.state;
  for (const state of left)
    for (const at of histories[state]!)
      history[at] =
        type[at] === stateType.deepHistory
          ? atoms.filter((atom) => atom > state && atom < end[state]!)
          : active.flatMap((on, inner) => (on === 1 && parent[inner] === state ? [inner] : []));
}

function leave(run: Run, left: number): void {
  const { tables, state } = run;
  run.actAll(tables.exit[left]!, left);
  state.active[left] = 0;
  const { timers } = state;
  for (let at = timers.length - 1; at >= 0; at -= 1) {
    const { what, number } = timers[at]!;
    if (what === 'rule' && tables.ruleOwner[number] === left) timers.splice(at, 1);
  }
}

/** (enterStates, second half.) */
function enter(
  run: Run,
  entered: readonly number[],
  { begins, blank }: Pick<Entering, 'begins' | 'blank'>,
): void {
  const { tables, state } = run;
  const { type, timed } = tables;
  for (const into of entered) {
    state.active[into] = 1;
    if (type[into] === stateType.atomic || type[into] === stateType.final) {
      if (tables.sequential) state.atoms[0] = into;
      else addAtom(state.atoms, into);
    }
    if (!run.quiet) run.effect({ offsetUs: run.offsetUs, kind: 'state', stateId: tables.stateIds[into]! });
    state.enteredUs[into] = run.nowUs;
    run.actAll(tables.entry[into]!, into);
    if (timed[into]!.length > 0) startTimers(run, timed[into]!);
    if (begins.size > 0 && begins.has(into)) run.actAll(tables.beginActions[into]!, into);
    if (blank.size > 0 && blank.has(into)) run.actAll(tables.beginActions[blank.get(into)!]!, into);
    if (type[into] === stateType.final) comeToEnd(run, into);
  }
}

function addAtom(atoms: number[], atom: number): void {
  if (atoms.length === 0 || atoms.at(-1)! < atom) atoms.push(atom);
  else if (!atoms.includes(atom)) {
    atoms.push(atom);
    atoms.sort((a, b) => a - b);
  }
}

function startTimers(run: Run, rules: readonly number[]): void {
  const { ruleDelay, ruleEvery } = run.tables;
  for (const rule of rules) {
    const lengthUs = run.lengthUs(ruleDelay[rule]!);
    run.begin('rule', rule, ruleEvery[rule] ? Math.max(1_000, lengthUs) : lengthUs);
  }
}

function comeToEnd(run: Run, final: number): void {
  const { parent, type, doneEvent } = run.tables;
  const over = parent[final]!;
  if (over === -1) {
    endAll(run);
    return;
  }
  run.tell(doneEvent[over]!);
  const around = parent[over]!;
  if (around !== -1 && type[around] === stateType.parallel && isAtEnd(run, around))
    run.tell(doneEvent[around]!);
}

/** (isInFinalState.) */
function isAtEnd(run: Run, state: number): boolean {
  const { tables } = run;
  const inner = regionsOf(tables, state);
  if (tables.type[state] === stateType.compound)
    return inner.some((one) => tables.type[one] === stateType.final && run.state.active[one] === 1);
  return tables.type[state] === stateType.parallel && inner.every((one) => isAtEnd(run, one));
}

/** The end of everything: all is left, inner first, and nothing is heard any more. (exitInterpreter.) */
function endAll(run: Run): void {
  const { tables, state } = run;
  for (let left = tables.stateIds.length - 1; left >= 0; left -= 1)
    if (state.active[left] === 1) run.actAll(tables.exit[left]!, left);
  // What is active stays marked: it is what the gadget is seen to have ended in.
  state.timers = [];
  state.ended = true;
  run.effect({ offsetUs: run.offsetUs, kind: 'ended' });
}
