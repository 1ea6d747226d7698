import {
  blankCells,
  cellsUs,
  displayCells,
  displayGlow,
  displayUa,
  outputStateOf,
  rowsOn,
  type TextDisplay,
} from '@hum-lever/core';
import { useElementSize } from '@mantine/hooks';
import { useMemo } from 'react';
import { useDocument } from '../../client/index.ts';
import { OutputFigures } from '../../outputs/figures.tsx';
import { Cells } from '../../outputs/screen/Cells.tsx';
import { showCurrent, showDuration } from '../../shared/index.ts';
import { usePlayer } from '../../workers/index.ts';
import classes from './Screen.module.css';

const none: readonly string[] = [];
const mostScale = 6;

/** A display of characters: what it is and takes; and what stands on it, large, unless a page of it is shown above. */
export function InCharacters({ display, large }: { display: TextDisplay; large: boolean }) {
  return (
    <div>
      {large && <Standing display={display} />}
      <Takes display={display} />
      <div className={classes.below}>
        <div className={classes.figures}>
          <OutputFigures output={display} />
        </div>
      </div>
    </div>
  );
}

function Standing({ display }: { display: TextDisplay }) {
  const { ref, width } = useElementSize();
  const glass = usePlayer(({ shown }) =>
    shown ? outputStateOf(shown.outputs, 'text', display.id)?.glass : undefined,
  );
  const rows = useMemo(() => (glass ? rowsOn(display, glass) : none), [display, glass]);
  const { widthPx } = blankCells(display);
  const scale = Math.max(1, Math.min(mostScale, Math.floor(width / widthPx)));
  return (
    <div ref={ref}>
      <div className={classes.cells} style={{ width: widthPx * scale, background: display.palette[0] }}>
        <Cells display={display} rows={rows} />
      </div>
    </div>
  );
}

/** What it costs, in a line. */
function Takes({ display }: { display: TextDisplay }) {
  const gadget = useDocument();
  const { columns, rows, sends } = display;
  const bus = displayCells(gadget, display.id);
  const glow = displayGlow(gadget, display.id);
  return (
    <p className={classes.cost}>
      <span className="number">
        {columns} × {rows}
      </span>{' '}
      characters; rules, states and menus write them row by row, over its pages.{' '}
      {bus && (
        <>
          All of them take <span className="number">{showDuration(cellsUs(bus, display))}</span> over its bus,
          one <span className="number">{showDuration(bus.characterUs)}</span>
          {sends === 'free'
            ? ', which is left out'
            : sends === 'blocking'
              ? '; the loop waits for it'
              : '; the loop goes on meanwhile'}
          .{' '}
          {sends !== 'free' && bus.startUs > 0 && (
            <>
              The first come <span className="number">{showDuration(bus.startUs)}</span> after power-up at the
              earliest.
            </>
          )}
        </>
      )}{' '}
      {glow && (
        <>
          Draws about <span className="number">{showCurrent(displayUa(glow, 1, 100))}</span>, of which{' '}
          <span className="number">{showCurrent(glow.litUa)}</span> is its light.
        </>
      )}
    </p>
  );
}
