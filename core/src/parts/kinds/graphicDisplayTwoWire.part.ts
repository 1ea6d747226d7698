import * as z from 'zod';
import { count, definePart, twoWireFigures, twoWireModule, type DisplayBus } from '../kind.ts';
import { frameBytes, moveFigure, pictureReadings, twoWireUs } from '../redraw.ts';

interface TwoWire {
  widthPx: number;
  heightPx: number;
  pieceBytes: number;
  busBaud: number;
  moveBytes: number;
}
const bus = ({ pieceBytes, busBaud, moveBytes, ...pixels }: TwoWire): DisplayBus => ({
  frameBytes: frameBytes(pixels),
  moveBytes,
  us: (bytes) => twoWireUs(bytes, pieceBytes, busBaud),
});

export const graphicDisplayTwoWire = definePart({
  id: 'graphic-display-two-wire',
  title: 'Small graphic display, two-wire',
  doc: 'Monochrome pixels on a two-wire bus: two lines, but a full picture takes tens of milliseconds.',
  group: 'displays',
  figures: z.strictObject({
    ...twoWireFigures,
    widthPx: count('Width, pixels', 8, 512),
    heightPx: count('Height, pixels', 8, 512),
    pieceBytes: count('Bytes sent in one piece', 1, 256),
    moveBytes: moveFigure,
  }),
  defaults: {
    supplyMinMv: 3_000,
    supplyMaxMv: 5_500,
    typicalUa: 9_000,
    worstUa: 25_000,
    widthPx: 128,
    heightPx: 64,
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
  readings: (figures) => pictureReadings(figures, bus(figures)),
  memory: (figures) => ({ ram: frameBytes(figures), flash: 2_200 }),
});
