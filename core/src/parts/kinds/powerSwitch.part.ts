import * as z from 'zod';
import { powerEnd } from '../../gadget/index.ts';
import { definePart, drawsNothing, noSupply, ua } from '../kind.ts';

export const powerSwitch = definePart({
  id: 'power-switch',
  title: 'Power switch',
  doc: 'Between the cell and everything else.',
  group: 'power',
  figures: z.strictObject({ maxUa: ua('Carries at most') }),
  defaults: { maxUa: 2_000_000 },
  priceCents: 80,
  plays: () => [],
  terminals: () => [powerEnd('in', 'fed'), powerEnd('out', 'feed')],
  draws: drawsNothing,
  supply: noSupply,
  chain: 'switch',
});
