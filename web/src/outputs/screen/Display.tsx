import type { TextDisplay } from '@hum-lever/core';
import { useIsLit } from '../../shared/index.ts';
import { useOutput } from '../useOutput.ts';
import { Cells } from './Cells.tsx';
import classes from './Display.module.css';

export function Display({ output: { id, name, columns, rows } }: { output: TextDisplay }) {
  const written = useOutput('text', id)?.rows;
  const pointed = useIsLit(id);
  return (
    <div className={classes.display} data-lit={pointed}>
      <Cells
        name={name}
        columns={columns}
        rows={Array.from({ length: rows }, (_, row) => written?.[row] ?? '')}
      />
    </div>
  );
}
