import { limits } from '../gadget/index.ts';
import type { Bitmap } from './bitmap.ts';
import { checkedSize, importLimits, PictureFileError, type GreyImage } from './image.ts';

/*
 * Portable bit maps, P1 (in letters) and P4 (in bytes); a file may hold several, one after another. 1 is lit.
 * Source: the format's public manual page.
 */

const code = { hash: 0x23, newline: 0x0a, nought: 0x30, one: 0x31, P: 0x50 };
const isSpace = (byte: number | undefined): boolean =>
  byte === 0x20 || (byte !== undefined && byte >= 0x09 && byte <= 0x0d);

/** Reads on from a place, byte by byte. */
class Reader {
  readonly #bytes: Uint8Array;
  at = 0;
  constructor(bytes: Uint8Array) {
    this.#bytes = bytes;
  }
  /** undefined: there is nothing more. */
  peek(): number | undefined {
    return this.#bytes[this.at];
  }
  /** Past white space and remarks. */
  skip(): void {
    for (;;) {
      if (this.peek() === code.hash)
        while (this.peek() !== undefined && this.peek() !== code.newline) this.at += 1;
      else if (!isSpace(this.peek())) return;
      this.at += 1;
    }
  }
  number(what: string): number {
    this.skip();
    const from = this.at;
    let value = 0;
    for (let byte = this.peek(); byte !== undefined && byte >= 0x30 && byte <= 0x39; byte = this.peek()) {
      value = Math.min(value * 10 + byte - code.nought, Number.MAX_SAFE_INTEGER);
      this.at += 1;
    }
    if (this.at === from) throw new PictureFileError(`expected ${what} as a number, at byte ${from}`);
    return value;
  }
  take(count: number): Uint8Array {
    const taken = this.#bytes.subarray(this.at, this.at + count);
    if (taken.length < count)
      throw new PictureFileError(
        `expected ${count} bytes of pixels, and the file ends after ${taken.length} of them`,
      );
    this.at += count;
    return taken;
  }
}

function lettersOf(reader: Reader, count: number): Uint8Array {
  const light = new Uint8Array(count);
  for (let at = 0; at < count; at += 1) {
    reader.skip();
    const byte = reader.peek();
    if (byte !== code.nought && byte !== code.one)
      throw new PictureFileError(
        `expected pixel ${at + 1} of ${count} as 0 or 1, got ${byte === undefined ? 'the end of the file' : JSON.stringify(String.fromCharCode(byte))}`,
      );
    light[at] = byte === code.one ? 255 : 0;
    reader.at += 1;
  }
  return light;
}

function bytesOf(reader: Reader, widthPx: number, heightPx: number): Uint8Array {
  const light = new Uint8Array(widthPx * heightPx);
  // One byte of white space stands in front of them.
  reader.take(1);
  const stride = Math.ceil(widthPx / 8);
  const packed = reader.take(stride * heightPx);
  for (let y = 0; y < heightPx; y += 1)
    for (let x = 0; x < widthPx; x += 1)
      light[y * widthPx + x] = (packed[y * stride + (x >> 3)]! >> (7 - (x & 7))) & 1 ? 255 : 0;
  return light;
}

export const isPbm = (bytes: Uint8Array): boolean =>
  bytes[0] === code.P && (bytes[1] === code.one || bytes[1] === 0x34);

/**
 * All pictures of the file, at least one.
 * @throws PictureFileError
 */
export function readPbm(bytes: Uint8Array): GreyImage[] {
  const reader = new Reader(bytes);
  const images: GreyImage[] = [];
  let pixels = 0;
  for (;;) {
    const rest = bytes.subarray(reader.at);
    if (!isPbm(rest)) throw new PictureFileError('expected P1 or P4 at the beginning of a picture');
    const packed = rest[1] !== code.one;
    reader.at += 2;
    const widthPx = reader.number('the width');
    const heightPx = reader.number('the height');
    checkedSize(widthPx, heightPx);
    pixels += widthPx * heightPx;
    if (pixels > importLimits.pixels)
      throw new PictureFileError(`expected at most ${importLimits.pixels} pixels in all pictures of a file`);
    const light = packed ? bytesOf(reader, widthPx, heightPx) : lettersOf(reader, widthPx * heightPx);
    images.push({ widthPx, heightPx, light });
    if (images.length >= limits.pictureFrames) return images;
    reader.skip();
    if (reader.peek() === undefined) return images;
  }
}

/** As a picture file of one bit a pixel, in letters: the open format PBM (P1), lines of at most 70 characters. */
export function bitmapPbm(bitmap: Bitmap): string {
  const { widthPx, heightPx, pixels } = bitmap;
  const bits = Array.from(pixels, (lit) => (lit ? '1' : '0')).join('');
  return `P1\n${widthPx} ${heightPx}\n${(bits.match(/.{1,64}/g) ?? []).join('\n')}\n`;
}
