import * as z from 'zod';
import { powerEnd } from '../../gadget/index.ts';
import { definePart, drawsNothing, mv, noSupply, ua } from '../kind.ts';

export const protectionDiode = definePart({
  id: 'protection-diode',
  title: 'Protection diode',
  doc: 'Lets current through one way only: against reversed polarity, and between two supplies.',
  group: 'power',
  figures: z.strictObject({ forwardMv: mv('Loses'), maxUa: ua('Carries at most') }),
  defaults: { forwardMv: 300, maxUa: 1_000_000 },
  priceCents: 15,
  plays: () => [],
  terminals: () => [powerEnd('in', 'fed'), powerEnd('out', 'feed')],
  draws: drawsNothing,
  supply: noSupply,
  chain: 'diode',
});
