import { blankCells, type TextDisplay } from '@hum-lever/core';
import { useIsLit } from '../../shared/index.ts';
import { useOutput } from '../useOutput.ts';
import { Cells } from './Cells.tsx';
import classes from './Display.module.css';

/** Millimetres of a dot, or a part of a segment, of a common small display. */
const dotMm = { dots: 0.56, seven: 0.7, fourteen: 0.7 } as const;
/** What the case has room for; wider displays are drawn smaller, and say so. */
const roomMm = 52;
const none: readonly string[] = [];

export function Display({ output }: { output: TextDisplay }) {
  const { id, name, cells, palette } = output;
  const rows = useOutput('text', id)?.rows ?? none;
  const pointed = useIsLit(id);
  const wideMm = blankCells(output).widthPx * dotMm[cells];
  const scale = Math.min(1, roomMm / wideMm);
  const said = Array.from({ length: output.rows }, (_, row) => (rows[row] ?? '').trim()).join(' / ');
  return (
    <figure className={classes.display} data-lit={pointed}>
      <div
        className={classes.glass}
        data-cells
        style={{ width: `${wideMm * scale}mm`, background: palette[0] }}
      >
        <Cells display={output} rows={rows} label={`${name}: ${said}`} />
      </div>
      <figcaption>
        {name}
        {scale < 1 && <span className="number"> drawn at {Math.round(scale * 100)} %</span>}
      </figcaption>
    </figure>
  );
}
