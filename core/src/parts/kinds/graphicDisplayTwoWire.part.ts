import * as z from 'zod';
import {
  count,
  definePart,
  lightFigures,
  twoWireFigures,
  twoWireModule,
  type DisplayBus,
  type Pixels,
} from '../kind.ts';
import { bufferBytes, ownLight, pictureReadings, pixelBus, pixelFigures, twoWireUs } from '../redraw.ts';

interface TwoWire extends Pixels {
  pieceBytes: number;
  busBaud: number;
  moveBytes: number;
  startUs: number;
}
const bus = (figures: TwoWire): DisplayBus =>
  pixelBus(figures, (bytes) => twoWireUs(bytes, figures.pieceBytes, figures.busBaud));

export const graphicDisplayTwoWire = definePart({
  id: 'graphic-display-two-wire',
  title: 'Small graphic display, two-wire',
  doc: 'Monochrome pixels on a two-wire bus: two lines, but a full picture takes tens of milliseconds.',
  group: 'displays',
  figures: z.strictObject({
    ...twoWireFigures,
    ...pixelFigures,
    ...lightFigures,
    pieceBytes: count('Bytes sent in one piece', 1, 256),
  }),
  defaults: {
    supplyMinMv: 3_000,
    supplyMaxMv: 5_500,
    typicalUa: 9_000,
    worstUa: 25_000,
    darkUa: 1_000,
    litUa: 24_000,
    widthPx: 128,
    heightPx: 64,
    turned: 0,
    depth: 0,
    buffer: 0,
    holds: 0,
    startUs: 100_000,
    pieceBytes: 16,
    moveBytes: 3,
    address: 60,
    busBaud: 400_000,
    busPullOhms: 4_700,
  },
  priceCents: 480,
  plays: () => ['screen'],
  ...twoWireModule,
  addresses: [60, 61],
  bus,
  glow: ownLight,
  readings: (figures) => pictureReadings(bus(figures)),
  memory: (figures) => ({ ram: bufferBytes(figures), flash: 2_200 }),
});
