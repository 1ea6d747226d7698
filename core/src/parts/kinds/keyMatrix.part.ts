import * as z from 'zod';
import { signal } from '../../gadget/index.ts';
import { count, definePart, drawsNothing, flag, noSupply } from '../kind.ts';

export const keyMatrix = definePart({
  id: 'key-matrix',
  title: 'Key matrix (keypad)',
  doc: 'A ready-made keypad whose keys sit at the crossings of rows and columns.',
  group: 'controls',
  figures: z.strictObject({
    rows: count('Rows', 1, 8),
    columns: count('Columns', 1, 8),
    diodes: flag('A diode at every key'),
  }),
  defaults: { rows: 4, columns: 3, diodes: 0 },
  priceCents: 350,
  plays: ({ rows, columns }) => Array.from({ length: rows * columns }, () => 'button' as const),
  terminals: ({ rows, columns }) => [
    ...Array.from({ length: rows }, (_, row) => signal(`row${row + 1}`, 'out')),
    ...Array.from({ length: columns }, (_, column) => signal(`col${column + 1}`, 'in')),
  ],
  draws: drawsNothing,
  supply: noSupply,
});
