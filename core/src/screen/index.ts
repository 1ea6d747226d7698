export { blankRows, rowCells } from './cells.ts';
