import type { Gadget } from '@hum-lever/core';
import { firstOf, type Offer } from '../offer.ts';

export function typist(gadget: Gadget): Offer[] {
  const outputId = firstOf(gadget, 'typist');
  return outputId === undefined
    ? []
    : [{ label: 'Type text', action: { kind: 'type', outputId, text: 'hello' } }];
}
