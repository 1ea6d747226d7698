import type { Gadget } from '@hum-lever/core';
import { firstOf, type Offer } from '../offer.ts';

export function tone(gadget: Gadget): Offer[] {
  const outputId = firstOf(gadget, 'tone');
  if (outputId === undefined) return [];
  const notes = [440, 660].map((hz) => ({ hz, lengthUs: 150_000 }));
  return [
    { label: 'Sound a tone', action: { kind: 'tone', outputId, hz: '440', lengthUs: 200_000 } },
    { label: 'Play notes', action: { kind: 'tune', outputId, notes } },
    { label: 'Fall silent', action: { kind: 'silence', outputId } },
  ];
}
