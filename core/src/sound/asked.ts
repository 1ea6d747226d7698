import { inOctave, noteHz, performedNotes, rowsTold } from '../notes/index.ts';
import { allActions, type Gadget } from '../gadget/index.ts';

/**
 * Pitches that the flow asks a sounder for as plain numbers, or as notes of a table or a tune that are moved by one; each
 * once, lowest first; rests and silence are none, nor what a note passes on a slide or a vibrato.
 */
export function askedHz(gadget: Gadget, outputId: string): number[] {
  const output = gadget.outputs.find(({ id }) => id === outputId);
  const perOctave = output?.kind === 'tone' ? output.perOctave : inOctave;
  const asked = allActions(gadget).flatMap((action): number[] => {
    if (!('outputId' in action) || action.outputId !== outputId) return [];
    if (action.kind === 'sing') {
      const { rows, by } = rowsTold(gadget, action);
      return by === null || !rows ? [] : rows.flat().map((note) => noteHz(note + by, perOctave));
    }
    if (action.kind === 'perform')
      return performedNotes(gadget, action).map((note) => noteHz(note, perOctave));
    if (action.kind === 'tune') return action.notes.map(({ hz }) => hz);
    return action.kind === 'tone' && /^\s*\d+\s*$/.test(action.hz) ? [Number(action.hz)] : [];
  });
  // Of a note and of a number that are the same pitch one is enough.
  const told = asked.map((hz) => Math.round(hz * 1_000_000) / 1_000_000);
  return [...new Set(told)].filter((hz) => hz > 0).sort((a, b) => a - b);
}
