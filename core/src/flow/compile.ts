import type { Action, Gadget, Place, Trigger } from '../gadget/index.ts';
import { eventCodes, type EventCodes } from './events.ts';
import { compileExpression } from './expression.ts';
import { ExpressionError } from './parse.ts';
import type { CompiledAction, FlowProblem, FlowTables } from './tables.ts';
import { compileTemplate } from './template.ts';

/** Number of what triggers a rule; -1 for a timer, which is no event. */
function eventOf(codes: EventCodes, trigger: Trigger): number {
  switch (trigger.kind) {
    case 'gesture':
      return codes.gesture(trigger.controlId, trigger.gesture);
    case 'chord':
      return codes.chord(trigger.chordId);
    case 'code':
      return codes.code(trigger.codeId, trigger.gesture);
    case 'after':
      return -1;
  }
}

/** Never true: stands in for a guard that cannot be read. */
const never = [0, 0];

/**
 * Compiles the flow. Never throws on a valid document: what cannot be read is reported, and plays as nothing.
 * A gadget without states compiles to tables without states; see `powerUp`.
 */
export function compileFlow(gadget: Gadget): { tables: FlowTables; problems: FlowProblem[] } {
  const { flow } = gadget;
  const codes = eventCodes(gadget);
  const problems: FlowProblem[] = [];
  const slots = new Map(flow.variables.map(({ id }, index) => [id, index]));
  const slot = (id: string) => slots.get(id);
  const stateAt = new Map(flow.states.map(({ id }, index) => [id, index]));

  const attempt = <T>(place: Place, text: string, compile: () => T): T | undefined => {
    try {
      return compile();
    } catch (error) {
      if (!(error instanceof ExpressionError)) throw error;
      problems.push({ place, text, message: error.message });
      return undefined;
    }
  };
  const compileAction = (place: Place, action: Action): CompiledAction[] => {
    switch (action.kind) {
      case 'set': {
        const value = attempt(place, action.value, () => compileExpression(action.value, slot));
        return value ? [{ kind: 'set', slot: slots.get(action.variableId)!, value }] : [];
      }
      case 'tone': {
        const hz = attempt(place, action.hz, () => compileExpression(action.hz, slot));
        return hz ? [{ ...action, hz }] : [];
      }
      case 'text': {
        const text = attempt(place, action.text, () => compileTemplate(action.text, slot));
        return text ? [{ ...action, text }] : [];
      }
      case 'light':
      case 'silence':
      case 'wait':
        return [action];
    }
  };

  const tables: FlowTables = {
    initial: flow.initialId === null ? -1 : stateAt.get(flow.initialId)!,
    stateIds: flow.states.map(({ id }) => id),
    firstRule: [0],
    entry: [],
    exit: [],
    ruleIds: [],
    ruleEvent: [],
    ruleDelayUs: [],
    ruleGuard: [],
    ruleActions: [],
    ruleTarget: [],
    variableIds: flow.variables.map(({ id }) => id),
    initialValues: flow.variables.map(({ initial }) => initial),
    low: flow.variables.map(({ min }) => min),
    high: flow.variables.map(({ max }) => max),
  };
  for (const state of flow.states) {
    const statePlace: Place = { kind: 'state', id: state.id };
    tables.entry.push(state.entry.flatMap((action) => compileAction(statePlace, action)));
    tables.exit.push(state.exit.flatMap((action) => compileAction(statePlace, action)));
    for (const { id, trigger, guard, actions, targetId } of state.rules) {
      const place: Place = { kind: 'rule', id };
      tables.ruleIds.push(id);
      tables.ruleEvent.push(eventOf(codes, trigger));
      tables.ruleDelayUs.push(trigger.kind === 'after' ? trigger.delayUs : 0);
      tables.ruleGuard.push(
        guard === null ? null : (attempt(place, guard, () => compileExpression(guard, slot)) ?? never),
      );
      tables.ruleActions.push(actions.flatMap((action) => compileAction(place, action)));
      tables.ruleTarget.push(targetId === null ? -1 : stateAt.get(targetId)!);
    }
    tables.firstRule.push(tables.ruleIds.length);
  }
  return { tables, problems };
}
