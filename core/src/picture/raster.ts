import type { Frame, Picture } from '../gadget/index.ts';
import { bitmapArt, blankBitmap, inkOf, type Bitmap } from './bitmap.ts';

/** A picture as it is drawn: its frames, all of one size. */
export interface Raster {
  readonly widthPx: number;
  readonly heightPx: number;
  readonly frames: readonly Bitmap[];
}

/** Pictures by id, as they are drawn. */
export type Rasters = ReadonlyMap<string, Raster>;
export const noRasters: Rasters = new Map();

/** Rows of letters, all of one length, as pixels. */
export function frameBitmap(rows: Frame): Bitmap {
  const bitmap = blankBitmap(rows[0]?.length ?? 0, rows.length);
  rows.forEach((row, y) => {
    for (let x = 0; x < row.length; x += 1) bitmap.pixels[y * bitmap.widthPx + x] = inkOf(row.charCodeAt(x));
  });
  return bitmap;
}

/** Pixels as the document has them. */
export const bitmapFrame: (bitmap: Bitmap) => Frame = bitmapArt;

/** By picture and by list of them, which never change: a display asks again and again. */
const known = new WeakMap<Picture, Raster>();
const knownAll = new WeakMap<readonly Picture[], Rasters>();

/** A picture as it is drawn. */
export function rasterOf(picture: Picture): Raster {
  const before = known.get(picture);
  if (before) return before;
  const frames = picture.frames.map(frameBitmap);
  const raster = { widthPx: frames[0]!.widthPx, heightPx: frames[0]!.heightPx, frames };
  known.set(picture, raster);
  return raster;
}

/** All pictures of a gadget as they are drawn. */
export function rastersOf(pictures: readonly Picture[]): Rasters {
  if (pictures.length === 0) return noRasters;
  const before = knownAll.get(pictures);
  if (before) return before;
  const rasters = new Map(pictures.map((picture) => [picture.id, rasterOf(picture)]));
  knownAll.set(pictures, rasters);
  return rasters;
}

/** A frame by its number from 0; beyond the last it begins again, below the first it comes from the end. */
export function frameAt({ frames }: Raster, number: number): Bitmap {
  const count = frames.length;
  return frames[((number % count) + count) % count]!;
}

const inkedBits = 4;

/** Bits of a pixel in the memory of the chip: one, or four where it has inks of its own. */
export const rasterBits = ({ frames }: Pick<Raster, 'frames'>): 1 | typeof inkedBits =>
  frames.some(({ pixels }) => pixels.some((ink) => ink > 1)) ? inkedBits : 1;

/**
 * Bytes of a picture in the memory of the chip: for every frame, whole bytes a column of eight pixels; with inks of its
 * own, two pixels a byte, row by row.
 */
export function rasterBytes(raster: Raster): number {
  const { widthPx, heightPx, frames } = raster;
  const inked = rasterBits(raster) > 1;
  return frames.length * (inked ? heightPx * Math.ceil(widthPx / 2) : widthPx * Math.ceil(heightPx / 8));
}
