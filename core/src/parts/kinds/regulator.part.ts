import * as z from 'zod';
import { powerEnd } from '../../gadget/index.ts';
import { definePart, drawsNothing, mv, noSupply, ua } from '../kind.ts';

export const regulator = definePart({
  id: 'regulator',
  title: 'Regulator, linear',
  doc: 'Holds a lower voltage and turns the rest to heat.',
  group: 'power',
  figures: z.strictObject({
    outMv: mv('Gives'),
    dropMv: mv('Needs above that'),
    maxUa: ua('Gives at most'),
    maxInMv: mv('Takes at most'),
  }),
  defaults: { outMv: 3_300, dropMv: 300, maxUa: 500_000, maxInMv: 12_000 },
  priceCents: 60,
  plays: () => [],
  terminals: () => [powerEnd('in', 'fed'), powerEnd('out', 'feed'), powerEnd('minus', 'ground')],
  draws: drawsNothing,
  supply: noSupply,
  chain: 'converter',
});
