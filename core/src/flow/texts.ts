import { evaluate, type Surroundings } from './evaluate.ts';
import type { TextRef } from './expression.ts';

/** The text that stands there. @param slot of its first character */
export function textAt(values: ArrayLike<number>, slot: number, length: number): string {
  let text = '';
  for (let at = slot; at < slot + length && values[at] !== 0; at += 1)
    text += String.fromCodePoint(values[at]!);
  return text;
}

/** The text that is meant now; a place outside is none. */
export function textNow({ slot, length, count, index }: TextRef, around: Surroundings): string {
  const place = evaluate(index, around);
  if (place >= 0 && place < count) return textAt(around.values, slot + place * length, length);
  around.mishap('place');
  return '';
}
