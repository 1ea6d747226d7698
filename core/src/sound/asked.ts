import { allActions, type Gadget } from '../gadget/index.ts';

/** Pitches that the flow asks a sounder for as plain numbers, each once, lowest first; rests and silence are none. */
export function askedHz(gadget: Gadget, outputId: string): number[] {
  const asked = allActions(gadget).flatMap((action): number[] => {
    if (!('outputId' in action) || action.outputId !== outputId) return [];
    if (action.kind === 'tune') return action.notes.map(({ hz }) => hz);
    return action.kind === 'tone' && /^\s*\d+\s*$/.test(action.hz) ? [Number(action.hz)] : [];
  });
  return [...new Set(asked)].filter((hz) => hz > 0).sort((a, b) => a - b);
}
