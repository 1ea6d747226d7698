import * as z from 'zod';
import { signal } from '../../gadget/index.ts';
import {
  aModule,
  count,
  definePart,
  hz,
  lightFigures,
  listens,
  powerEnds,
  serialBus,
  supplied,
  us,
  type DisplayBus,
  type PartKind,
} from '../kind.ts';
import { ownLight, pictureReadings, pixelBus, pixelFigures, serialUs } from '../redraw.ts';

/** Blocks are eight lights wide and high. */
const blockPx = 8;

interface LightRows {
  blocks: number;
  turned: number;
  busBaud: number;
  startUs: number;
}

/** Every row of eight lights is told its number and what stands in it: two bytes for one of the picture. */
const bus = ({ blocks, turned, busBaud, startUs }: LightRows): DisplayBus =>
  pixelBus(
    {
      widthPx: blocks * blockPx,
      heightPx: blockPx,
      turned,
      depth: 0,
      buffer: 0,
      holds: 0,
      moveBytes: 0,
      startUs,
    },
    (bytes) => serialUs(2 * bytes, busBaud),
  );

export const lightRows: PartKind = definePart({
  id: 'light-rows',
  title: 'Row of light blocks, eight by eight',
  doc: 'Blocks of eight by eight lights behind chips that keep and scan them, one block after the other on three lines; drawn on like a display.',
  group: 'displays',
  figures: z.strictObject({
    ...supplied,
    blocks: count('Blocks, side by side', 1, 16),
    turned: pixelFigures.turned,
    ...lightFigures,
    busBaud: hz('Bus speed'),
    startUs: us('From power-up until it can be told'),
  }),
  defaults: {
    supplyMinMv: 4_000,
    supplyMaxMv: 5_500,
    typicalUa: 80_000,
    worstUa: 320_000,
    blocks: 4,
    turned: 0,
    darkUa: 8_000,
    litUa: 312_000,
    busBaud: 8_000_000,
    startUs: 0,
  },
  priceCents: 380,
  priceFor: ({ blocks }) => 95 * blocks,
  plays: () => ['screen'],
  terminals: (figures) => [
    ...serialBus(figures.busBaud, ['mosi', 'sck']),
    signal('select', 'out', listens),
    ...powerEnds(figures),
  ],
  ...aModule,
  bus,
  glow: ownLight,
  readings: (figures) => pictureReadings(bus(figures)),
  memory: ({ blocks }) => ({ ram: blockPx * blocks, flash: 700 }),
});
