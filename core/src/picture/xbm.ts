import type { Bitmap } from './bitmap.ts';
import { cBytes, packedBytes } from './cArray.ts';
import { checkedSize, PictureFileError, type GreyImage } from './image.ts';

/*
 * X bit maps: a piece of C with two sizes and an array of bytes (or, in older files, of pairs of them). In a byte the
 * lowest bit is the leftmost pixel; 1 is lit. Source: the format's public description in the window system's manual.
 */

const sizeOf = (text: string, what: 'width' | 'height'): number => {
  const found = new RegExp(`#define[ \\t]+(?:\\w{1,80}_)?${what}[ \\t]+(\\d{1,9})\\b`).exec(text);
  if (!found) throw new PictureFileError(`expected a line "#define …_${what} " with a number`);
  return Number(found[1]);
};

export const isXbm = (text: string): boolean => /#define[ \t]+\w*width[ \t]/.test(text);

/** @throws PictureFileError */
export function readXbm(text: string): GreyImage {
  const [widthPx, heightPx] = [sizeOf(text, 'width'), sizeOf(text, 'height')];
  checkedSize(widthPx, heightPx);
  const array = /\b(char|short)\b[^{};]{0,200}\{/.exec(text);
  if (!array) throw new PictureFileError('expected an array of bytes in braces');
  const unitBits = array[1] === 'short' ? 16 : 8;
  const perRow = Math.ceil(widthPx / unitBits);
  const wanted = perRow * heightPx;
  const numbers = /0[xX][0-9a-fA-F]{1,8}|\d{1,9}|\}/g;
  numbers.lastIndex = array.index + array[0].length;
  const light = new Uint8Array(widthPx * heightPx);
  for (let n = 0; n < wanted; n += 1) {
    const found = numbers.exec(text)?.[0];
    if (found === undefined || found === '}')
      throw new PictureFileError(
        `expected ${wanted} numbers for ${widthPx} × ${heightPx} pixels, got ${n} of them`,
      );
    const bits = Number(found);
    const [y, from] = [Math.floor(n / perRow), (n % perRow) * unitBits];
    for (let bit = 0; bit < unitBits && from + bit < widthPx; bit += 1)
      light[y * widthPx + from + bit] = (bits >> bit) & 1 ? 255 : 0;
  }
  return { widthPx, heightPx, light };
}

/** @param name safe in C */
export function bitmapXbm(bitmap: Bitmap, name: string): string {
  const { widthPx, heightPx } = bitmap;
  const bytes = cBytes(packedBytes(bitmap, 'rows', true));
  return `#define ${name}_width ${widthPx}\n#define ${name}_height ${heightPx}\nstatic unsigned char ${name}_bits[] = {\n${bytes}\n};\n`;
}
