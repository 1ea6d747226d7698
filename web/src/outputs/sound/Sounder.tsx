import { noteName, type Tone } from '@hum-lever/core';
import { showHz } from '../../shared/index.ts';
import { grille, OutputFigure } from '../Figure.tsx';
import { notesWords } from '../notesWords.ts';
import { useOutput } from '../useOutput.ts';

export function Sounder({ output: { id, name } }: { output: Tone }) {
  const state = useOutput('tone', id);
  const hz = state?.hz ?? 0;
  const held = state?.held.flatMap(({ notes }) => notes) ?? [];
  const music = held.length === 0 && state?.busy === false && hz > 0 ? state.music : null;
  return (
    <OutputFigure id={id} name={name} on={hz > 0} drawn={grille}>
      {held.length > 0 && `${notesWords([...new Set(held)].sort((a, b) => a - b))}, `}
      {music && music.pitch !== null && `${noteName(Math.round(music.pitch / 100) + music.by)}, `}
      {showHz(hz)}
    </OutputFigure>
  );
}
