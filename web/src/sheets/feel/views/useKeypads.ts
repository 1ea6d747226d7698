import { keypadsOf, type Keypad } from '@hum-lever/core';
import { useMemo } from 'react';
import { useDocument } from '../../../client/index.ts';

/** Every array of keys: asked anew with every edit, not with every press. */
export function useKeypads(): Keypad[] {
  const gadget = useDocument();
  return useMemo(() => keypadsOf(gadget), [gadget]);
}
