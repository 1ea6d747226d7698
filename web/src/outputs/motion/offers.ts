import type { Gadget } from '@hum-lever/core';
import { firstOf, type Offer } from '../offer.ts';

/** Both are told in the same words: offered once, for the first of either. */
export function servo(gadget: Gadget): Offer[] {
  const outputId = firstOf(gadget, 'servo', 'motor');
  return outputId === undefined ? [] : [{ label: 'Move', action: { kind: 'move', outputId, to: '50' } }];
}
export const motor = servo;
