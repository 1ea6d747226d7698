import * as z from 'zod';
import { signal } from '../../gadget/index.ts';
import { aModule, amplifierDefaults, amplifierFigures, definePart, hz, powerEnds } from '../kind.ts';

export const pulseSpeaker = definePart({
  id: 'pulse-speaker',
  title: 'Speaker for samples',
  doc: 'Plays sounds that lie in the program: a pin’s pulses, smoothed by a resistor and a capacitor, on an amplifier with its speaker. Starts at once; short sounds take much of the memory.',
  group: 'sound',
  figures: z.strictObject({ ...amplifierFigures, filterHz: hz('Its filter passes up to') }),
  defaults: { ...amplifierDefaults, worstUa: 350_000, filterHz: 4_000 },
  priceCents: 430,
  plays: () => ['player'],
  terminals: (figures) => [signal('in', 'pwm'), ...powerEnds(figures)],
  ...aModule,
});
