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

/** The edge of a rectangle, one pixel thick, each pixel once; right and lower edge left out. */
export function outlineRect(
  bitmap: Bitmap,
  left: number,
  top: number,
  right: number,
  bottom: number,
  stroke: Stroke,
): void {
  if (right <= left || bottom <= top) return;
  fillRect(bitmap, left, top, right, top + 1, stroke);
  if (bottom - top > 1) fillRect(bitmap, left, bottom - 1, right, bottom, stroke);
  fillRect(bitmap, left, top + 1, left + 1, bottom - 1, stroke);
  if (right - left > 1) fillRect(bitmap, right - 1, top + 1, right, bottom - 1, stroke);
}

/** Along the longer way pixel by pixel, only where the bitmap is; half a pixel the shorter way counts as one. */
export function straightLine(
  { widthPx, heightPx, pixels }: Bitmap,
  x: number,
  y: number,
  toX: number,
  toY: number,
  lit: 0 | 1,
): void {
  const steep = Math.abs(toY - y) > Math.abs(toX - x);
  const forward = steep ? toY >= y : toX >= x;
  // From the end with the smaller place, the long way first.
  const [fromU, fromV] = forward ? (steep ? [y, x] : [x, y]) : steep ? [toY, toX] : [toX, toY];
  const [endU, endV] = forward ? (steep ? [toY, toX] : [toX, toY]) : steep ? [y, x] : [x, y];
  const long = endU - fromU;
  const short = endV - fromV;
  const last = Math.min(endU, (steep ? heightPx : widthPx) - 1);
  for (let u = Math.max(0, fromU); u <= last; u += 1) {
    const v = long === 0 ? fromV : fromV + Math.floor((2 * (u - fromU) * short + long) / (2 * long));
    if (v < 0 || v >= (steep ? widthPx : heightPx)) continue;
    pixels[steep ? u * widthPx + v : v * widthPx + u] = lit;
  }
}
