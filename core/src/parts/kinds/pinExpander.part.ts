import * as z from 'zod';
import { definePart, twoWireFigures, twoWireModule } from '../kind.ts';

export const pinExpander = definePart({
  id: 'pin-expander',
  title: 'Pin expander',
  doc: 'Sixteen more pins on a two-wire bus.',
  group: 'chips',
  figures: z.strictObject(twoWireFigures),
  defaults: {
    supplyMinMv: 1_800,
    supplyMaxMv: 5_500,
    typicalUa: 100,
    worstUa: 50_000,
    address: 33,
    busBaud: 400_000,
    busPullOhms: 0,
  },
  priceCents: 140,
  plays: () => [],
  ...twoWireModule,
  addresses: [32, 33, 34, 35, 36, 37, 38, 39],
});
