import * as z from 'zod';
import { signal } from '../../gadget/index.ts';
import { aModule, definePart, hz, listens, powerEnds, serialBus, supplied } from '../kind.ts';

export const memoryCard = definePart({
  id: 'memory-card',
  title: 'Memory card',
  doc: 'Files on a card over a fast serial bus; a 3.3 V part that draws hard while writing.',
  group: 'memory',
  figures: z.strictObject({ ...supplied, busBaud: hz('Bus speed') }),
  defaults: {
    supplyMinMv: 2_700,
    supplyMaxMv: 3_600,
    typicalUa: 15_000,
    worstUa: 150_000,
    busBaud: 8_000_000,
  },
  priceCents: 250,
  plays: () => [],
  terminals: (figures) => [
    ...serialBus(figures.busBaud, ['mosi', 'miso', 'sck']),
    signal('select', 'out', listens),
    ...powerEnds(figures),
  ],
  ...aModule,
  memory: () => ({ ram: 512, flash: 8_000 }),
});
