import type { Run } from './run.ts';
import { domainNow, enterFor, exitSet, regionsOf } from './sets.ts';
import { domain, stateType, type Entering, type Plan } from './tables.ts';

/*
 * The algorithm of the W3C statechart standard (SCXML, appendix D) over flat tables: what one microstep does.
 */

const nothingYet = (): Entering => ({
  states: new Set(),
  begins: new Set(),
  blank: new Map(),
  byHistory: false,
});

function enteringFor(run: Run, rules: readonly number[]): Entering {
  const entering = nothingYet();
  for (const rule of rules) enterFor(run, entering, run.tables.ruleTargets[rule]!, domainNow(run, rule));
  return entering;
}

const inOrder = (states: ReadonlySet<number>): number[] => [...states].sort((a, b) => a - b);

/** What these rules enter: of one alone always the same, unless history has a say. */
function enteredBy(run: Run, rules: readonly number[]): Plan {
  const known = run.tables.plans.entered;
  const only = rules.length === 1 ? rules[0]! : -1;
  if (known[only]) return known[only];
  const entering = enteringFor(run, rules);
  const plan = { ...entering, entered: inOrder(entering.states) };
  if (only >= 0 && !plan.byHistory) known[only] = plan;
  return plan;
}

/** What these rules leave: of one alone, without regions, always the same from the same atomic state. */
function leftBy(run: Run, rules: readonly number[]): readonly number[] {
  const { tables, state } = run;
  const rule = rules[0]!;
  if (rules.length > 1 || !tables.sequential || tables.ruleDomain[rule] === domain.byHistory)
    return exitSet(run, rules);
  const { leftByOwn, leftByOuter } = tables.plans;
  const atom = state.atoms[0]!;
  if (tables.ruleOwner[rule] === atom) return (leftByOwn[rule] ??= exitSet(run, rules));
  const key = rule * tables.stateIds.length + atom;
  let left = leftByOuter.get(key);
  if (!left) leftByOuter.set(key, (left = exitSet(run, rules)));
  return left;
}

/** Enters what the chart begins with. */
export function enterFirst(run: Run): void {
  const entering = nothingYet();
  enterFor(run, entering, run.tables.initial, domain.root);
  enter(run, inOrder(entering.states), entering);
}

/** Leaves, does, enters. (microstep.) */
export function microstep(run: Run, rules: readonly number[]): void {
  const { tables } = run;
  // What a rule is said to be fired from comes before what leaving does.
  for (const rule of rules) sayRule(run, rule);
  leaveAll(run, leftBy(run, rules));
  for (const rule of rules) run.actAll(tables.ruleActions[rule]!, tables.ruleOwner[rule]!);
  // Only now: what was left just now is remembered already.
  const plan = enteredBy(run, rules);
  enter(run, plan.entered, plan);
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
  run.happens('rule', tables.ruleIds[rule]!);
  run.around.fired?.(rule);
  if (run.quiet) return;
  run.effect({
    offsetUs: run.offsetUs,
    kind: 'rule',
    ruleId: tables.ruleIds[rule]!,
    stateId: tables.stateIds[tables.ruleOwner[rule]!]!,
  });
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
  for (let n = 0; n < entered.length; n += 1) {
    const into = entered[n]!;
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
  for (const rule of rules) run.begin('rule', rule, run.lengthUs(run.tables.ruleDelay[rule]!));
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
