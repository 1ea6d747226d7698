import {
  displayGlow,
  shinesAt,
  type Glow,
  type Screen,
  type Shining,
  type TextDisplay,
} from '@hum-lever/core';
import { useMemo } from 'react';
import { useGadget } from '../../client/index.ts';
import { brightness } from './inks.ts';

/** The light that a display of the gadget is seen by. */
export function useGlow(id: string): Glow | null {
  const parts = useGadget(({ document }) => document?.parts);
  return useMemo(() => (parts ? displayGlow({ parts }, id) : null), [parts, id]);
}

/** How bright what can be seen of a display is that shines so, 1: as usual. */
export function useBright({ id, dims }: Screen | TextDisplay, shining: Shining): number {
  const glow = useGlow(id);
  return brightness(shinesAt(shining, { glow, dims }), glow);
}
