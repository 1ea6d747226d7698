import type { Action, Flow } from './flow.schema.ts';
import type { Control, Output } from './parts.schema.ts';

type Path = (string | number)[];
export interface ReferenceFault {
  path: Path;
  message: string;
}

interface Referring {
  brief: { tasks: { id: string; startStateId: string | null; goalStateId: string | null }[] };
  controls: Control[];
  outputs: Output[];
  flow: Flow;
}

const outputOf: Partial<Record<Action['kind'], Output['kind']>> = {
  light: 'light',
  text: 'text',
  tone: 'tone',
  silence: 'tone',
};

/** Every list of actions in the flow, with its path in the document. Entry, exit, then rules, in order. */
export function* actionLists(flow: Flow): Generator<{ actions: Action[]; path: Path; stateIndex: number }> {
  for (const [s, state] of flow.states.entries()) {
    const base = ['flow', 'states', s];
    yield { actions: state.entry, path: [...base, 'entry'], stateIndex: s };
    yield { actions: state.exit, path: [...base, 'exit'], stateIndex: s };
    for (const [r, rule] of state.rules.entries())
      yield { actions: rule.actions, path: [...base, 'rules', r, 'actions'], stateIndex: s };
  }
}

/**
 * Duplicated ids and names, and references that lead nowhere or to the wrong kind of thing.
 * Ids are unique across the whole document, so that a place can be named by id alone.
 */
export function checkReferences(gadget: Referring): ReferenceFault[] {
  const faults: ReferenceFault[] = [];
  const fault = (path: Path, message: string) => faults.push({ path, message });
  const { brief, controls, outputs, flow } = gadget;

  const seen = new Set<string>();
  const unique = (id: string, path: Path) => {
    if (seen.has(id)) fault([...path, 'id'], `expected an id used once, got "${id}" again`);
    seen.add(id);
  };
  brief.tasks.forEach((task, i) => unique(task.id, ['brief', 'tasks', i]));
  controls.forEach((control, i) => unique(control.id, ['controls', i]));
  outputs.forEach((output, i) => unique(output.id, ['outputs', i]));
  flow.variables.forEach((variable, i) => unique(variable.id, ['flow', 'variables', i]));
  flow.states.forEach((state, s) => {
    unique(state.id, ['flow', 'states', s]);
    state.rules.forEach((rule, r) => unique(rule.id, ['flow', 'states', s, 'rules', r]));
  });

  const words = new Set<string>();
  flow.variables.forEach(({ name }, i) => {
    if (words.has(name))
      fault(['flow', 'variables', i, 'name'], `expected a name used once, got "${name}" again`);
    words.add(name);
  });
  const keys = new Set<string>();
  controls.forEach(({ key }, i) => {
    if (key !== null && keys.has(key))
      fault(['controls', i, 'key'], `expected a key that plays one control, got "${key}" again`);
    if (key !== null) keys.add(key);
  });

  const stateIds = new Set(flow.states.map((state) => state.id));
  const state = (id: string | null, path: Path) => {
    if (id !== null && !stateIds.has(id)) fault(path, `expected the id of a state, got "${id}"`);
  };
  const controlIds = new Set(controls.map((control) => control.id));
  const variableIds = new Set(flow.variables.map((variable) => variable.id));
  const kindOf = new Map(outputs.map((output) => [output.id, output.kind]));

  brief.tasks.forEach((task, i) => {
    state(task.startStateId, ['brief', 'tasks', i, 'startStateId']);
    state(task.goalStateId, ['brief', 'tasks', i, 'goalStateId']);
  });
  state(flow.initialId, ['flow', 'initialId']);
  if ((flow.initialId === null) !== (flow.states.length === 0))
    fault(['flow', 'initialId'], 'expected the id of the first state, or null where there is no state');
  flow.states.forEach(({ rules }, s) =>
    rules.forEach(({ trigger, targetId }, r) => {
      const base = ['flow', 'states', s, 'rules', r];
      state(targetId, [...base, 'targetId']);
      if (trigger.kind === 'gesture' && !controlIds.has(trigger.controlId))
        fault([...base, 'trigger', 'controlId'], `expected the id of a control, got "${trigger.controlId}"`);
    }),
  );
  for (const { actions, path } of actionLists(flow))
    actions.forEach((action, a) => {
      if (action.kind === 'set' && !variableIds.has(action.variableId))
        fault([...path, a, 'variableId'], `expected the id of a variable, got "${action.variableId}"`);
      if ('outputId' in action && kindOf.get(action.outputId) !== outputOf[action.kind])
        fault(
          [...path, a, 'outputId'],
          `expected the id of a ${outputOf[action.kind]} output, got "${action.outputId}"`,
        );
    });
  return faults;
}
