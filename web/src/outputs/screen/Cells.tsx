import {
  blankCells,
  renderCells,
  shownCells,
  type Bitmap,
  type Colour,
  type TextDisplay,
} from '@hum-lever/core';
import { useCallback, useMemo, useRef } from 'react';
import { Pixels } from './Pixels.tsx';

/** What a display of characters shows, dot by dot; as large as its place has it. */
export function Cells({
  display,
  rows,
  inks,
  label,
}: {
  display: TextDisplay;
  rows: readonly string[];
  /** Kept the same (`useMemo`); without: its own. */
  inks?: readonly Colour[];
  label?: string;
}) {
  const kept = useRef<Bitmap | null>(null);
  const { widthPx, heightPx } = useMemo(() => blankCells(display), [display]);
  const bitmap = useCallback(() => {
    if (kept.current?.widthPx !== widthPx || kept.current.heightPx !== heightPx)
      kept.current = blankCells(display);
    renderCells(kept.current, display, rows);
    return kept.current;
  }, [display, rows, widthPx, heightPx]);
  const own = useMemo(() => shownCells(display), [display]);
  return <Pixels widthPx={widthPx} heightPx={heightPx} bitmap={bitmap} inks={inks ?? own} label={label} />;
}
