import { transitionDomain } from './compile.ts';
import type { Run } from './run.ts';
import { domain, stateType, type Entering, type FlowTables } from './tables.ts';

/*
 * Which states a rule leaves and enters. States are numbered in document order, so that sets are sorted lists of
 * numbers. Names of the standard's algorithm (SCXML, appendix D) are given where ours differ.
 */

/** Targets with history put in its place. (getEffectiveTargetStates.) */
export function effectiveTargets(run: Run, targets: readonly number[]): readonly number[] {
  const { type, begin } = run.tables;
  if (!targets.some((target) => type[target]! >= stateType.history)) return targets;
  return targets.flatMap((target) => {
    if (type[target]! < stateType.history) return [target];
    return run.state.history[target] ?? effectiveTargets(run, begin[target]!);
  });
}

export function domainNow(run: Run, rule: number): number {
  const known = run.tables.ruleDomain[rule]!;
  if (known !== domain.byHistory) return known;
  return transitionDomain(run.tables, rule, effectiveTargets(run, run.tables.ruleTargets[rule]!));
}

/** Active states that these rules leave, in document order. (computeExitSet.) */
export function exitSet(run: Run, rules: readonly number[]): number[] {
  const { end } = run.tables;
  const { active } = run.state;
  const left: number[] = [];
  for (const rule of rules) {
    const within = domainNow(run, rule);
    if (within === domain.none) continue;
    const last = within === domain.root ? active.length : end[within]!;
    for (let state = within + 1; state < last; state += 1)
      if (active[state] === 1 && (rules.length === 1 || !left.includes(state))) left.push(state);
  }
  return rules.length === 1 ? left : left.sort((a, b) => a - b);
}

/** (enterStates, first half; computeEntrySet.) @param within domain, -1 for the root */
export function enterFor(run: Run, into: Entering, targets: readonly number[], within: number): void {
  for (const target of targets) addInner(run, into, target);
  for (const target of effectiveTargets(run, targets)) addOuter(run, into, target, within);
}

/** (addDescendantStatesToEnter.) */
function addInner(run: Run, into: Entering, state: number): void {
  const { type, begin, parent } = run.tables;
  const kind = type[state]!;
  if (kind >= stateType.history) {
    const remembered = run.state.history[state];
    into.byHistory = true;
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
