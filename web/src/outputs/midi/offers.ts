import { keyNumber, type Gadget } from '@hum-lever/core';
import { eachItsRow, firstRows } from '../keyRows.ts';
import { firstOf, type Offer } from '../offer.ts';

export function midi(gadget: Gadget): Offer[] {
  const outputId = firstOf(gadget, 'midi');
  if (outputId === undefined) return [];
  const rowsId = firstRows(gadget);
  return [
    {
      label: 'Send MIDI',
      action: { kind: 'midi', outputId, message: 'noteOn', channel: 1, first: '60', second: '100' },
    },
    ...(rowsId === undefined
      ? []
      : [
          {
            label: 'Play notes of a key',
            action: {
              kind: 'play',
              outputId,
              channel: 1,
              velocity: '100',
              again: 'strike',
              ...eachItsRow(rowsId),
            } as const,
          },
        ]),
    { label: 'End what it plays for a key', action: { kind: 'letGo', outputId, key: keyNumber } },
    { label: 'End what it plays for any key', action: { kind: 'letAllGo', outputId } },
    {
      label: 'Move a controller finely',
      action: { kind: 'fine', outputId, channel: 1, controller: '1', value: '8192' },
    },
    { label: 'Keep others in step', action: { kind: 'sync', outputId, what: 'clock' } },
    { label: 'Pass on what comes in', action: { kind: 'pass', outputId, what: 'channels' } },
    { label: 'Send one maker’s equipment bytes', action: { kind: 'exclusive', outputId, bytes: [125, 1] } },
  ];
}
