export { turnAtOrAfter, turnsLost, type Sample } from './loop.ts';
export { dropsAt, keysOf, readKeys, trulyTogether, type Circuit, type CrossKey } from './circuit.ts';
export {
  chooseLadder,
  ladderGap,
  ladderLevel,
  ladderYield,
  standardAtLeast,
  standardOhms,
  type ChosenLadder,
  type LadderFigures,
  type LadderLevel,
} from './ladder.ts';
export { bestRows, matrixCircuit, matrixScanUs, matrixTerminals } from './matrixLines.ts';
export { type Scheme, type SchemePart } from './scheme.ts';
export { keyPlaces, schemeOf, schemes, setFaults, setCircuit, type KeyPlace } from './keySet.ts';
