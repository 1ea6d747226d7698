import type { Gadget } from '@hum-lever/core';
import ELK from 'elkjs/lib/elk-api.js';
import workerUrl from 'elkjs/lib/elk-worker.min.js?url';
import { useEffect, useState } from 'react';
import { fitOf } from './useLook.ts';
import { drawingOf, graphOf, type Direction, type MapDrawing } from './layout.ts';

const directions: readonly Direction[] = ['DOWN', 'RIGHT'];

/** One worker lays out every map, for as long as the page is open. */
let library: InstanceType<typeof ELK> | null = null;
const elk = () => (library ??= new ELK({ workerFactory: () => new Worker(workerUrl) }));

/** The map of the flow; the one before stays until the next is laid out. */
export function useDrawing(gadget: Gadget): { drawing: MapDrawing | null; failure: string | null } {
  const [drawing, setDrawing] = useState<MapDrawing | null>(null);
  const [failure, setFailure] = useState<string | null>(null);
  useEffect(() => {
    let wanted = true;
    // Down and across: the one that is seen larger in the frame is taken.
    Promise.all(directions.map((direction) => elk().layout(graphOf(gadget, direction))))
      .then((laid) => {
        if (!wanted) return;
        const drawings = laid.map((one) => drawingOf(gadget, one));
        setDrawing(drawings.reduce((best, one) => (fitOf(one) > fitOf(best) * 1.1 ? one : best)));
        setFailure(null);
      })
      .catch((error: Error) => wanted && setFailure(error.message));
    return () => {
      wanted = false;
    };
  }, [gadget]);
  return { drawing, failure };
}
