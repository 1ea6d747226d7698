export {
  bitmapArt,
  blankBitmap,
  fillRect,
  outlineRect,
  straightLine,
  turnedOver,
  type Bitmap,
} from './bitmap.ts';
export { bringPicture, fittedSize, type BringWish, type Brought, type Size } from './bring.ts';
export { packings, packedBytes, rasterC, type Packing } from './cArray.ts';
export { bitsOf, ditherings, type Bits, type Dithering } from './dither.ts';
export { inkedBitmap } from './inked.ts';
export { importLimits, PictureFileError, scaledImage, type GreyImage } from './image.ts';
export { bitmapPbm } from './pbm.ts';
export { bitmapPng } from './png.ts';
export {
  bitmapFrame,
  frameAt,
  frameBitmap,
  noRasters,
  rasterBits,
  rasterBytes,
  rasterOf,
  rastersOf,
  type Raster,
  type Rasters,
} from './raster.ts';
export { readPicture } from './read.ts';
export {
  blankFrame,
  invertedFrame,
  mirroredFrame,
  resizedFrame,
  shiftedFrame,
  stroked,
  strokeTools,
  upsideDownFrame,
  type HandStroke,
  type Point,
  type StrokeTool,
} from './strokes.ts';
export { bitmapXbm } from './xbm.ts';
