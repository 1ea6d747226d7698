import type { Gadget } from '@hum-lever/core';
import { firstOf, type Offer } from '../offer.ts';

export function player(gadget: Gadget): Offer[] {
  const outputId = firstOf(gadget, 'player');
  if (outputId === undefined) return [];
  const output = gadget.outputs.find(({ id }) => id === outputId);
  const first = output?.kind === 'player' ? output.files[0] : undefined;
  return [
    {
      label: 'Play a file',
      action: { kind: 'playFile', outputId, number: String(first?.number ?? 1), again: false },
    },
    { label: 'Stop a file', action: { kind: 'stopFile', outputId } },
    { label: 'Play files louder or quieter', action: { kind: 'loudFile', outputId, percent: '60' } },
  ];
}
