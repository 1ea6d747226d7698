import { frameBitmap, type Frame } from '@hum-lever/core';
import { useCallback, useMemo } from 'react';
import { Pixels } from '../../../outputs/screen/Pixels.tsx';
import { usePictureInks } from '../usePictureInks.ts';

/** A frame as small as it is listed. */
export function FramePixels({ rows, label }: { rows: Frame; label?: string }) {
  const bitmap = useMemo(() => frameBitmap(rows), [rows]);
  const paint = useCallback(() => bitmap, [bitmap]);
  const { inks } = usePictureInks();
  const { widthPx, heightPx } = bitmap;
  return <Pixels widthPx={widthPx} heightPx={heightPx} bitmap={paint} inks={inks} label={label} />;
}
