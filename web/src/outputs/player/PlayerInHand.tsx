import type { OutputOf } from '@hum-lever/core';
import { count } from '../../shared/index.ts';
import { grille, OutputFigure } from '../Figure.tsx';
import { useOutput } from '../useOutput.ts';

/** Which file sounds. */
export function PlayerInHand({ output: { id, name, files } }: { output: OutputOf<'player'> }) {
  const { number = null, lost = 0 } = useOutput('player', id) ?? {};
  const file = files.find((one) => one.number === number);
  return (
    <OutputFigure id={id} name={name} on={number !== null} drawn={grille}>
      {number === null ? 'silent' : (file?.name ?? `file ${number}`)}
      {lost > 0 && `; ${count(lost, 'order')} lost`}
    </OutputFigure>
  );
}
