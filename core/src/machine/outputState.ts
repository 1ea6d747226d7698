import type { OutputKind } from '../gadget/index.ts';
import type { OutputState, OutputStateOf } from './outputKinds.ts';

/* By itself: whoever only looks at outputs needs none of what they do. */

/** The state of one that is of that kind; undefined: there is none. */
export function outputStateOf<K extends OutputKind>(
  states: Readonly<Record<string, OutputState>>,
  kind: K,
  id: string,
): OutputStateOf<K> | undefined {
  const state = states[id];
  return state?.kind === kind ? (state as OutputStateOf<K>) : undefined;
}
