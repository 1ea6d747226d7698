import { limits, type Frame } from '../gadget/index.ts';
import { bitsOf, type Bits } from './dither.ts';
import { PictureFileError, scaledImage } from './image.ts';
import { inkedBitmap } from './inked.ts';
import { bitmapFrame } from './raster.ts';
import { readPicture } from './read.ts';

export interface Size {
  widthPx: number;
  heightPx: number;
}

/** How a picture from elsewhere is to come in. */
export interface BringWish {
  /** null: as it is, or where that is more than `most`, as large as it fits. */
  size: Size | null;
  most: Size;
  bits: Bits;
  /** In these inks, by their number, instead of in lit and dark; null: in lit and dark. */
  inks: readonly (readonly [number, number, number])[] | null;
}

export type Brought =
  | { outcome: 'read'; /** In the file. */ from: Size; size: Size; frames: Frame[] }
  | { outcome: 'refused'; message: string };

/** As large as it fits, by its own proportions, and at least a pixel. */
export function fittedSize({ widthPx, heightPx }: Size, most: Size): Size {
  if (widthPx <= most.widthPx && heightPx <= most.heightPx) return { widthPx, heightPx };
  const wide = widthPx * most.heightPx >= heightPx * most.widthPx;
  const along = (own: number, by: number, of: number) =>
    Math.max(1, Math.floor((2 * own * by + of) / (2 * of)));
  return wide
    ? { widthPx: most.widthPx, heightPx: along(heightPx, most.widthPx, widthPx) }
    : { widthPx: along(widthPx, most.heightPx, heightPx), heightPx: most.heightPx };
}

const bounded = (px: number): number => Math.max(1, Math.min(limits.displayPx, Math.trunc(px)));

/** The frames that a file comes to, at the size and in the way that is wished; several are all brought to one size. */
export function bringPicture(bytes: Uint8Array, { size, most, bits, inks }: BringWish): Brought {
  try {
    const images = readPicture(bytes);
    const { widthPx, heightPx } = images[0]!;
    const from = { widthPx, heightPx };
    const asked = size ?? fittedSize(from, most);
    const to = { widthPx: bounded(asked.widthPx), heightPx: bounded(asked.heightPx) };
    const frames = images.map((image) => {
      const scaled = scaledImage(image, to.widthPx, to.heightPx);
      return bitmapFrame(inks ? inkedBitmap(scaled, inks, bits.dithering) : bitsOf(scaled, bits));
    });
    return { outcome: 'read', from, size: to, frames };
  } catch (error) {
    if (!(error instanceof PictureFileError)) throw error;
    return { outcome: 'refused', message: `This picture cannot be read: ${error.message}.` };
  }
}
