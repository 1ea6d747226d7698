import { degreesBetween, variableRange, type Contest, type Gadget, type Variable } from '@hum-lever/core';
import { valueWords } from '../../../words/index.ts';

/** One degree of difficulty; without a name where there is only one. */
export interface Degree extends Pick<Contest, 'starting'> {
  name: string;
}

/** Which variable makes it harder or easier, from where to where. */
export interface Varying {
  variableId: string;
  low: number;
  high: number;
}

/** A variable from one end to the other; of a wide range as far as a player might notice. */
export function freshVarying(variable: Variable): Varying {
  const { low, high } = variableRange(variable);
  return { variableId: variable.id, low, high: Math.min(high, low + 1_000) };
}

/** What is to be played, easiest or hardest first; as it is where nothing varies. */
export function degreesOf(gadget: Gadget, varying: Varying | null): Degree[] {
  const variable = gadget.flow.variables.find(({ id }) => id === varying?.variableId);
  if (!varying || !variable) return [{ name: '' }];
  const { low, high } = variableRange(variable);
  const inside = (value: number) => Math.min(high, Math.max(low, value));
  // Every option of a choice is a degree of its own.
  const most = variable.kind === 'choice' ? variable.options.length : 5;
  const [from, to] = [
    inside(Math.min(varying.low, varying.high)),
    inside(Math.max(varying.low, varying.high)),
  ];
  return degreesBetween(from, to, Math.max(2, most)).map((value) => ({
    name: valueWords(variable, value),
    starting: { variableId: variable.id, value },
  }));
}
