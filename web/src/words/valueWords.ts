import type { Variable } from '@hum-lever/core';

/** A value as its variable has it: yes or no, the name of an option, a number with its unit, a text in quotes. */
export function valueWords(variable: Variable | undefined, value: number | string): string {
  if (typeof value === 'string') return `“${value}”`;
  if (variable?.kind === 'flag') return value === 1 ? 'yes' : 'no';
  if (variable?.kind === 'choice') return variable.options[value]?.name ?? String(value);
  return variable?.kind === 'number' && variable.unit ? `${value}\u202f${variable.unit}` : String(value);
}
