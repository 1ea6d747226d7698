import { variableRange, type Gadget, type Variable } from '../gadget/index.ts';

/** Whole values from low to high, ends included, evenly apart, each once. @param most at least 2 */
export function degreesBetween(low: number, high: number, most = 5): number[] {
  const parts = Math.min(most - 1, high - low);
  if (parts <= 0) return [low];
  return Array.from({ length: parts + 1 }, (_, n) => Math.round(low + ((high - low) * n) / parts));
}

/**
 * The gadget as it plays when a variable starts otherwise: one degree of difficulty.
 * @param value a number; of a choice the place of its option, of a flag 0 or 1
 * @throws RangeError for a variable that is not there, or a value that it cannot hold
 */
export function startingAt(gadget: Gadget, variableId: string, value: number): Gadget {
  const { flow } = gadget;
  const variable = flow.variables.find(({ id }) => id === variableId);
  if (!variable) throw new RangeError(`expected the id of a variable, got "${variableId}"`);
  if (variable.kind === 'text' || variable.kind === 'texts' || variable.kind === 'table')
    throw new RangeError(`expected a variable that is a number, got ${variable.name}`);
  const { low, high } = variableRange(variable);
  if (!Number.isInteger(value) || value < low || value > high)
    throw new RangeError(`expected a whole number from ${low} to ${high} for ${variable.name}, got ${value}`);
  const variables = flow.variables.map((one) => (one === variable ? begun(one, value) : one));
  return { ...gadget, flow: { ...flow, variables } };
}

function begun(variable: Variable, value: number): Variable {
  switch (variable.kind) {
    case 'number':
    case 'list':
      return { ...variable, initial: value };
    case 'flag':
      return { ...variable, initial: value === 1 };
    case 'choice':
      return { ...variable, initialId: variable.options[value]!.id };
    case 'table':
    case 'text':
    case 'texts':
      return variable;
  }
}
