import type { Gadget } from '@hum-lever/core';
import { firstOf, type Offer } from '../offer.ts';

export function midi(gadget: Gadget): Offer[] {
  const outputId = firstOf(gadget, 'midi');
  if (outputId === undefined) return [];
  return [
    {
      label: 'Send MIDI',
      action: { kind: 'midi', outputId, message: 'noteOn', channel: 1, first: '60', second: '100' },
    },
  ];
}
