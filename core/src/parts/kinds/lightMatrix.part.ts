import * as z from 'zod';
import { signal } from '../../gadget/index.ts';
import { count, definePart, hz, mv, noSupply, ua } from '../kind.ts';
import { matrixReadings } from '../lightTiming.ts';

const columnsOf = ({ columns }: { columns: number }) =>
  Array.from({ length: columns }, (_, n) => `col${n + 1}`);

export const lightMatrix = definePart({
  id: 'light-matrix',
  title: 'Light matrix, told by number',
  doc: 'Lights at the crossings of rows and columns, lit one row at a time; a row carries the current of all its columns.',
  group: 'lights',
  figures: z.strictObject({
    rows: count('Rows', 1, 16),
    columns: count('Columns', 1, 16),
    forwardMv: mv('Forward voltage'),
    peakUa: ua('Current of one while its row is lit'),
    maxUa: ua('Current at most'),
    refreshHz: hz('Whole pictures a second'),
  }),
  defaults: { rows: 4, columns: 4, forwardMv: 2_000, peakUa: 8_000, maxUa: 20_000, refreshHz: 100 },
  priceCents: 80,
  priceFor: ({ rows, columns }) => 5 * rows * columns,
  readings: ({ rows, columns, peakUa, refreshHz }) =>
    matrixReadings({ lines: rows, perLine: columns, peakUa, refreshHz: Math.max(1, refreshHz) }),
  plays: () => ['lights'],
  terminals: (figures) => [
    ...columnsOf(figures).map((name) => signal(name, 'out', { maxUa: figures.peakUa })),
    ...Array.from({ length: figures.rows }, (_, n) =>
      signal(`row${n + 1}`, 'out', { maxUa: figures.columns * figures.peakUa, sinks: true }),
    ),
  ],
  // One row at a time.
  draws: ({ columns, peakUa }) => ({
    typicalUa: Math.round((columns * peakUa) / 4),
    worstUa: columns * peakUa,
  }),
  supply: noSupply,
  lamps: (figures) =>
    columnsOf(figures).map((terminal) => ({
      terminal,
      forwardMv: figures.forwardMv,
      wantUa: figures.peakUa,
      maxUa: figures.maxUa,
    })),
  memory: ({ rows, columns }) => ({ ram: rows * columns }),
});
