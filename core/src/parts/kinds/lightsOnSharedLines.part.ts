import * as z from 'zod';
import { signal } from '../../gadget/index.ts';
import { count, definePart, hz, mv, noSupply, ua } from '../kind.ts';
import { matrixReadings } from '../lightTiming.ts';

const linesOf = ({ lines }: { lines: number }) => Array.from({ length: lines }, (_, n) => `line${n + 1}`);

export const lightsOnSharedLines = definePart({
  id: 'lights-on-shared-lines',
  title: 'Lights on shared lines (charlieplexed)',
  doc: 'A light each way between every two lines: n lines carry n × (n − 1) lights. One is lit at a time; every line is an output, or lets go.',
  group: 'lights',
  figures: z.strictObject({
    lines: count('Lines', 2, 12),
    forwardMv: mv('Forward voltage'),
    peakUa: ua('Current of one while it is lit'),
    maxUa: ua('Current at most'),
    refreshHz: hz('Whole pictures a second'),
  }),
  defaults: { lines: 4, forwardMv: 2_000, peakUa: 6_000, maxUa: 20_000, refreshHz: 100 },
  priceCents: 60,
  priceFor: ({ lines }) => 5 * lines * (lines - 1),
  readings: ({ lines, peakUa, refreshHz }) =>
    matrixReadings({ lines: lines * (lines - 1), perLine: 1, peakUa, refreshHz: Math.max(1, refreshHz) }),
  plays: () => ['lights'],
  terminals: (figures) => linesOf(figures).map((name) => signal(name, 'both', { maxUa: figures.peakUa })),
  draws: ({ peakUa }) => ({
    typicalUa: Math.round(peakUa / 4),
    worstUa: peakUa,
  }),
  supply: noSupply,
  lamps: (figures) =>
    linesOf(figures).map((terminal) => ({
      terminal,
      forwardMv: figures.forwardMv,
      wantUa: figures.peakUa,
      maxUa: figures.maxUa,
      // A resistor in every line: each light lies between two.
      inSeries: 2,
    })),
  memory: ({ lines }) => ({ ram: lines * (lines - 1) }),
});
