import * as z from 'zod';
import { definePart, lightFigures, twoWireFigures, twoWireModule, us } from '../kind.ts';
import { chipCells, chipRowsUs } from '../redraw.ts';

export const characterDisplayTwoWire = definePart({
  id: 'character-display-two-wire',
  title: 'Character display, two-wire',
  doc: 'Rows of letters behind a small bus chip; two lines, a little slower.',
  group: 'displays',
  figures: z.strictObject({
    ...twoWireFigures,
    ...lightFigures,
    startUs: us('From power-up until it can be told'),
  }),
  defaults: {
    supplyMinMv: 4_700,
    supplyMaxMv: 5_300,
    typicalUa: 25_000,
    worstUa: 40_000,
    darkUa: 5_000,
    litUa: 20_000,
    address: 39,
    busBaud: 100_000,
    busPullOhms: 4_700,
    startUs: 50_000,
  },
  priceCents: 600,
  plays: () => ['text'],
  ...twoWireModule,
  // The bus chip has a line for it.
  glow: ({ darkUa, litUa }) => ({ from: 'behind', how: 'switched', darkUa, litUa }),
  cells: ({ busBaud, startUs }) => chipCells(busBaud, startUs),
  addresses: [32, 33, 34, 35, 36, 37, 38, 39],
  readings: ({ busBaud }) => [{ id: 'rows', value: chipRowsUs(busBaud), unit: 'µs' }],
  memory: () => ({ ram: 112, flash: 2_600 }),
});
