import { frameBitmap, type Frame } from '@hum-lever/core';
import { useCallback, useMemo } from 'react';
import { Pixels } from '../../../outputs/screen/Pixels.tsx';

/** A frame as small as it is listed. */
export function FramePixels({ rows, label }: { rows: Frame; label?: string }) {
  const bitmap = useMemo(() => frameBitmap(rows), [rows]);
  const paint = useCallback(() => bitmap, [bitmap]);
  return <Pixels widthPx={bitmap.widthPx} heightPx={bitmap.heightPx} bitmap={paint} label={label} />;
}
