import type { Bitmap } from './bitmap.ts';
import { rasterBits, type Raster } from './raster.ts';

/**
 * How pixels lie in bytes: rows from the left, the highest bit first, each row in whole bytes; or, as most controllers
 * of displays have them, columns of eight from the left, the lowest bit at the top, strip by strip.
 */
export const packings = ['rows', 'columns'] as const;
export type Packing = (typeof packings)[number];

const perLine = 12;

/** Numbers as C has them, so many a line. */
export function cBytes(bytes: readonly number[], indent = '  '): string {
  const shown = bytes.map((byte) => `0x${byte.toString(16).padStart(2, '0')}`);
  const lines = Array.from({ length: Math.ceil(shown.length / perLine) }, (_, n) =>
    shown.slice(n * perLine, (n + 1) * perLine).join(', '),
  );
  return lines.map((line) => indent + line).join(',\n');
}

/**
 * Pixels in bytes.
 * @param lowFirst in rows, the lowest bit is the leftmost pixel
 */
export function packedBytes(
  { widthPx, heightPx, pixels }: Bitmap,
  packing: Packing,
  lowFirst = false,
): number[] {
  const stride = packing === 'rows' ? Math.ceil(widthPx / 8) : widthPx;
  const bytes = Array<number>(stride * (packing === 'rows' ? heightPx : Math.ceil(heightPx / 8))).fill(0);
  pixels.forEach((lit, at) => {
    if (!lit) return;
    const [x, y] = [at % widthPx, Math.floor(at / widthPx)];
    if (packing === 'rows') bytes[y * stride + (x >> 3)]! |= lowFirst ? 1 << (x & 7) : 0x80 >> (x & 7);
    else bytes[(y >> 3) * stride + x]! |= 1 << (y & 7);
  });
  return bytes;
}

/** Inks in bytes, two beside one another in each, the left one in its upper half; each row in whole bytes. */
export function inkBytes({ widthPx, heightPx, pixels }: Bitmap): number[] {
  const stride = Math.ceil(widthPx / 2);
  const bytes = Array<number>(stride * heightPx).fill(0);
  pixels.forEach((ink, at) => {
    const [x, y] = [at % widthPx, Math.floor(at / widthPx)];
    bytes[y * stride + (x >> 1)]! |= x % 2 === 0 ? ink << 4 : ink;
  });
  return bytes;
}

const saidOfInks =
  'a half byte each is an ink, 0 the ground, 1 that of the page; rows from the top, the left pixel in the upper half';
const said: Readonly<Record<Packing, string>> = {
  rows: 'rows from the top; in a byte the highest bit is the leftmost pixel',
  columns: 'strips of eight rows from the top; a byte is a column, its lowest bit the uppermost pixel',
};

/**
 * A picture as a table in C: a bit a pixel, packed as asked; one with inks of its own has half a byte each, by rows.
 * @param name safe in C
 * @param title as people call it
 */
export function rasterC(raster: Raster, name: string, title: string, packing: Packing): string {
  const { widthPx, heightPx, frames } = raster;
  const inked = rasterBits(raster) > 1;
  const tables = frames.map((frame) => (inked ? inkBytes(frame) : packedBytes(frame, packing)));
  const upper = name.toUpperCase();
  // Whatever a name holds, the remark ends where it should, and stays a single line.
  const remark = title.replace(/\*\//g, '* /').replace(/[\r\n\u2028\u2029]+/g, ' ');
  return [
    `/* ${remark}: ${widthPx} x ${heightPx} pixels, ${inked ? saidOfInks : `1 is lit, ${said[packing]}`}. */`,
    '#include <stdint.h>',
    '',
    `#define ${upper}_WIDTH ${widthPx}`,
    `#define ${upper}_HEIGHT ${heightPx}`,
    `#define ${upper}_FRAMES ${frames.length}`,
    '',
    `static const uint8_t ${name}[${frames.length}][${tables[0]!.length}] = {`,
    tables.map((bytes) => `  {\n${cBytes(bytes, '    ')}\n  }`).join(',\n'),
    '};',
    '',
  ].join('\n');
}
