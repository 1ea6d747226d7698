import type { Frame, Picture } from '../gadget/index.ts';
import { bitmapArt, blankBitmap, type Bitmap } from './bitmap.ts';

/** A picture as it is drawn: its frames, all of one size. */
export interface Raster {
  readonly widthPx: number;
  readonly heightPx: number;
  readonly frames: readonly Bitmap[];
}

/** Pictures by id, as they are drawn. */
export type Rasters = ReadonlyMap<string, Raster>;
export const noRasters: Rasters = new Map();

/** Rows of `#` and `.`, all of one length, as pixels. */
export function frameBitmap(rows: Frame): Bitmap {
  const bitmap = blankBitmap(rows[0]?.length ?? 0, rows.length);
  rows.forEach((row, y) => {
    for (let x = 0; x < row.length; x += 1)
      if (row.charCodeAt(x) === lit) bitmap.pixels[y * bitmap.widthPx + x] = 1;
  });
  return bitmap;
}
const lit = '#'.charCodeAt(0);

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

/** Bytes of a picture in the memory of the chip: for every frame, whole bytes a column of eight pixels. */
export const rasterBytes = ({ widthPx, heightPx, frames }: Raster): number =>
  frames.length * widthPx * Math.ceil(heightPx / 8);
