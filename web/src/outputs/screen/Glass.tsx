import {
  blankBitmap,
  isSeenComing,
  partlySent,
  render,
  shownInks,
  type Bitmap,
  type Colour,
  type DisplayBus,
  type Drawn,
  type Screen,
} from '@hum-lever/core';
import { useCallback, useMemo, useRef } from 'react';
import { useStock } from './useStock.ts';
import { Pixels } from './Pixels.tsx';

/** A picture on its way to a display, and how much of it is there, in thousandths. */
export interface Coming {
  drawn: Drawn;
  thousandths: number;
  bus: DisplayBus;
}

/** What a display shows, at its own pixels; as large as its place has it. */
export function Glass({
  screen,
  drawn,
  coming = null,
  inks,
  label,
}: {
  screen: Screen;
  drawn: Drawn;
  /** Kept the same (`useMemo`) as long as no more of it has come. */
  coming?: Coming | null;
  /** Kept the same (`useMemo`); without: its own. */
  inks?: readonly Colour[];
  label?: string;
}) {
  const { widthPx, heightPx } = screen;
  const stock = useStock();
  const kept = useRef<Bitmap[]>([]);
  const bitmap = useCallback(() => {
    const blank = (at: number): Bitmap => {
      const before = kept.current[at];
      const same = before?.widthPx === widthPx && before.heightPx === heightPx;
      return (kept.current[at] = same ? before : blankBitmap(widthPx, heightPx));
    };
    const was = blank(0);
    render(was, screen, drawn, stock);
    if (!coming || !isSeenComing(coming.bus, screen.update)) return was;
    const [is, mixed] = [blank(1), blank(2)];
    render(is, screen, coming.drawn, stock);
    partlySent(mixed, was, is, coming.thousandths, screen.update !== 'changed', coming.bus);
    return mixed;
  }, [screen, drawn, coming, stock, widthPx, heightPx]);
  const own = useMemo(() => shownInks(screen), [screen]);
  return <Pixels widthPx={widthPx} heightPx={heightPx} bitmap={bitmap} inks={inks ?? own} label={label} />;
}
