import type { Gadget } from '@hum-lever/core';
import { firstOf, type Offer } from '../offer.ts';

export function moved(gadget: Gadget): Offer[] {
  const outputId = firstOf(gadget, 'servo', 'motor');
  return outputId === undefined ? [] : [{ label: 'Move', action: { kind: 'move', outputId, to: '50' } }];
}
