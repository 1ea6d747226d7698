import * as z from 'zod';
import { count, definePart, twoWireFigures, twoWireModule } from '../kind.ts';

export const settingsMemory = definePart({
  id: 'settings-memory',
  title: 'Settings memory',
  doc: 'Keeps settings without power, on a two-wire bus; each place stands a million writes or so.',
  group: 'memory',
  figures: z.strictObject({
    ...twoWireFigures,
    bytes: count('Size, bytes', 16, 1_000_000),
  }),
  defaults: {
    supplyMinMv: 2_500,
    supplyMaxMv: 5_500,
    typicalUa: 50,
    worstUa: 3_000,
    bytes: 4_096,
    address: 80,
    busBaud: 400_000,
    busPullOhms: 0,
  },
  priceCents: 60,
  plays: () => [],
  ...twoWireModule,
  addresses: [80, 81, 82, 83, 84, 85, 86, 87],
  memory: ({ bytes }) => ({ settings: -bytes }),
});
