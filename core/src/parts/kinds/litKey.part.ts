import * as z from 'zod';
import { powerEnd, signal } from '../../gadget/index.ts';
import { contactDefaults, contactEnds, contactFigures, definePart, flag, mv, noSupply, ua } from '../kind.ts';

export const litKey = definePart({
  id: 'lit-key',
  title: 'Lit push button',
  doc: 'A key with a light in its cap: one part with two ends, each with a line of its own.',
  group: 'controls',
  figures: z.strictObject({
    ...contactFigures,
    forwardMv: mv('Forward voltage of the light'),
    wantUa: ua('Current wanted'),
    maxUa: ua('Current at most'),
    fades: flag('Dims or fades (PWM)'),
    ownResistor: flag('Resistor inside'),
  }),
  defaults: {
    ...contactDefaults,
    forwardMv: 2_000,
    wantUa: 8_000,
    maxUa: 20_000,
    fades: 0,
    ownResistor: 0,
  },
  priceCents: 90,
  plays: () => ['button', 'light'],
  terminals: (figures) => [
    ...contactEnds(figures),
    signal('anode', figures.fades ? 'pwm' : 'out', { maxUa: figures.wantUa, atBoot: 'low' }),
    powerEnd('cathode', 'ground', figures.wantUa),
  ],
  draws: ({ wantUa }) => ({ typicalUa: Math.round(wantUa / 4), worstUa: wantUa }),
  supply: noSupply,
  lamps: ({ forwardMv, wantUa, maxUa, ownResistor }) =>
    ownResistor ? [] : [{ terminal: 'anode', forwardMv, wantUa, maxUa }],
});
