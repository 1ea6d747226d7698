import type { OrderOf } from '../flow/index.ts';
import { clamp, exactSinDegrees } from '../kernel/index.ts';
import {
  fillRect,
  frameAt,
  outlineRect,
  straightLine,
  turnedOver,
  type Bitmap,
  type Rasters,
} from '../picture/index.ts';
import { near } from './near.ts';

/** How many pixels of a length a value fills that lies between low and high: none at low or below, all at high. */
export function filledPx(value: number, low: number, high: number, length: number): number {
  if (high <= low || length <= 0) return 0;
  return Math.floor(((clamp(value, low, high) - low) * length) / (high - low));
}

/** Its part from one pixel to another along its way, counted from where it grows. */
function fillAlong(
  bitmap: Bitmap,
  [l, t, r, b]: readonly [number, number, number, number],
  grows: OrderOf<'drawBar'>['grows'],
  from: number,
  to: number,
  ink: number,
): void {
  switch (grows) {
    case 'right':
      return fillRect(bitmap, l + from, t, l + to, b, ink);
    case 'left':
      return fillRect(bitmap, r - to, t, r - from, b, ink);
    case 'down':
      return fillRect(bitmap, l, t + from, r, t + to, ink);
    case 'up':
      return fillRect(bitmap, l, b - to, r, b - from, ink);
  }
}

/** @param peak where it was filled to at most: marked by a pixel, or by its block; null: nowhere */
export function drawBar(bitmap: Bitmap, bar: OrderOf<'drawBar'>, peak: number | null, ink: number): void {
  const left = near(bar.x);
  const top = near(bar.y);
  const right = left + near(bar.width);
  const bottom = top + near(bar.height);
  if (bar.framed) outlineRect(bitmap, left, top, right, bottom, ink);
  // A frame keeps a pixel away from what it holds.
  const inset = bar.framed ? 2 : 0;
  const [l, t, r, b] = [left + inset, top + inset, right - inset, bottom - inset];
  const across = bar.grows === 'left' || bar.grows === 'right';
  const length = across ? r - l : b - t;
  if (bar.blocks === 0) {
    const lit = filledPx(bar.value, bar.low, bar.high, length);
    fillAlong(bitmap, [l, t, r, b], bar.grows, 0, lit, ink);
    const marked = peak === null ? 0 : filledPx(peak, bar.low, bar.high, length);
    if (marked > lit) fillAlong(bitmap, [l, t, r, b], bar.grows, marked - 1, marked, ink);
    return;
  }
  const lit = filledPx(bar.value, bar.low, bar.high, bar.blocks);
  const marked = peak === null ? 0 : filledPx(peak, bar.low, bar.high, bar.blocks);
  for (let n = 0; n < Math.max(lit, marked); n += 1) {
    if (n >= lit && n < marked - 1) continue;
    const from = Math.floor((n * length) / bar.blocks);
    const to = Math.floor(((n + 1) * length) / bar.blocks);
    // A pixel between them, where they are wider than that.
    fillAlong(bitmap, [l, t, r, b], bar.grows, from, to - from > 1 && n + 1 < bar.blocks ? to - 1 : to, ink);
  }
}

export function drawBox(bitmap: Bitmap, box: OrderOf<'drawBox'>, ink: number): void {
  const { x, y, width, height, how } = box;
  const [left, top] = [near(x), near(y)];
  const [right, bottom] = [left + near(width), top + near(height)];
  switch (how) {
    case 'outline':
      return outlineRect(bitmap, left, top, right, bottom, ink);
    case 'filled':
      return fillRect(bitmap, left, top, right, bottom, ink);
    case 'cleared':
      return fillRect(bitmap, left, top, right, bottom, 0);
    case 'inverted':
      return fillRect(bitmap, left, top, right, bottom, ink, 'inverted');
  }
}

/** @param most the last ink that the display has */
export function drawPicture(
  bitmap: Bitmap,
  picture: OrderOf<'drawPicture'>,
  rasters: Rasters,
  ink: number,
  most: number,
): void {
  const raster = rasters.get(picture.pictureId);
  if (!raster) return;
  const { widthPx, heightPx, pixels } = bitmap;
  const frame = frameAt(raster, picture.frame);
  const [left, top] = [near(picture.x), near(picture.y)];
  // What lies outside is not looked at.
  const fromX = Math.max(0, -left);
  const toX = Math.min(frame.widthPx, widthPx - left);
  const toY = Math.min(frame.heightPx, heightPx - top);
  for (let y = Math.max(0, -top); y < toY; y += 1) {
    const from = y * frame.widthPx;
    const to = (top + y) * widthPx + left;
    for (let x = fromX; x < toX; x += 1) {
      const own = frame.pixels[from + x]!;
      if (own === 0) {
        if (picture.how === 'whole') pixels[to + x] = 0;
      } else if (picture.how === 'cleared') pixels[to + x] = 0;
      else if (picture.how === 'inverted') pixels[to + x] = turnedOver(pixels[to + x]!, ink);
      else pixels[to + x] = own === 1 ? ink : Math.min(own, most);
    }
  }
}

/** Sines of whole degrees, in 1024ths, as far as dials ask; rounded. Whole numbers are all that a small chip has. */
const sines = Int16Array.from({ length: 721 }, (_, degree) => Math.round(1_024 * exactSinDegrees(degree)));
/** How far each turns in all, and where it begins: from the right on, clockwise. */
const turns = {
  needle: { degrees: 270, from: 135 },
  arc: { degrees: 270, from: 135 },
  ring: { degrees: 360, from: 270 },
  pie: { degrees: 360, from: 270 },
} as const;
const arcPx = 3;

