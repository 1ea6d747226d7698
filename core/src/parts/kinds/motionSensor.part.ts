import * as z from 'zod';
import { definePart, twoWireFigures, twoWireModule } from '../kind.ts';

export const motionSensor = definePart({
  id: 'motion-sensor',
  title: 'Motion sensor',
  doc: 'Tells tilt and shaking over a two-wire bus; a 3.3 V part.',
  group: 'sensors',
  figures: z.strictObject(twoWireFigures),
  defaults: {
    supplyMinMv: 1_950,
    supplyMaxMv: 3_600,
    typicalUa: 400,
    worstUa: 4_000,
    address: 104,
    busBaud: 400_000,
    busPullOhms: 4_700,
  },
  priceCents: 320,
  plays: () => ['knob', 'knob'],
  ...twoWireModule,
  addresses: [104, 105],
});
