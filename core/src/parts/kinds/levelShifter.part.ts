import * as z from 'zod';
import { powerEnd } from '../../gadget/index.ts';
import { count, definePart, drawsNothing, noSupply } from '../kind.ts';

export const levelShifter = definePart({
  id: 'level-shifter',
  title: 'Level shifter, four lines',
  doc: 'Joins lines of 3.3 V and 5 V parts, either way.',
  group: 'chips',
  figures: z.strictObject({ lines: count('Lines', 1, 8) }),
  defaults: { lines: 4 },
  priceCents: 90,
  plays: () => [],
  terminals: () => [powerEnd('low', 'supply'), powerEnd('high', 'supply'), powerEnd('minus', 'ground')],
  draws: drawsNothing,
  supply: noSupply,
});
