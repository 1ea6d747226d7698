import type { Tone } from '@hum-lever/core';
import { showHz } from '../../shared/index.ts';
import { grille, OutputFigure } from '../Figure.tsx';
import { useOutput } from '../useOutput.ts';

export function Sounder({ output: { id, name } }: { output: Tone }) {
  const hz = useOutput('tone', id)?.hz ?? 0;
  return (
    <OutputFigure id={id} name={name} on={hz > 0} drawn={grille}>
      {showHz(hz)}
    </OutputFigure>
  );
}
