/** What a display shows, pixel by pixel, row by row from the upper left corner: 1 is lit. */
export interface Bitmap {
  readonly widthPx: number;
  readonly heightPx: number;
  readonly pixels: Uint8Array;
}

export const blankBitmap = (widthPx: number, heightPx: number): Bitmap => ({
  widthPx,
  heightPx,
  pixels: new Uint8Array(widthPx * heightPx),
});

/** Rows of `#` and `.`, to be read by people. */
export function bitmapArt({ widthPx, heightPx, pixels }: Bitmap): string[] {
  return Array.from({ length: heightPx }, (_, y) =>
    Array.from(pixels.subarray(y * widthPx, (y + 1) * widthPx), (lit) => (lit ? '#' : '.')).join(''),
  );
}

/** As a picture file of one bit a pixel, in letters: the open format PBM (P1), lines of at most 70 characters. */
export function bitmapPbm(bitmap: Bitmap): string {
  const { widthPx, heightPx, pixels } = bitmap;
  const bits = Array.from(pixels, (lit) => (lit ? '1' : '0')).join('');
  return `P1\n${widthPx} ${heightPx}\n${(bits.match(/.{1,64}/g) ?? []).join('\n')}\n`;
}

/** What a stroke does to a pixel that it meets. */
export type Stroke = 'light' | 'clear' | 'invert';

/** Pixels from the left and upper edge to the right and lower one, both left out; what lies outside is not there. */
export function fillRect(
  { widthPx, heightPx, pixels }: Bitmap,
  left: number,
  top: number,
  right: number,
  bottom: number,
  stroke: Stroke,
): void {
  const fromX = left < 0 ? 0 : left;
  const toX = right > widthPx ? widthPx : right;
  const fromY = top < 0 ? 0 : top;
  const toY = bottom > heightPx ? heightPx : bottom;
  if (fromX >= toX) return;
  for (let y = fromY; y < toY; y += 1) {
    const row = y * widthPx;
    if (stroke === 'invert') for (let at = row + fromX; at < row + toX; at += 1) pixels[at]! ^= 1;
    else pixels.fill(stroke === 'light' ? 1 : 0, row + fromX, row + toX);
  }
}
