import type { DisplayBus } from '../parts/index.ts';
import type { Bitmap } from './bitmap.ts';

/** Of eight by eight pixels, a byte for each column. */
const tilePx = 8;

/** Whether any pixel of a tile is another. */
function differs(was: Bitmap, is: Bitmap, left: number, top: number): boolean {
  const { widthPx, heightPx } = is;
  const right = Math.min(widthPx, left + tilePx);
  const bottom = Math.min(heightPx, top + tilePx);
  for (let y = top; y < bottom; y += 1)
    for (let at = y * widthPx + left; at < y * widthPx + right; at += 1)
      if (was.pixels[at] !== is.pixels[at]) return true;
  return false;
}

/**
 * Bytes of each run of tiles that lie side by side and look otherwise than before: what has to be sent where only that
 * is sent. In the order of the display, row by row.
 * @param was of the same size
 */
export function changedRuns(was: Bitmap, is: Bitmap): number[] {
  const runs: number[] = [];
  for (let top = 0; top < is.heightPx; top += tilePx) {
    let open = false;
    for (let left = 0; left < is.widthPx; left += tilePx) {
      const changed = differs(was, is, left, top);
      const bytes = Math.min(tilePx, is.widthPx - left);
      if (changed && open) runs[runs.length - 1]! += bytes;
      else if (changed) runs.push(bytes);
      open = changed;
    }
  }
  return runs;
}

/** The same where every tile is another: a run for each row of tiles. */
export const allChangedRuns = ({ widthPx, heightPx }: Pick<Bitmap, 'widthPx' | 'heightPx'>): number[] =>
  Array<number>(Math.ceil(heightPx / tilePx)).fill(widthPx);

/** How long those take over the bus, each with the way to its place in front, µs. */
export const sendUs = (bus: DisplayBus, runs: readonly number[]): number =>
  runs.reduce((sum, bytes) => sum + bus.us(bus.moveBytes) + bus.us(bytes), 0);
