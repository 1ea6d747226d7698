import * as z from 'zod';
import { signal } from '../../gadget/index.ts';
import { aModule, definePart, powerEnds, supplied, ua } from '../kind.ts';

export const vibrationMotor = definePart({
  id: 'vibration-motor',
  title: 'Vibration motor with driver',
  doc: 'A small motor behind a transistor; what it stores when switched off needs a diode to go to.',
  group: 'motion',
  figures: z.strictObject({ ...supplied, baseUa: ua('Driver takes from the pin') }),
  defaults: { supplyMinMv: 2_500, supplyMaxMv: 5_000, typicalUa: 20_000, worstUa: 90_000, baseUa: 1_000 },
  priceCents: 180,
  plays: () => ['motor'],
  terminals: (figures) => [signal('drive', 'pwm', { maxUa: figures.baseUa }), ...powerEnds(figures)],
  ...aModule,
});
