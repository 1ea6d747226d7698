import { blankCells, outputStateOf, type TextDisplay } from '@hum-lever/core';
import { useElementSize } from '@mantine/hooks';
import { useDocument } from '../../client/index.ts';
import { OutputFigures } from '../../outputs/figures.tsx';
import { Cells } from '../../outputs/screen/Cells.tsx';
import { rowsUs } from '../../outputs/screen/rowsUs.ts';
import { showDuration } from '../../shared/index.ts';
import { usePlayer } from '../../workers/index.ts';
import classes from './Screen.module.css';

const none: readonly string[] = [];
const mostScale = 6;

/** A display of characters: what stands on it, large, and what it is. Rules and menus write on it. */
export function InCharacters({ display }: { display: TextDisplay }) {
  const { ref, width } = useElementSize();
  const gadget = useDocument();
  const rows =
    usePlayer(({ shown }) => (shown ? outputStateOf(shown.outputs, 'text', display.id)?.rows : undefined)) ??
    none;
  const { widthPx } = blankCells(display);
  const scale = Math.max(1, Math.min(mostScale, Math.floor(width / widthPx)));
  const us = rowsUs(gadget, display.id);
  return (
    <div ref={ref}>
      <div className={classes.cells} style={{ width: widthPx * scale, background: display.palette[0] }}>
        <Cells display={display} rows={rows} />
      </div>
      <p className={classes.cost}>
        <span className="number">
          {display.columns} × {display.rows}
        </span>{' '}
        characters, as they stand in hand; rules, states and menus write them, row by row.
        {us !== null && (
          <>
            {' '}
            Two rows of sixteen take <span className="number">{showDuration(us)}</span> over its bus.
          </>
        )}
      </p>
      <div className={classes.below}>
        <div className={classes.figures}>
          <OutputFigures output={display} />
        </div>
      </div>
    </div>
  );
}
