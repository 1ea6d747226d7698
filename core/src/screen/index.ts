export { blankCells, blankRows, cellsWideMm, renderCells, rowCells, shownCells } from './cells/index.ts';
export { cellsUs, measuresOf, rowsOn, stockFor } from './onCells.ts';
export { firstPage, type Element, type ElementKind } from './elements.ts';
export { policiesOf, type Policies, type Policy } from './policies.ts';
export { elementProblem } from './problem.ts';
export { fontMemory, storedBytes } from './said.ts';
export { inksOf, mixed, readColour, shownInks, type Colour } from './palette.ts';
export { specimen } from './glyphs.ts';
export { FontFileError, fontFileLimits, readBdf, type FontWish, type ReadFont } from './bdf.ts';
export { charactersOf, fontUses } from './said.ts';
export { stockOf, type Stock } from './stock.ts';
export { fontBytes, fonts, lackingIn, signs, type Font, type FontName } from './fonts.ts';
export { numberText, type NumberFormat } from './numbers.ts';
export { changedRuns, isSeenComing, partlySent, sendUs } from './tiles.ts';
export { pageTried, type Tried, type Trying } from './tried.ts';
export {
  boundsOf,
  cellFont,
  drawnBitmap,
  readOn,
  render,
  textOf,
  textsOn,
  type Bounds,
  type Drawing,
  type Drawn,
  type Measures,
} from './render.ts';
export { displayUa, litShare, shinesAt, shiningFully, type Shining } from './shining.ts';
