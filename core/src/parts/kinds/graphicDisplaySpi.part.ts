import * as z from 'zod';
import { signal } from '../../gadget/index.ts';
import {
  aModule,
  definePart,
  hz,
  listens,
  powerEnds,
  serialBus,
  supplied,
  type DisplayBus,
  type Pixels,
} from '../kind.ts';
import { bufferBytes, pictureReadings, pixelBus, pixelFigures, serialUs } from '../redraw.ts';

interface Spi extends Pixels {
  busBaud: number;
  moveBytes: number;
}
const bus = (figures: Spi): DisplayBus => pixelBus(figures, (bytes) => serialUs(bytes, figures.busBaud));

export const graphicDisplaySpi = definePart({
  id: 'graphic-display-spi',
  title: 'Small graphic display, SPI',
  doc: 'Monochrome pixels on a fast serial bus: more lines, a full picture in a millisecond.',
  group: 'displays',
  figures: z.strictObject({
    ...supplied,
    ...pixelFigures,
    busBaud: hz('Bus speed'),
  }),
  defaults: {
    supplyMinMv: 3_000,
    supplyMaxMv: 5_500,
    typicalUa: 9_000,
    worstUa: 25_000,
    widthPx: 128,
    heightPx: 64,
    depth: 0,
    buffer: 0,
    busBaud: 8_000_000,
    moveBytes: 3,
  },
  priceCents: 550,
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
