import type { Gadget } from '@hum-lever/core';
import { firstOf, type Offer } from '../offer.ts';

export function typist(gadget: Gadget): Offer[] {
  const outputId = firstOf(gadget, 'typist');
  if (outputId === undefined) return [];
  return [
    { label: 'Type text', action: { kind: 'type', outputId, text: 'hello' } },
    { label: 'Press a key of the computer', action: { kind: 'key', outputId, key: 'enter', how: 'tap' } },
    { label: 'Let go of all keys of the computer', action: { kind: 'keysUp', outputId } },
  ];
}
