import type { Variable } from '@hum-lever/core';

/** What a variable is at this moment; a dash before it plays. */
export function nowWords(variable: Variable, now: number | number[] | undefined): string {
  if (now === undefined) return '–';
  if (Array.isArray(now)) return now.join(' ');
  if (variable.kind === 'flag') return now === 1 ? 'yes' : 'no';
  if (variable.kind === 'choice') return variable.options[now]?.name ?? String(now);
  return variable.kind === 'number' && variable.unit !== '' ? `${now}\u202f${variable.unit}` : String(now);
}
