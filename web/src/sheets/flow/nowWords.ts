import type { ShownValue, Variable } from '@hum-lever/core';
import { count } from '../../shared/index.ts';
import { valueWords } from '../../words/index.ts';

/** So many places of a list stand in a line of text. */
const fewPlaces = 6;

/** What a variable is at this moment; a dash before it plays. */
export function nowWords(variable: Variable, now: ShownValue | undefined): string {
  if (now === undefined) return '–';
  if (Array.isArray(now)) {
    if (variable.kind === 'texts') return count(now.length, 'text');
    const told = now.slice(0, fewPlaces).map((one) => valueWords(variable, one));
    const more = now.length > fewPlaces;
    return `[${told.join(', ')}${more ? ', …' : ''}]`;
  }
  return valueWords(variable, now);
}
