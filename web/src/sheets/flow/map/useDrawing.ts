import type { Gadget } from '@hum-lever/core';
import ELK from 'elkjs/lib/elk-api.js';
import workerUrl from 'elkjs/lib/elk-worker.min.js?url';
import { useEffect, useState } from 'react';
import { drawingOf, graphOf, type MapDrawing } from './layout.ts';

/** One worker lays out every map, for as long as the page is open. */
let library: InstanceType<typeof ELK> | null = null;
const elk = () => (library ??= new ELK({ workerFactory: () => new Worker(workerUrl) }));

/** The map of the flow; the one before stays until the next is laid out. */
export function useDrawing(gadget: Gadget): { drawing: MapDrawing | null; failure: string | null } {
  const [drawing, setDrawing] = useState<MapDrawing | null>(null);
  const [failure, setFailure] = useState<string | null>(null);
  useEffect(() => {
    let wanted = true;
    elk()
      .layout(graphOf(gadget))
      .then((laid) => {
        if (!wanted) return;
        setDrawing(drawingOf(gadget, laid));
        setFailure(null);
      })
      .catch((error: Error) => wanted && setFailure(error.message));
    return () => {
      wanted = false;
    };
  }, [gadget]);
  return { drawing, failure };
}
