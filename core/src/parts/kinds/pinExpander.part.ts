import * as z from 'zod';
import { address, definePart, drawn, hz, ohms, powerEnds, supplied, supplyOf, twoWire } from '../kind.ts';

export const pinExpander = definePart({
  id: 'pin-expander',
  title: 'Pin expander',
  doc: 'Sixteen more pins on a two-wire bus.',
  group: 'chips',
  figures: z.strictObject({
    ...supplied,
    address,
    busBaud: hz('Bus speed'),
    busPullOhms: ohms('Pull-ups on the module (0: none)'),
  }),
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
  terminals: (figures) => [...twoWire(figures.busBaud), ...powerEnds(figures)],
  draws: drawn,
  supply: supplyOf,
  address: (figures) => figures.address,
  busPullOhms: (figures) => figures.busPullOhms,
});
