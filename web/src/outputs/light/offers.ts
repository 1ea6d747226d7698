import { colouredLights, type Gadget, type LightMode } from '@hum-lever/core';
import { firstOf, whileHere, type Offer } from '../offer.ts';

const lasting = (label: string, outputId: string, light: LightMode): Required<Offer> => ({
  label,
  action: { kind: 'light', outputId, light },
  until: { kind: 'light', outputId, light: { mode: 'off' } },
});

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
    ...whileHere(gadget, 'light', (name, id) => lasting(`${name} on`, id, { mode: 'on' })),
    ...whileHere(gadget, 'light', (name, id) =>
      lasting(`${name} blinks`, id, { mode: 'blink', periodUs: 500_000 }),
    ),
  ];
}
