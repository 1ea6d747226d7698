import type { MarkKind } from '@hum-lever/core';

/** What a maker says of a state or rule. */
export const markWords: Record<MarkKind, string> = {
  lasting: 'it is for good, and cannot be undone',
  asleep: 'it is asleep: a press only wakes it',
  asks: 'it asks whether it is meant',
};
/** The same in a word. */
export const markSigns: Record<MarkKind, string> = {
  lasting: 'for good',
  asleep: 'asleep',
  asks: 'asks first',
};
