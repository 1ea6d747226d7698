import type { Gadget } from '@hum-lever/core';
import { firstOf, type Offer } from '../offer.ts';

export function serial(gadget: Gadget): Offer[] {
  const outputId = firstOf(gadget, 'serial');
  if (outputId === undefined) return [];
  return [{ label: 'Send a line of text', action: { kind: 'say', outputId, text: 'ready', ended: true } }];
}
