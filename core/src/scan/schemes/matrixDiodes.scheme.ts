import { bestRows, matrixCircuit, matrixParams, matrixScanUs, matrixTerminals } from '../matrixLines.ts';
import { defineScheme } from '../scheme.ts';

export const matrixDiodes = defineScheme({
  id: 'matrix-diodes',
  title: 'Matrix with a diode per key',
  doc: 'As the matrix, with a diode at every key that lets current through one way only. Any number of keys reads truly; one diode per key to solder.',
  source: 'reckoning, Keypads',
  params: matrixParams,
  defaults: (keys) => ({ rows: bestRows(keys) }),
  refuses: () => null,
  lines: (keys, { rows }) => matrixTerminals(keys, rows),
  circuit: (keys, { rows }, supplyMv) => matrixCircuit(keys, rows, true, supplyMv),
  parts: (keys) => [{ role: 'key-diode', value: 0, quantity: keys }],
  scanUs: (_keys, { rows }) => matrixScanUs(rows),
});
