import { rowCells } from '@hum-lever/core';
import classes from './Display.module.css';

/** Millimetres of one character cell of a common small display. */
const cellMm = 3;
/** What the case has room for; wider displays are drawn smaller, and say so. */
const roomMm = 52;

/** A character display, cell by cell. */
export function Cells({ name, columns, rows }: { name: string; columns: number; rows: string[] }) {
  const scale = Math.min(1, roomMm / (columns * cellMm));
  return (
    <figure className={classes.display} style={{ '--cell': `${cellMm * scale}mm` } as React.CSSProperties}>
      <div
        className={classes.glass}
        role="img"
        aria-label={`${name}: ${rows.map((row) => row.trim()).join(' / ')}`}
      >
        {rows.map((row, y) => (
          <div key={y} className={classes.cells} aria-hidden>
            {rowCells(row, columns).map((character, x) => (
              <span key={x}>{character}</span>
            ))}
          </div>
        ))}
      </div>
      <figcaption>
        {name}
        {scale < 1 && <span className="number"> drawn at {Math.round(scale * 100)} %</span>}
      </figcaption>
    </figure>
  );
}
