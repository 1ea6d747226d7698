import * as z from 'zod';
import { count, definePart, twoWireFigures, twoWireModule } from '../kind.ts';
import { frameBytes, pictureReadings, twoWireUs } from '../redraw.ts';

interface TwoWire {
  widthPx: number;
  heightPx: number;
  pieceBytes: number;
  busBaud: number;
}
const pictureUs = (figures: TwoWire): number =>
  twoWireUs(frameBytes(figures), figures.pieceBytes, figures.busBaud);

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
  }),
  defaults: {
    supplyMinMv: 3_000,
    supplyMaxMv: 5_500,
    typicalUa: 9_000,
    worstUa: 25_000,
    widthPx: 128,
    heightPx: 64,
    pieceBytes: 16,
    address: 60,
    busBaud: 400_000,
    busPullOhms: 4_700,
  },
  priceCents: 480,
  plays: () => ['screen'],
  ...twoWireModule,
  addresses: [60, 61],
  pictureUs,
  readings: (figures) => pictureReadings(figures, pictureUs(figures)),
  memory: (figures) => ({ ram: frameBytes(figures), flash: 2_200 }),
});
