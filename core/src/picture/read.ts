import { importLimits, PictureFileError, type GreyImage } from './image.ts';
import { isPbm, readPbm } from './pbm.ts';
import { isPng, readPng } from './png.ts';
import { isXbm, readXbm } from './xbm.ts';

/**
 * The pictures of a file: one, or of a PBM file with several all of them. What it is, is told by what stands in it,
 * never by its name.
 * @throws PictureFileError
 */
export function readPicture(bytes: Uint8Array): GreyImage[] {
  if (bytes.length > importLimits.bytes)
    throw new PictureFileError(`expected a file of at most ${importLimits.bytes} bytes, got ${bytes.length}`);
  if (isPng(bytes)) return [readPng(bytes)];
  if (isPbm(bytes)) return readPbm(bytes);
  const text = Array.from(bytes.subarray(0, importLimits.bytes), (byte) => String.fromCharCode(byte)).join(
    '',
  );
  if (isXbm(text)) return [readXbm(text)];
  throw new PictureFileError('expected a picture as PNG, PBM or XBM');
}
