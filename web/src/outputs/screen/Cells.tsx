import { blankCells, renderCells, shownCells, type Bitmap, type TextDisplay } from '@hum-lever/core';
import { useCallback, useMemo, useRef } from 'react';
import { Pixels } from './Pixels.tsx';

/** What a display of characters shows, dot by dot; as large as its place has it. */
export function Cells({
  display,
  rows,
  label,
}: {
  display: TextDisplay;
  rows: readonly string[];
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
  const inks = useMemo(() => shownCells(display), [display]);
  return <Pixels widthPx={widthPx} heightPx={heightPx} bitmap={bitmap} inks={inks} label={label} />;
}
