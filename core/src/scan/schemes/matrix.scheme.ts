import { bestRows, matrixCircuit, matrixParams, matrixScanUs, matrixTerminals } from '../matrixLines.ts';
import { defineScheme } from '../scheme.ts';

export const matrix = defineScheme({
  id: 'matrix',
  title: 'Matrix without diodes',
  doc: 'Keys at the crossings of rows and columns. Few pins and no other parts, but three keys at the corners of a rectangle close the fourth.',
  source: 'reckoning, Keypads',
  params: matrixParams,
  defaults: (keys) => ({ rows: bestRows(keys) }),
  refuses: () => null,
  lines: (keys, { rows }) => matrixTerminals(keys, rows),
  circuit: (keys, { rows }, supplyMv) => matrixCircuit(keys, rows, false, supplyMv),
  parts: () => [],
  scanUs: (_keys, { rows }) => matrixScanUs(rows),
});
