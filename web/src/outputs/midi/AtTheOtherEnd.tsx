import type { OutputOf } from '@hum-lever/core';
import { notesWords } from '../notesWords.ts';
import { count } from '../../shared/index.ts';
import { grille, OutputFigure } from '../Figure.tsx';
import { useOutput } from '../useOutput.ts';
import { meaning } from './meaning.ts';

/** What stands in for the sound equipment that is sent to: its notes as they sound, or what came last. */
export function AtTheOtherEnd({ output: { id, kind, name } }: { output: OutputOf<'midi'> }) {
  const state = useOutput(kind, id);
  const notes = [...(state?.receiver.sounding ?? [])].sort((a, b) => a.note - b.note);
  const last = state?.last;
  return (
    <OutputFigure id={id} name={name} on={notes.length > 0} drawn={grille}>
      {notes.length > 0 ? notesWords(notes.map(({ note }) => note)) : last ? meaning(last) : 'nothing yet'}
      {state && state.lost > 0 && `; ${count(state.lost, 'message')} lost`}
    </OutputFigure>
  );
}
