import type { Gadget } from '@hum-lever/core';
import { firstOf, whileHere, type Offer } from '../offer.ts';

export function line(gadget: Gadget): Offer[] {
  const outputId = firstOf(gadget, 'line');
  if (outputId === undefined) return [];
  return [
    { label: 'Switch a line', action: { kind: 'switch', outputId, to: 'on' } },
    { label: 'Pulse a line', action: { kind: 'pulse', outputId, to: 'on', length: 200_000 } },
    {
      label: 'Send a burst on a carrier',
      action: { kind: 'burst', outputId, carrierHz: '38000', length: 10_000 },
    },
    ...whileHere(gadget, 'line', (name, id) => ({
      label: `${name} on`,
      action: { kind: 'switch', outputId: id, to: 'on' },
      until: { kind: 'switch', outputId: id, to: 'off' },
    })),
  ];
}
