import * as z from 'zod';
import { powerEnd, signal } from '../../gadget/index.ts';
import { definePart, mv, noSupply, ua } from '../kind.ts';

export const rgbLight = definePart({
  id: 'rgb-light',
  title: 'Three-colour light',
  doc: 'Red, green and blue in one body with a common cathode; each needs a resistor and a dimming pin.',
  group: 'lights',
  colours: true,
  figures: z.strictObject({
    redMv: mv('Forward voltage, red'),
    greenMv: mv('Forward voltage, green'),
    blueMv: mv('Forward voltage, blue'),
    wantUa: ua('Current wanted, each'),
    maxUa: ua('Current at most, each'),
  }),
  defaults: { redMv: 2_000, greenMv: 3_000, blueMv: 3_000, wantUa: 8_000, maxUa: 20_000 },
  priceCents: 30,
  plays: () => ['light'],
  terminals: ({ wantUa }) => [
    ...['red', 'green', 'blue'].map((name) => signal(name, 'pwm', { maxUa: wantUa, atBoot: 'low' })),
    powerEnd('cathode', 'ground', 3 * wantUa),
  ],
  draws: ({ wantUa }) => ({ typicalUa: wantUa, worstUa: 3 * wantUa }),
  supply: noSupply,
  lamps: ({ redMv, greenMv, blueMv, wantUa, maxUa }) => [
    { terminal: 'red', forwardMv: redMv, wantUa, maxUa },
    { terminal: 'green', forwardMv: greenMv, wantUa, maxUa },
    { terminal: 'blue', forwardMv: blueMv, wantUa, maxUa },
  ],
});
