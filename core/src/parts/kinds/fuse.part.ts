import * as z from 'zod';
import { powerEnd } from '../../gadget/index.ts';
import { definePart, drawsNothing, noSupply, ua } from '../kind.ts';

export const fuse = definePart({
  id: 'fuse',
  title: 'Fuse',
  doc: 'Opens when a short draws too much; as near to the cell as it can be.',
  group: 'power',
  figures: z.strictObject({ holdUa: ua('Carries without opening') }),
  defaults: { holdUa: 1_100_000 },
  priceCents: 25,
  plays: () => [],
  terminals: () => [powerEnd('in', 'fed'), powerEnd('out', 'feed')],
  draws: drawsNothing,
  supply: noSupply,
  chain: 'fuse',
});
