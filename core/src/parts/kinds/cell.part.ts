import * as z from 'zod';
import { powerEnd } from '../../gadget/index.ts';
import { count, definePart, drawsNothing, flag, mv, noSupply, ua } from '../kind.ts';

export const cell = definePart({
  id: 'cell',
  title: 'Lithium cell',
  doc: 'Rechargeable. A short or a wrong charger can set it alight: the maker of the cell has the last word.',
  group: 'power',
  figures: z.strictObject({
    nominalMv: mv('Nominal voltage, each'),
    fullMv: mv('When full, each'),
    emptyMv: mv('When empty, each'),
    capacityMah: count('Capacity, mAh', 10, 100_000),
    inSeries: count('In series', 1, 12),
    linked: flag('Its cells stay linked; no: the link lies in the socket of the gadget'),
    givesUa: ua('Gives at most'),
  }),
  defaults: {
    nominalMv: 3_700,
    fullMv: 4_200,
    emptyMv: 3_000,
    capacityMah: 850,
    inSeries: 1,
    linked: 1,
    givesUa: 1_700_000,
  },
  priceCents: 650,
  plays: () => [],
  terminals: () => [powerEnd('plus', 'feed'), powerEnd('minus', 'ground')],
  draws: drawsNothing,
  supply: noSupply,
  chain: 'source',
});
