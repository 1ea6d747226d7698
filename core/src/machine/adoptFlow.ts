import {
  freshFlow,
  noEvent,
  stateType,
  type FlowState,
  type FlowTables,
  type FlowTimer,
} from '../flow/index.ts';
import { allRules, canonicalJson, type Gadget } from '../gadget/index.ts';
import type { CompiledGadget } from './compiled.ts';

/** Whether exactly what must be active together is. */
function isWhole({ type, parent, end }: FlowTables, active: readonly number[]): boolean {
  const on = (state: number) => active[state] === 1;
  const inner = (state: number) => {
    const found: number[] = [];
    for (let one = state + 1; one < (state === -1 ? type.length : end[state]!); one = end[one]!)
      if (type[one]! < stateType.history) found.push(one);
    return found;
  };
  if (inner(-1).filter(on).length !== 1) return false;
  return type.every((kind, state) => {
    if (!on(state)) return true;
    if (kind >= stateType.history || (parent[state] !== -1 && !on(parent[state]!))) return false;
    if (kind === stateType.compound) return inner(state).filter(on).length === 1;
    return kind !== stateType.parallel || inner(state).every(on);
  });
}

/**
 * Where the flow stands, carried over to an edited one: states, values, history and timers are kept by id; timers whose
 * delay is unchanged go on, the others, new ones, and those that ran out before their rule was changed, start now.
 * @returns null where what is active is gone, or can no longer be active together
 */
export function adoptFlow(
  was: FlowState,
  { tables: from, gadget: gadgetWas }: Pick<CompiledGadget, 'tables' | 'gadget'>,
  { tables: to, gadget }: Pick<CompiledGadget, 'tables' | 'gadget'>,
  nowUs: number,
): FlowState | null {
  const stateAt = new Map(to.stateIds.map((id, state) => [id, state]));
  const carried = (states: readonly number[]) =>
    states.map((state) => stateAt.get(from.stateIds[state]!) ?? -1);
  const fresh = freshFlow(to, null);
  const activeNow = carried(was.active.flatMap((on, state) => (on === 1 ? [state] : [])));
  if (activeNow.length === 0 || activeNow.includes(-1)) return null;
  for (const state of activeNow) fresh.active[state] = 1;
  if (!isWhole(to, fresh.active)) return null;
  const before = new Map(from.stateIds.map((id, state) => [id, state]));
  const old = to.stateIds.map((id) => before.get(id));
  const variables = new Map(from.variableIds.map((id, variable) => [id, variable]));
  const keep = (now: number[], then: readonly number[]) =>
    to.variableIds.forEach((id, variable) => {
      const other = variables.get(id);
      if (other === undefined || from.size[other] !== to.size[variable]) return;
      // A table is as the document has it.
      if (gadget.flow.variables[variable]!.kind === 'table') return;
      // A text that is as it began begins as it does now.
      const step = to.characters[variable]! || to.size[variable]!;
      for (let at = 0; at < to.size[variable]!; at += step) {
        const begun = from.slot[other]! + at;
        const places = Array.from({ length: step }, (_, n) => n);
        const untouched =
          to.characters[variable]! > 0 &&
          places.every((n) => then[begun + n] === from.initialValues[begun + n]);
        if (untouched) continue;
        for (const n of places) now[to.slot[variable]! + at + n] = then[begun + n]!;
      }
    });
  keep(fresh.values, was.values);
  keep(fresh.saved, was.saved);
  return {
    ...fresh,
    atoms: activeNow
      .filter((state) => to.type[state] === stateType.atomic || to.type[state] === stateType.final)
      .sort((a, b) => a - b),
    history: old.map((state) => {
      const then = state === undefined ? null : (was.history[state] ?? null);
      const now = then && carried(then);
      return now && !now.includes(-1) ? now : null;
    }),
    enteredUs: old.map((state) => (state === undefined ? 0 : was.enteredUs[state]!)),
    timers: adoptTimers(was, [from, gadgetWas], [to, gadget], fresh.active, nowUs),
    draws: was.draws,
    ended: was.ended,
    writes: was.writes,
    pressedIn: fresh.pressedIn.map((none, number) => {
      const then = gadgetWas.controls.findIndex(({ id }) => id === gadget.controls[number]!.id);
      const layer = from.layers[was.pressedIn[then] ?? -1];
      return layer ? to.layers.findIndex(({ id }) => id === layer.id) : none;
    }),
  };
}

const saidByRules = (gadget: Gadget) =>
  new Map(allRules(gadget).map(({ rule }) => [rule.id, canonicalJson(rule)]));

function adoptTimers(
  was: FlowState,
  [from, gadgetWas]: [FlowTables, Gadget],
  [to, gadget]: [FlowTables, Gadget],
  active: readonly number[],
  nowUs: number,
): FlowTimer[] {
  const [saidWas, said] = [saidByRules(gadgetWas), saidByRules(gadget)];
  const before = new Map(from.ruleIds.map((id, rule) => [id, rule]));
  const rules = to.ruleIds.flatMap((id, rule): FlowTimer[] => {
    if (to.ruleEvent[rule] !== noEvent.timed || active[to.ruleOwner[rule]!] !== 1) return [];
    const old = before.get(id);
    const delay = to.ruleDelay[rule]!;
    const same =
      old !== undefined &&
      canonicalJson(from.ruleDelay[old]) === canonicalJson(delay) &&
      from.ruleEvery[old] === to.ruleEvery[rule];
    const running = was.timers.find((timer) => timer.what === 'rule' && timer.number === old);
    if (same && running) return [{ ...running, number: rule }];
    // Its maker chose when, then what: by then it may have run out, and what it does now is looked for.
    if (same && saidWas.get(id) === said.get(id)) return [];
    // One that is worked out begins with the next visit, unless it is new: then a second will do.
    const lengthUs = typeof delay === 'number' ? Math.max(1, delay) : 1_000_000;
    return [{ what: 'rule', number: rule, dueUs: nowUs + lengthUs, everyUs: 0 }];
  });
  const ids = { timer: [from.timerIds, to.timerIds], signal: [from.signalIds, to.signalIds] } as const;
  const others = was.timers.flatMap((timer): FlowTimer[] => {
    if (timer.what === 'rule') return [];
    const [then, now] = timer.what === 'save' ? [from.variableIds, to.variableIds] : ids[timer.what];
    const number = now.indexOf(then[timer.number]!);
    return number < 0 ? [] : [{ ...timer, number }];
  });
  return [...rules, ...others].sort((a, b) => a.dueUs - b.dueUs);
}
