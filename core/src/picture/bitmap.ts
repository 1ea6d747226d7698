/** What a display shows, pixel by pixel, row by row from the upper left corner: the ink of each, 0 is the ground. */
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

/** A letter an ink: the ground, the usual one, and fourteen others. */
const inkLetters = '.#23456789abcdef';
const inkOfCode = new Map([...inkLetters].map((letter, ink) => [letter.charCodeAt(0), ink]));
/** By the code of its letter; what is none is the ground. */
export const inkOf = (code: number): number => inkOfCode.get(code) ?? 0;

/** Rows of letters, one a pixel, to be read by people: `.` is the ground, `#` the usual ink, 2 to f are others. */
export function bitmapArt({ widthPx, heightPx, pixels }: Bitmap): string[] {
  return Array.from({ length: heightPx }, (_, y) =>
    Array.from(pixels.subarray(y * widthPx, (y + 1) * widthPx), (ink) => inkLetters[ink]).join(''),
  );
}

/** A pixel after it was turned over: the ground and that ink change places, others stay as they are. */
export const turnedOver = (pixel: number, ink: number): number =>
  pixel === 0 ? ink : pixel === ink ? 0 : pixel;

/**
 * Pixels from the left and upper edge to the right and lower one, both left out; what lies outside is not there.
 * @param how turned over instead of filled
 */
export function fillRect(
  { widthPx, heightPx, pixels }: Bitmap,
  left: number,
  top: number,
  right: number,
  bottom: number,
  ink: number,
  how: 'filled' | 'inverted' = 'filled',
): void {
  const fromX = left < 0 ? 0 : left;
  const toX = right > widthPx ? widthPx : right;
  const fromY = top < 0 ? 0 : top;
  const toY = bottom > heightPx ? heightPx : bottom;
  if (fromX >= toX) return;
  for (let y = fromY; y < toY; y += 1) {
    const row = y * widthPx;
    if (how === 'filled') pixels.fill(ink, row + fromX, row + toX);
    else for (let at = row + fromX; at < row + toX; at += 1) pixels[at] = turnedOver(pixels[at]!, ink);
  }
}

/** The edge of a rectangle, one pixel thick, each pixel once; right and lower edge left out. */
export function outlineRect(
  bitmap: Bitmap,
  left: number,
  top: number,
  right: number,
  bottom: number,
  ink: number,
): void {
  if (right <= left || bottom <= top) return;
  fillRect(bitmap, left, top, right, top + 1, ink);
  if (bottom - top > 1) fillRect(bitmap, left, bottom - 1, right, bottom, ink);
  fillRect(bitmap, left, top + 1, left + 1, bottom - 1, ink);
  if (right - left > 1) fillRect(bitmap, right - 1, top + 1, right, bottom - 1, ink);
}

/** Along the longer way pixel by pixel, only where the bitmap is; half a pixel the shorter way counts as one. */
export function straightLine(
  { widthPx, heightPx, pixels }: Bitmap,
  x: number,
  y: number,
  toX: number,
  toY: number,
  ink: number,
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
    pixels[steep ? u * widthPx + v : v * widthPx + u] = ink;
  }
}
