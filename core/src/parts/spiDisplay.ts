import * as z from 'zod';
import { signal } from '../gadget/index.ts';
import {
  aModule,
  definePart,
  hz,
  listens,
  powerEnds,
  serialBus,
  supplied,
  type DisplayBus,
  type PartKind,
  type Pixels,
} from './kind.ts';
import { bufferBytes, pictureReadings, pixelBus, pixelFigures, serialUs } from './redraw.ts';

interface Spi extends Pixels {
  supplyMinMv: number;
  supplyMaxMv: number;
  typicalUa: number;
  worstUa: number;
  busBaud: number;
  moveBytes: number;
}
const bus = (figures: Spi): DisplayBus => pixelBus(figures, (bytes) => serialUs(bytes, figures.busBaud));

/** A display of pixels on a fast serial bus: classes of it differ by their typical figures. */
export const spiDisplay = (one: {
  id: string;
  title: string;
  doc: string;
  defaults: Spi & Record<string, number>;
  priceCents: number;
}): PartKind =>
  definePart({
    ...one,
    group: 'displays',
    figures: z.strictObject({ ...supplied, ...pixelFigures, busBaud: hz('Bus speed') }),
    plays: () => ['screen'],
    terminals: (figures) => [
      ...serialBus(figures.busBaud, ['mosi', 'sck']),
      signal('select', 'out', listens),
      signal('mode', 'out', listens),
      signal('reset', 'out', listens),
      ...powerEnds(figures),
    ],
    ...aModule,
    bus,
    readings: (figures) => pictureReadings(bus(figures)),
    memory: (figures) => ({ ram: bufferBytes(figures), flash: 2_200 }),
  });
