export { bitmapArt, bitmapPbm, blankBitmap, type Bitmap } from './bitmap.ts';
export { blankRows, rowCells } from './cells.ts';
export type { Element, ElementKind } from './elements.ts';
export { fontBytes, fonts, lackingIn, type FontName } from './fonts.ts';
export { numberText, type NumberFormat } from './numbers.ts';
export { changedRuns, sendUs } from './tiles.ts';
export { pageTried, type Tried, type Trying } from './tried.ts';
export {
  boundsOf,
  cellFont,
  leftOf,
  readOn,
  render,
  textOf,
  textsOn,
  type Drawing,
  type Drawn,
} from './render.ts';
