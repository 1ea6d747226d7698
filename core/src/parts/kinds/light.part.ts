import * as z from 'zod';
import { powerEnd, signal } from '../../gadget/index.ts';
import { definePart, flag, mv, noSupply, ua } from '../kind.ts';

export const light = definePart({
  id: 'light',
  title: 'Light',
  doc: 'A single light-emitting diode; needs a resistor, or it takes all that the pin gives.',
  group: 'lights',
  figures: z.strictObject({
    forwardMv: mv('Forward voltage'),
    wantUa: ua('Current wanted'),
    maxUa: ua('Current at most'),
    fades: flag('Dims or fades (PWM)'),
    ownResistor: flag('Resistor inside'),
  }),
  defaults: { forwardMv: 2_000, wantUa: 8_000, maxUa: 20_000, fades: 0, ownResistor: 0 },
  priceCents: 10,
  plays: () => ['light'],
  terminals: ({ wantUa, fades }) => [
    signal('anode', fades ? 'pwm' : 'out', { maxUa: wantUa, atBoot: 'low' }),
    powerEnd('cathode', 'ground', wantUa),
  ],
  draws: ({ wantUa }) => ({ typicalUa: Math.round(wantUa / 4), worstUa: wantUa }),
  supply: noSupply,
  lamps: ({ forwardMv, wantUa, maxUa, ownResistor }) =>
    ownResistor ? [] : [{ terminal: 'anode', forwardMv, wantUa, maxUa }],
});
