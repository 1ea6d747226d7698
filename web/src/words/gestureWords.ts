import type { CodeGesture, GestureKind } from '@hum-lever/core';

/** Gestures in plain words, the standard term beside them where there is one. */
export const gestureWords: Record<GestureKind, string> = {
  press: 'pressed',
  release: 'let go',
  tap: 'tapped',
  hold: 'held',
  double: 'tapped twice',
  repeat: 'repeats while held',
  hold2: 'held longer',
  hold3: 'held longest',
  triple: 'tapped three times',
  heldRelease: 'let go after being held',
  up: 'turned up a step',
  down: 'turned down a step',
};

/** What a code of a receiver can say. */
export const codeWords: Record<CodeGesture, string> = {
  press: 'is heard',
  repeat: 'is heard again, held',
  release: 'is no longer heard',
};
