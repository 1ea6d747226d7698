import {
  blankBitmap,
  rastersOf,
  render,
  shownInks,
  type Bitmap,
  type Drawn,
  type Screen,
} from '@hum-lever/core';
import { useCallback, useMemo, useRef } from 'react';
import { usePictures } from '../useOutput.ts';
import { Pixels } from './Pixels.tsx';

/** What a display shows, at its own pixels; as large as its place has it. */
export function Glass({ screen, drawn, label }: { screen: Screen; drawn: Drawn; label?: string }) {
  const { widthPx, heightPx } = screen;
  const pictures = usePictures();
  const kept = useRef<Bitmap | null>(null);
  const bitmap = useCallback(() => {
    if (kept.current?.widthPx !== widthPx || kept.current.heightPx !== heightPx)
      kept.current = blankBitmap(widthPx, heightPx);
    render(kept.current, screen, drawn, rastersOf(pictures));
    return kept.current;
  }, [screen, drawn, pictures, widthPx, heightPx]);
  const inks = useMemo(() => shownInks(screen), [screen]);
  return <Pixels widthPx={widthPx} heightPx={heightPx} bitmap={bitmap} inks={inks} label={label} />;
}
