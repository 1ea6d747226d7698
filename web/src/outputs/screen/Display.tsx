import { cellsWideMm, rowsOn, shiningFully, shownCells, type TextDisplay } from '@hum-lever/core';
import { useMemo } from 'react';
import { useOutput } from '../useOutput.ts';
import { Cells } from './Cells.tsx';
import { DisplayInCase } from './DisplayInCase.tsx';
import { cssOf, inLight } from './inks.ts';
import { useBright } from './useGlow.ts';

const none: readonly string[] = [];

export function Display({ output }: { output: TextDisplay }) {
  const { id, name } = output;
  const shown = useOutput('text', id);
  const glass = shown?.glass;
  const rows = useMemo(() => (glass ? rowsOn(output, glass) : none), [output, glass]);
  const shining = shown?.shining ?? shiningFully;
  const { colour } = shining;
  const bright = useBright(output, shining);
  const inks = useMemo(() => inLight(shownCells(output), colour), [output, colour]);
  const said = Array.from({ length: output.rows }, (_, row) => (rows[row] ?? '').trim()).join(' / ');
  return (
    <DisplayInCase id={id} name={name} wideMm={cellsWideMm(output)} ground={cssOf(inks[0]!)} bright={bright}>
      <Cells display={output} rows={rows} inks={inks} label={`${name}: ${said}`} />
    </DisplayInCase>
  );
}
