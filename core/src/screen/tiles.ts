import { columnBytes, type DisplayBus } from '../parts/index.ts';
import type { Bitmap } from '../picture/index.ts';

/** Of eight by eight pixels; of one bit each, a byte for each column. */
const tilePx = 8;

/** Pixels by fours, where rows of tiles begin and end with those: they are compared together. */
function words({ widthPx, pixels }: Bitmap): Uint32Array | null {
  const whole = widthPx % tilePx === 0 && pixels.byteOffset % 4 === 0;
  return whole ? new Uint32Array(pixels.buffer, pixels.byteOffset, pixels.length >> 2) : null;
}

/** Whether any of `count` items from `left` on, in rows that are `width` apart, is another. */
function differs(
  was: ArrayLike<number>,
  is: ArrayLike<number>,
  left: number,
  count: number,
  width: number,
  rows: number,
): boolean {
  for (let row = 0, from = left; row < rows; row += 1, from += width)
    for (let at = from; at < from + count; at += 1) if (was[at] !== is[at]) return true;
  return false;
}

/**
 * Bytes of each run of tiles that lie side by side and look otherwise than before: what has to be sent where only that
 * is sent. In the order of the display, row by row.
 * @param was of the same size
 * @param bits of a pixel over the bus
 */
export function changedRuns(was: Bitmap, is: Bitmap, bits: number): number[] {
  const { widthPx, heightPx } = is;
  const [wasWords, isWords] = [words(was), words(is)];
  const by = wasWords && isWords ? 4 : 1;
  const [before, after] = by === 4 ? [wasWords!, isWords!] : [was.pixels, is.pixels];
  const width = widthPx / by;
  const runs: number[] = [];
  for (let top = 0; top < heightPx; top += tilePx) {
    const rows = Math.min(tilePx, heightPx - top);
    const high = columnBytes(rows, bits);
    let open = false;
    for (let left = 0; left < widthPx; left += tilePx) {
      const wide = Math.min(tilePx, widthPx - left);
      const changed = differs(before, after, top * width + left / by, wide / by, width, rows);
      if (changed && open) runs[runs.length - 1]! += wide * high;
      else if (changed) runs.push(wide * high);
      open = changed;
    }
  }
  return runs;
}

/**
 * What is on the glass while a picture is on its way: what has come is new, the rest is as it was. Tile by tile in the
 * order in which they are sent, and in each column by column.
 * @param into of the same size
 * @param thousandths how much of it is there
 * @param whole all of it is sent, not only the tiles that changed
 */
export function partlySent(
  into: Bitmap,
  was: Bitmap,
  is: Bitmap,
  thousandths: number,
  whole: boolean,
  bits: number,
): void {
  const { widthPx, heightPx } = is;
  into.pixels.set(was.pixels);
  const runs = whole ? allChangedRuns(is, bits) : changedRuns(was, is, bits);
  let left = Math.floor((runs.reduce((sum, bytes) => sum + bytes, 0) * thousandths) / 1_000);
  for (let top = 0; top < heightPx; top += tilePx) {
    const rows = Math.min(tilePx, heightPx - top);
    const high = columnBytes(rows, bits);
    for (let x = 0; x < widthPx; x += 1) {
      const tile = x - (x % tilePx);
      const from = top * widthPx + tile;
      const wide = Math.min(tilePx, widthPx - tile);
      if (!whole && !differs(was.pixels, is.pixels, from, wide, widthPx, rows)) continue;
      if (left < high) return;
      left -= high;
      for (let at = top * widthPx + x, row = 0; row < rows; row += 1, at += widthPx)
        into.pixels[at] = is.pixels[at]!;
    }
  }
}

/** The same where every tile is another: a run for each row of tiles. */
export const allChangedRuns = (
  { widthPx, heightPx }: Pick<Bitmap, 'widthPx' | 'heightPx'>,
  bits: number,
): number[] =>
  Array.from(
    { length: Math.ceil(heightPx / tilePx) },
    (_, n) => widthPx * columnBytes(Math.min(tilePx, heightPx - n * tilePx), bits),
  );

/** The longest that a picture takes over the bus, µs: all of it, or every tile of it. */
export const mostUs = (
  bus: DisplayBus,
  screen: Pick<Bitmap, 'widthPx' | 'heightPx'>,
  update: 'whole' | 'changed',
): number => (update === 'whole' ? bus.us(bus.frameBytes) : sendUs(bus, allChangedRuns(screen, bus.bits)));

/** How long those take over the bus, each with the way to its place in front, µs. */
export const sendUs = (bus: DisplayBus, runs: readonly number[]): number =>
  runs.reduce((sum, bytes) => sum + bus.us(bus.moveBytes) + bus.us(bytes), 0);
