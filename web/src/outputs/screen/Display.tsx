import { blankCells, type TextDisplay } from '@hum-lever/core';
import { useOutput } from '../useOutput.ts';
import { Cells } from './Cells.tsx';
import { DisplayInCase } from './DisplayInCase.tsx';

/** Millimetres of a dot, or a part of a segment, of a common small display. */
const dotMm = { dots: 0.56, seven: 0.7, fourteen: 0.7 } as const;
const none: readonly string[] = [];

export function Display({ output }: { output: TextDisplay }) {
  const { id, name, cells, palette } = output;
  const rows = useOutput('text', id)?.rows ?? none;
  const said = Array.from({ length: output.rows }, (_, row) => (rows[row] ?? '').trim()).join(' / ');
  return (
    <DisplayInCase id={id} name={name} wideMm={blankCells(output).widthPx * dotMm[cells]} ground={palette[0]}>
      <Cells display={output} rows={rows} label={`${name}: ${said}`} />
    </DisplayInCase>
  );
}
