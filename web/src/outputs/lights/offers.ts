import type { Gadget } from '@hum-lever/core';
import { firstOf, whileHere, type Offer } from '../offer.ts';

export function lights(gadget: Gadget): Offer[] {
  const outputId = firstOf(gadget, 'lights');
  if (outputId === undefined) return [];
  const all = { outputId, which: 'all', first: '0', last: '0' } as const;
  const one = { ...all, which: 'one' } as const;
  return [
    {
      label: 'Paint lights by number',
      action: { kind: 'paintLights', ...one, colour: 'amber', percent: '100' },
    },
    { label: 'Mix a colour', action: { kind: 'mixLights', ...one, red: '255', green: '120', blue: '0' } },
    { label: 'Light a hue', action: { kind: 'hueLights', ...all, hue: '0', percent: '100' } },
    {
      label: 'Fill lights up to a number',
      action: { kind: 'fillLights', ...all, amount: '3', colour: 'green', percent: '100' },
    },
    { label: 'Move lights on', action: { kind: 'shiftLights', ...all, by: '1', round: true } },
    {
      label: 'Paint a pattern of lights',
      action: { kind: 'patternLights', ...all, steps: '#..', colour: 'amber', percent: '100' },
    },
    { label: 'Blink lights by number', action: { kind: 'blinkLights', ...all, period: 1_000_000 } },
    {
      label: 'Fade lights through colours',
      action: { kind: 'fadeLights', ...all, through: ['blue', 'off'], over: 2_000_000 },
    },
    ...whileHere(gadget, 'lights', (name, id) => ({
      label: `${name} lit`,
      action: { kind: 'paintLights', ...all, outputId: id, colour: 'amber', percent: '100' },
      until: { kind: 'paintLights', ...all, outputId: id, colour: 'off', percent: '0' },
    })),
  ];
}
