import { blankCells, rowsOn, shiningFully, shownCells, type TextDisplay } from '@hum-lever/core';
import { useMemo } from 'react';
import { useOutput } from '../useOutput.ts';
import { Cells } from './Cells.tsx';
import { DisplayInCase } from './DisplayInCase.tsx';
import { cssOf, inLight } from './inks.ts';
import { useBright } from './useGlow.ts';

/** Millimetres of a dot, or a part of a segment, of a common small display. */
const dotMm = { dots: 0.56, seven: 0.7, fourteen: 0.7 } as const;
const none: readonly string[] = [];

export function Display({ output }: { output: TextDisplay }) {
  const { id, name, cells } = output;
  const shown = useOutput('text', id);
  const glass = shown?.glass;
  const rows = useMemo(() => (glass ? rowsOn(output, glass) : none), [output, glass]);
  const shining = shown?.shining ?? shiningFully;
  const { colour } = shining;
  const bright = useBright(output, shining);
  const inks = useMemo(() => inLight(shownCells(output), colour), [output, colour]);
  const said = Array.from({ length: output.rows }, (_, row) => (rows[row] ?? '').trim()).join(' / ');
  return (
    <DisplayInCase
      id={id}
      name={name}
      wideMm={blankCells(output).widthPx * dotMm[cells]}
      ground={cssOf(inks[0]!)}
      bright={bright}
    >
      <Cells display={output} rows={rows} inks={inks} label={`${name}: ${said}`} />
    </DisplayInCase>
  );
}
