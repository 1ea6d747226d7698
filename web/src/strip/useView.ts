import { useRef, useState } from 'react';
import { usePlayer, virtualNowUs } from '../workers/index.ts';
import type { Span } from './lanes.ts';

/** From the bounce of a contact to half an hour of play. */
export const spanLimits = { leastUs: 5_000, mostUs: 1_800_000_000 } as const;
const usualUs = 2_000_000;
/** One step of a key or a button. */
export const closer = 0.5;
/** Where "now" stands in the window, so that the newest is not glued to the edge. */
const nowShare = 0.92;

/** The window of time that the strip shows. */
export interface View {
  spanUs: number;
  /** As it is now: the end of the present, or around a moment of the past. */
  window(): Span;
  /** Closer (below 1) or farther, around a moment; null: around what is looked at. */
  zoom(factor: number, aroundUs: number | null): void;
}

export function useView(): View {
  const [spanUs, setSpanUs] = useState(usualUs);
  /** Where the window ended in the past, so that walking does not shake the picture. */
  const endUs = useRef(0);
  const window = (): Span => {
    const { pastUs } = usePlayer.getState();
    if (pastUs === null) endUs.current = virtualNowUs() + spanUs * (1 - nowShare);
    else if (pastUs <= endUs.current - spanUs || pastUs >= endUs.current) endUs.current = pastUs + spanUs / 2;
    return { fromUs: endUs.current - spanUs, toUs: endUs.current };
  };
  const zoom = (factor: number, aroundUs: number | null) => {
    const next = Math.round(Math.max(spanLimits.leastUs, Math.min(spanLimits.mostUs, spanUs * factor)));
    const { pastUs } = usePlayer.getState();
    if (pastUs !== null) {
      const around = aroundUs ?? pastUs;
      endUs.current = around + (endUs.current - around) * (next / spanUs);
    }
    setSpanUs(next);
  };
  return { spanUs, window, zoom };
}
