import * as z from 'zod';
import { powerEnd } from '../../gadget/index.ts';
import { count, definePart, drawsNothing, flag, noSupply, ohms } from '../kind.ts';

export const charger = definePart({
  id: 'charger',
  title: 'Charger',
  doc: 'Fills one lithium cell from 5 V with a current set by a resistor.',
  group: 'power',
  figures: z.strictObject({
    cells: count('Made for cells in series', 1, 12),
    programOhms: ohms('Program resistor'),
    isolated: flag('Supply of its own, isolated'),
  }),
  defaults: { cells: 1, programOhms: 4_000, isolated: 0 },
  priceCents: 120,
  plays: () => [],
  terminals: () => [powerEnd('in', 'fed'), powerEnd('cell', 'fed'), powerEnd('minus', 'ground')],
  draws: drawsNothing,
  supply: noSupply,
  chain: 'charger',
});
