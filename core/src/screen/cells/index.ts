export { blankRows, rowCells } from './rows.ts';
export {
  blankCells,
  cellsArt,
  contrastBand,
  lackingOn,
  pointsSaved,
  renderCells,
  shownCells,
} from './render.ts';
