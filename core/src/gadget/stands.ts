import type { Action } from './actions.schema.ts';
import type { Gadget } from './gadget.schema.ts';

/**
 * How long the loop stands still at an action, µs; 0: it goes on at once. A wait does, and what sounds with an end on a
 * sounder whose program waits for that. Tunes on their grid go on beside the loop everywhere.
 */
export function standsUs({ outputs, effects }: Pick<Gadget, 'outputs' | 'effects'>, action: Action): number {
  if (action.kind === 'wait') return action.lengthUs;
  if (action.kind !== 'tone' && action.kind !== 'tune' && action.kind !== 'effect') return 0;
  const output = outputs.find(({ id }) => id === action.outputId);
  if (output?.kind !== 'tone' || !output.blocking) return 0;
  switch (action.kind) {
    case 'tone':
      return action.lengthUs;
    case 'tune':
      return action.notes.reduce((sum, { lengthUs }) => sum + lengthUs, 0);
    case 'effect':
      return effects.find(({ id }) => id === action.effectId)?.lengthUs ?? 0;
  }
}
