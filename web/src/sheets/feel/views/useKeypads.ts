import { scanTimesOf, type ScanTimes } from '@hum-lever/core';
import { useMemo } from 'react';
import { useDocument } from '../../../client/index.ts';

/** Every array of keys, with how fast it is scanned. */
export function useKeypads(): ScanTimes[] {
  const gadget = useDocument();
  return useMemo(() => scanTimesOf(gadget), [gadget]);
}
