import type { Screen } from '../gadget/index.ts';
import { columnBytes, type DisplayBus } from '../parts/index.ts';
import type { Bitmap } from '../picture/index.ts';

/** What of the way to a display tells how many bytes there are, and in which order. */
export type Sent = Pick<DisplayBus, 'bits'> & { pixels: Pick<DisplayBus['pixels'], 'turned'> };

/** Of eight by eight pixels; of one bit each, a byte for each column. */
const tilePx = 8;

/** Pixels by fours, where rows of tiles begin and end with those: they are compared together. */
function words({ widthPx, pixels }: Bitmap): Uint32Array | null {
  const whole = widthPx % tilePx === 0 && pixels.byteOffset % 4 === 0;
  return whole ? new Uint32Array(pixels.buffer, pixels.byteOffset, pixels.length >> 2) : null;
}

/**
 * How to come by the pixels of a display in the order in which it was made, whichever way it is fitted: where its first
 * one is, and how far it is from one to the next along its own width and its own height.
 */
interface Walk {
  from: number;
  along: number;
  down: number;
  wide: number;
  high: number;
}
function walkOf({ widthPx, heightPx }: Pick<Bitmap, 'widthPx' | 'heightPx'>, turned: number): Walk {
  const upright = { wide: widthPx, high: heightPx };
  const lying = { wide: heightPx, high: widthPx };
  switch (turned) {
    case 1:
      return { from: widthPx - 1, along: widthPx, down: -1, ...lying };
    case 2:
      return { from: widthPx * heightPx - 1, along: -1, down: -widthPx, ...upright };
    case 3:
      return { from: widthPx * (heightPx - 1), along: -widthPx, down: 1, ...lying };
    default:
      return { from: 0, along: 1, down: widthPx, ...upright };
  }
}

/** Whether any of `wide` items from there on, in `rows` rows, is another. */
function differs(
  was: ArrayLike<number>,
  is: ArrayLike<number>,
  from: number,
  wide: number,
  rows: number,
  { along, down }: Walk,
): boolean {
  for (let row = 0, first = from; row < rows; row += 1, first += down)
    for (let n = 0, at = first; n < wide; n += 1, at += along) if (was[at] !== is[at]) return true;
  return false;
}

/**
 * Bytes of each run of tiles that lie side by side and look otherwise than before: what has to be sent where only that
 * is sent. In the order of the display as it was made, row by row.
 * @param was of the same size
 */
export function changedRuns(was: Bitmap, is: Bitmap, { bits, pixels: { turned } }: Sent): number[] {
  const walk = walkOf(is, turned);
  const [wasWords, isWords] = turned === 0 ? [words(was), words(is)] : [null, null];
  const by = wasWords && isWords ? 4 : 1;
  const [before, after] = by === 4 ? [wasWords!, isWords!] : [was.pixels, is.pixels];
  const steps = by === 4 ? { ...walk, down: walk.down / by } : walk;
  const runs: number[] = [];
  for (let top = 0; top < walk.high; top += tilePx) {
    const rows = Math.min(tilePx, walk.high - top);
    const high = columnBytes(rows, bits);
    let open = false;
    for (let left = 0; left < walk.wide; left += tilePx) {
      const wide = Math.min(tilePx, walk.wide - left);
      const at = walk.from + top * steps.down + (left / by) * walk.along;
      const changed = differs(before, after, at, wide / by, rows, steps);
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
  sent: Sent,
): void {
  const walk = walkOf(is, sent.pixels.turned);
  into.pixels.set(was.pixels);
  const runs = whole ? allChangedRuns(is, sent) : changedRuns(was, is, sent);
  let left = Math.floor((runs.reduce((sum, bytes) => sum + bytes, 0) * thousandths) / 1_000);
  for (let top = 0; top < walk.high; top += tilePx) {
    const rows = Math.min(tilePx, walk.high - top);
    const high = columnBytes(rows, sent.bits);
    for (let x = 0; x < walk.wide; x += 1) {
      const tile = x - (x % tilePx);
      const row = walk.from + top * walk.down;
      const wide = Math.min(tilePx, walk.wide - tile);
      if (!whole && !differs(was.pixels, is.pixels, row + tile * walk.along, wide, rows, walk)) continue;
      if (left < high) return;
      left -= high;
      for (let at = row + x * walk.along, n = 0; n < rows; n += 1, at += walk.down)
        into.pixels[at] = is.pixels[at]!;
    }
  }
}

/** The same where every tile is another: a run for each row of tiles. */
export const allChangedRuns = (
  screen: Pick<Bitmap, 'widthPx' | 'heightPx'>,
  { bits, pixels: { turned } }: Sent,
): number[] => {
  const { wide, high } = walkOf(screen, turned);
  return Array.from(
    { length: Math.ceil(high / tilePx) },
    (_, n) => wide * columnBytes(Math.min(tilePx, high - n * tilePx), bits),
  );
};

/** The longest that a picture takes over the bus, µs: all of it, or every tile of it. */
export const mostUs = (
  bus: DisplayBus,
  screen: Pick<Bitmap, 'widthPx' | 'heightPx'>,
  update: Screen['update'],
): number => (update === 'changed' ? sendUs(bus, allChangedRuns(screen, bus)) : wholeUs(bus, update));

/** How long a whole picture takes over the bus, µs; to change over to it, the display is told as it is told of a place. */
export const wholeUs = (bus: DisplayBus, update: 'whole' | 'swapped'): number =>
  bus.us(bus.frameBytes) + (update === 'swapped' ? bus.us(bus.moveBytes) : 0);

/** Whether a picture is seen coming: not where the display has a second one, and is told to change over. */
export const isSeenComing = ({ pixels }: DisplayBus, update: Screen['update']): boolean =>
  update !== 'swapped' || pixels.holds === 0;

/** How long those take over the bus, each with the way to its place in front, µs. */
export const sendUs = (bus: DisplayBus, runs: readonly number[]): number =>
  runs.reduce((sum, bytes) => sum + bus.us(bus.moveBytes) + bus.us(bytes), 0);
