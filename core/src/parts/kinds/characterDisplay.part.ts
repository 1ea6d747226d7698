import * as z from 'zod';
import { signal } from '../../gadget/index.ts';
import {
  aModule,
  backlightEnds,
  backlightFigures,
  backlit,
  definePart,
  listens,
  powerEnds,
  supplied,
  us,
} from '../kind.ts';
import { parallelCells, parallelRowsUs } from '../redraw.ts';

export const characterDisplay = definePart({
  id: 'character-display',
  title: 'Character display, parallel',
  doc: 'Rows of letters, told over six lines; wants 5 V and a trimmed contrast before anything can be seen.',
  group: 'displays',
  figures: z.strictObject({
    ...supplied,
    ...backlightFigures,
    startUs: us('From power-up until it can be told'),
  }),
  defaults: {
    supplyMinMv: 4_700,
    supplyMaxMv: 5_300,
    typicalUa: 22_000,
    worstUa: 35_000,
    darkUa: 2_000,
    litUa: 20_000,
    backlight: 0,
    startUs: 50_000,
  },
  priceCents: 450,
  plays: () => ['text'],
  terminals: (figures) => [
    ...['rs', 'en', 'd4', 'd5', 'd6', 'd7'].map((name) => signal(name, 'out', listens)),
    ...backlightEnds(figures),
    ...powerEnds(figures),
  ],
  ...aModule,
  cells: ({ startUs }) => parallelCells(startUs),
  glow: backlit,
  readings: () => [{ id: 'rows', value: parallelRowsUs(), unit: 'µs' }],
  memory: () => ({ ram: 80, flash: 900 }),
});
