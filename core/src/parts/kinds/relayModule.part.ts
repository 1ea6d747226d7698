import * as z from 'zod';
import { signal } from '../../gadget/index.ts';
import { aModule, definePart, flag, listens, powerEnds, supplied, ua } from '../kind.ts';

export const relayModule = definePart({
  id: 'relay-module',
  title: 'Relay module',
  doc: 'A coil that closes a contact apart from the gadget. Mains on that contact is for licensed people: follow the sheet of its maker and local rules.',
  group: 'motion',
  figures: z.strictObject({
    ...supplied,
    lineUa: ua('Its line takes'),
    inverted: flag('On when its line is low'),
  }),
  defaults: {
    supplyMinMv: 4_500,
    supplyMaxMv: 5_500,
    typicalUa: 20_000,
    worstUa: 75_000,
    lineUa: 2_000,
    inverted: 0,
  },
  priceCents: 250,
  plays: () => ['line'],
  // A coil that clicks while the board starts is let go by a pin that is left alone: low, or high where low is on.
  terminals: (figures) => [
    signal('line', 'out', { ...listens, maxUa: figures.lineUa }),
    ...powerEnds(figures),
  ],
  ...aModule,
});
