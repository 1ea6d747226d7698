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

export const smallColourDisplay = definePart({
  id: 'small-colour-display',
  title: 'Small colour display, SPI',
  doc: 'Colours of 16 bits a pixel on a fast serial bus: a full picture takes tens of milliseconds, and a buffer for it is larger than the memory of small boards; drawn a tile at a time it needs little.',
  group: 'displays',
  figures: z.strictObject({
    ...supplied,
    ...pixelFigures,
    busBaud: hz('Bus speed'),
  }),
  defaults: {
    supplyMinMv: 3_000,
    supplyMaxMv: 3_600,
    typicalUa: 30_000,
    worstUa: 60_000,
    widthPx: 160,
    heightPx: 128,
    depth: 3,
    buffer: 1,
    busBaud: 16_000_000,
    moveBytes: 11,
  },
  priceCents: 720,
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
