import { keyNumber, type Gadget } from '@hum-lever/core';
import { eachItsRow, firstRows } from '../keyRows.ts';
import { firstOf, type Offer } from '../offer.ts';

export function tone(gadget: Gadget): Offer[] {
  const outputId = firstOf(gadget, 'tone');
  if (outputId === undefined) return [];
  const rowsId = firstRows(gadget);
  const [[tune], [effect]] = [gadget.tunes, gadget.effects];
  const notes = [440, 660].map((hz) => ({ hz, lengthUs: 150_000 }));
  return [
    { label: 'Sound a tone', action: { kind: 'tone', outputId, hz: '440', lengthUs: 200_000 } },
    { label: 'Play notes', action: { kind: 'tune', outputId, notes } },
    ...(effect
      ? [
          {
            label: 'Sound an effect',
            action: { kind: 'effect', outputId, effectId: effect.id, byCents: '0' } as const,
          },
        ]
      : []),
    ...(tune
      ? [
          {
            label: 'Play a tune',
            action: { kind: 'perform', outputId, tuneId: tune.id, voiceId: null, by: '0', bpm: '0' } as const,
            until: { kind: 'finish', outputId } as const,
          },
          {
            label: 'Play a tune faster, slower, higher',
            action: { kind: 'pace', outputId, bpm: '0', by: '0' } as const,
          },
          { label: 'End a tune', action: { kind: 'finish', outputId } as const },
        ]
      : []),
    { label: 'Sound louder or quieter', action: { kind: 'loud', outputId, percent: '40' } },
    { label: 'Fall silent', action: { kind: 'silence', outputId } },
    ...(rowsId === undefined
      ? []
      : [
          {
            label: 'Sound notes of a key',
            action: { kind: 'sing', outputId, ...eachItsRow(rowsId) } as const,
          },
        ]),
    { label: 'End what sounds for a key', action: { kind: 'hush', outputId, key: keyNumber } },
  ];
}