/** Positive where the second lies clockwise from the first, up to half a turn. */
const clockwise = (ax: number, ay: number, bx: number, by: number): number => ax * by - ay * bx;

export function drawDial(bitmap: Bitmap, dial: OrderOf<'drawDial'>, ink: number): void {
  const { value, low, high, how } = dial;
  const [cx, cy, r] = [near(dial.x), near(dial.y), Math.max(0, near(dial.radius))];
  const { degrees, from } = turns[how];
  const angle = filledPx(value, low, high, degrees);
  const [endX, endY] = [sines[from + angle + 90]!, sines[from + angle]!];
  if (how === 'needle') {
    const [toX, toY] = [cx + ((r * endX + 512) >> 10), cy + ((r * endY + 512) >> 10)];
    return straightLine(bitmap, cx, cy, toX, toY, ink);
  }
  if (angle === 0) return;
  const [startX, startY] = [sines[from + 90]!, sines[from]!];
  const { widthPx, heightPx, pixels } = bitmap;
  // Twice the distance, so that the middle of a pixel may lie half a pixel beyond: (2r + 1)² in 32 bits.
  const outer = (2 * r + 1) ** 2;
  const inner = how === 'pie' || r < arcPx ? -1 : (2 * (r - arcPx) + 1) ** 2;
  for (let y = Math.max(0, cy - r); y <= Math.min(heightPx - 1, cy + r); y += 1)
    for (let x = Math.max(0, cx - r); x <= Math.min(widthPx - 1, cx + r); x += 1) {
      const [dx, dy] = [x - cx, y - cy];
      const far = 4 * (dx * dx + dy * dy);
      if (far > outer || far <= inner) continue;
      const isIn =
        angle <= 180
          ? clockwise(startX, startY, dx, dy) >= 0 && clockwise(dx, dy, endX, endY) >= 0
          : angle >= 360 || clockwise(startX, startY, dx, dy) >= 0 || clockwise(dx, dy, endX, endY) >= 0;
      if (isIn) pixels[y * widthPx + x] = ink;
    }
}

/**
 * Pins of sounders over time, as firmware works them out: of each column of pixels how high and how low they are in it,
 * together. At rest they are low.
 * @param sounds of each sounder: its pitch, Hz, and its loudness, %: so much of half a turn it is up
 */
export function drawWave(
  bitmap: Bitmap,
  wave: OrderOf<'drawWave'>,
  sounds: readonly number[],
  ink: number,
): void {
  const [left, top, width, height] = [near(wave.x), near(wave.y), near(wave.width), near(wave.height)];
  if (width < 1 || height < 1) return;
  const voices = Math.max(1, sounds.length / 2);
  /** How many of them are up, as a row of pixels. */
  const rowAt = (up: number) => top + height - 1 - Math.round((up * (height - 1)) / voices);
  let before: number | null = null;
  // Columns that are no part of the display cost nothing.
  for (let n = Math.max(0, -left); n < width && left + n < bitmap.widthPx; n += 1) {
    let [least, most] = [0, 0];
    for (let at = 0; at + 1 < sounds.length; at += 2) {
      const [hz, percent] = [sounds[at]!, sounds[at + 1]!];
      if (hz === 0 || percent === 0) continue;
      // In turns: a pin rises at whole ones, and falls a share of one behind.
      const share = percent / 200;
      const from = (n * wave.acrossUs * hz) / (width * 1_000_000);
      const to = ((n + 1) * wave.acrossUs * hz) / (width * 1_000_000);
      const isUp = from - Math.floor(from) < share;
      const turns = Math.ceil(to) - Math.ceil(from) > 0;
      const falls = Math.ceil(to - share) - Math.ceil(from - share) > 0;
      least += isUp && !falls ? 1 : 0;
      most += isUp || turns ? 1 : 0;
    }
    const [high, low] = [rowAt(most), rowAt(least)];
    // Where it moves from one column to the next there is an edge.
    const upper = before === null ? high : Math.min(high, before);
    const lower = before === null ? low : Math.max(low, before);
    fillRect(bitmap, left + n, upper, left + n + 1, lower + 1, ink);
    before = most === least ? low : null;
  }
}

/** @param values the newest last; where one was none, there is a gap */
export function drawPlot(
  bitmap: Bitmap,
  plot: OrderOf<'drawPlot'>,
  values: readonly (number | null)[],
  ink: number,
): void {
  const { low, high, how } = plot;
  const [left, top, width, height] = [near(plot.x), near(plot.y), near(plot.width), near(plot.height)];
  if (width < 1 || height < 1) return;
  const seen = values.slice(-width);
  const bottom = top + height;
  const from = left + width - seen.length;
  let before: number | null = null;
  for (let n = 0; n < seen.length; n += 1) {
    const x = from + n;
    const value = seen[n]!;
    if (value === null) {
      before = null;
      continue;
    }
    const y = bottom - 1 - filledPx(value, low, high, height - 1);
    if (how === 'columns') fillRect(bitmap, x, y, x + 1, bottom, ink);
    else if (how === 'line' && before !== null) straightLine(bitmap, x - 1, before, x, y, ink);
    else fillRect(bitmap, x, y, x + 1, y + 1, ink);
    before = y;
  }
}
