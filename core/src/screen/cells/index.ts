export { blankRows, rowCells } from './rows.ts';
export {
  blankCells,
  cellsArt,
  cellsWideMm,
  contrastBand,
  lackingOn,
  pointsSaved,
  renderCells,
  shownCells,
} from './render.ts';
