import * as z from 'zod';
import { signal } from '../../gadget/index.ts';
import {
  aModule,
  count,
  definePart,
  hz,
  listens,
  powerEnds,
  serialBus,
  supplied,
  type DisplayBus,
} from '../kind.ts';
import { frameBytes, moveFigure, pictureReadings, serialUs } from '../redraw.ts';

interface Spi {
  widthPx: number;
  heightPx: number;
  busBaud: number;
  moveBytes: number;
}
const bus = ({ busBaud, moveBytes, ...pixels }: Spi): DisplayBus => ({
  frameBytes: frameBytes(pixels),
  moveBytes,
  us: (bytes) => serialUs(bytes, busBaud),
});

export const graphicDisplaySpi = definePart({
  id: 'graphic-display-spi',
  title: 'Small graphic display, SPI',
  doc: 'Monochrome pixels on a fast serial bus: more lines, a full picture in a millisecond.',
  group: 'displays',
  figures: z.strictObject({
    ...supplied,
    widthPx: count('Width, pixels', 8, 512),
    heightPx: count('Height, pixels', 8, 512),
    busBaud: hz('Bus speed'),
    moveBytes: moveFigure,
  }),
  defaults: {
    supplyMinMv: 3_000,
    supplyMaxMv: 5_500,
    typicalUa: 9_000,
    worstUa: 25_000,
    widthPx: 128,
    heightPx: 64,
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
  readings: (figures) => pictureReadings(figures, bus(figures)),
  memory: (figures) => ({ ram: frameBytes(figures), flash: 2_200 }),
});
