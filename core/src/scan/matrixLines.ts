import * as z from 'zod';
import { signal, type Terminal } from '../gadget/index.ts';
import { dropsAt, type Circuit } from './circuit.ts';
import { settleUs } from './scheme.ts';

/** What both matrices share: keys in rows, filled row by row. */
export const matrixParams = z.strictObject({
  rows: z.number().int().min(1).max(64).meta({ label: 'Rows', unit: '' }),
});

const columnsFor = (keys: number, rows: number) => Math.max(1, Math.ceil(keys / rows));

/** The number of rows with the fewest lines; of equals the squarest. Source: `reckoning`, Keypads. */
export function bestRows(keys: number): number {
  let best = 1;
  for (let rows = 1; rows * rows <= Math.max(1, keys); rows += 1)
    if (rows + columnsFor(keys, rows) <= best + columnsFor(keys, best)) best = rows;
  return best;
}

export function matrixTerminals(keys: number, rows: number): Terminal[] {
  return [
    ...Array.from({ length: rows }, (_, row) => signal(`row${row + 1}`, 'out')),
    ...Array.from({ length: columnsFor(keys, rows) }, (_, column) => signal(`col${column + 1}`, 'in')),
  ];
}

/** Rows are pulled down in turn, columns are read. */
export function matrixCircuit(keys: number, rows: number, diode: boolean, supplyMv: number): Circuit {
  const columns = columnsFor(keys, rows);
  return {
    kind: 'lines',
    lines: rows + columns,
    drives: Array.from({ length: rows }, (_, row) => row),
    keys: Array.from({ length: keys }, (_, key) => ({
      drive: Math.floor(key / columns),
      sense: rows + (key % columns),
      diode,
    })),
    maxDrops: dropsAt(supplyMv),
  };
}

export const matrixScanUs = (rows: number) => rows * (settleUs + 5);
