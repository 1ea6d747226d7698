import type { Variable } from '@hum-lever/core';
import { valueWords } from '../../words/index.ts';

/** What a variable is at this moment; a dash before it plays. */
export function nowWords(variable: Variable, now: number | number[] | undefined): string {
  if (now === undefined) return '–';
  if (Array.isArray(now)) return now.join(' ');
  return valueWords(variable, now);
}
