import * as z from 'zod';
import { powerEnd } from '../../gadget/index.ts';
import { definePart, drawsNothing, mv, noSupply, perMille, ua } from '../kind.ts';

export const booster = definePart({
  id: 'booster',
  title: 'Booster',
  doc: 'Raises the voltage of a cell; what comes out at more volts went in at more amperes.',
  group: 'power',
  figures: z.strictObject({
    outMv: mv('Gives'),
    maxUa: ua('Gives at most'),
    efficiencyPerMille: perMille('Efficiency'),
  }),
  defaults: { outMv: 5_000, maxUa: 1_000_000, efficiencyPerMille: 870 },
  priceCents: 250,
  plays: () => [],
  terminals: () => [powerEnd('in', 'fed'), powerEnd('out', 'feed'), powerEnd('minus', 'ground')],
  draws: drawsNothing,
  supply: noSupply,
  chain: 'converter',
});
