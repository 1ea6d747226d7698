import { colouredLights, type Gadget } from '@hum-lever/core';
import { firstOf, type Offer } from '../offer.ts';

export function light(gadget: Gadget): Offer[] {
  const outputId = firstOf(gadget, 'light');
  if (outputId === undefined) return [];
  const [coloured] = colouredLights(gadget);
  return [
    { label: 'Set a light', action: { kind: 'light', outputId, light: { mode: 'on' } } },
    { label: 'Set a light’s level', action: { kind: 'level', outputId, percent: '50' } },
    ...(coloured === undefined
      ? []
      : [
          {
            label: 'Set a light’s colour',
            action: { kind: 'colour', outputId: coloured, colour: 'red' } as const,
          },
        ]),
  ];
}
