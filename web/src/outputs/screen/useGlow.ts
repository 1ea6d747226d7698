import { displayGlow, type Glow } from '@hum-lever/core';
import { useMemo } from 'react';
import { useGadget } from '../../client/index.ts';

/** The light that a display of the gadget is seen by. */
export function useGlow(id: string): Glow | null {
  const parts = useGadget(({ document }) => document?.parts);
  return useMemo(() => (parts ? displayGlow({ parts }, id) : null), [parts, id]);
}
