import type { Frame } from '../gadget/index.ts';
import { clamp } from '../kernel/index.ts';
import { fillRect, outlineRect, straightLine, type Bitmap } from './bitmap.ts';
import { bitmapFrame, frameBitmap } from './raster.ts';

export const strokeTools = [
  'pencil',
  'line',
  'box',
  'filledBox',
  'ellipse',
  'filledEllipse',
  'fill',
] as const;
export type StrokeTool = (typeof strokeTools)[number];

export interface Point {
  x: number;
  y: number;
}

/** What a hand draws on a frame in one go. */
export interface HandStroke {
  tool: StrokeTool;
  /** Where the hand came by, in pixels; may lie outside. Shapes reach from the first to the last. */
  points: readonly Point[];
  /** What pixels become; 0: dark. */
  ink: number;
  /** Done again, mirrored left to right and top to bottom. */
  mirrored: { across: boolean; down: boolean };
}

/** As far outside as a hand can point; lines to there are worked out in 32 bits. */
const farPx = 4_096;
const near = (place: number): number => clamp(Math.trunc(place), -farPx, farPx);

/**
 * An ellipse inside a rectangle, both its ends included, row by row in whole numbers: a pixel is in it when its middle
 * is. With doubled places the middle is whole, too: (2x − cx)²·b² + (2y − cy)²·a² ≤ a²·b².
 */
function ellipse(bitmap: Bitmap, from: Point, to: Point, filled: boolean, ink: number): void {
  const [left, right] = [Math.min(from.x, to.x), Math.max(from.x, to.x)];
  const [top, bottom] = [Math.min(from.y, to.y), Math.max(from.y, to.y)];
  const [cx, cy, a, b] = [left + right, top + bottom, right - left + 1, bottom - top + 1];
  const isIn = (x: number, y: number) => {
    const [u, v] = [2 * x - cx, 2 * y - cy];
    return u * u * b * b + v * v * a * a <= a * a * b * b;
  };
  for (let y = Math.max(0, top); y <= Math.min(bottom, bitmap.heightPx - 1); y += 1)
    for (let x = Math.max(0, left); x <= Math.min(right, bitmap.widthPx - 1); x += 1) {
      if (!isIn(x, y)) continue;
      const edge = !isIn(x - 1, y) || !isIn(x + 1, y) || !isIn(x, y - 1) || !isIn(x, y + 1);
      if (filled || edge) bitmap.pixels[y * bitmap.widthPx + x] = ink;
    }
}

/** All that is alike and hangs together by its sides. Each pixel is looked at once: at most as many as there are. */
function flood({ widthPx, heightPx, pixels }: Bitmap, { x, y }: Point, is: number): void {
  if (x < 0 || y < 0 || x >= widthPx || y >= heightPx) return;
  const was = pixels[y * widthPx + x]!;
  if (was === is) return;
  const open = [y * widthPx + x];
  pixels[open[0]!] = is;
  while (open.length > 0) {
    const at = open.pop()!;
    const column = at % widthPx;
    for (const [next, there] of [
      [at - 1, column > 0],
      [at + 1, column < widthPx - 1],
      [at - widthPx, at >= widthPx],
      [at + widthPx, at + widthPx < pixels.length],
    ] as const)
      if (there && pixels[next] === was) {
        pixels[next] = is;
        open.push(next);
      }
  }
}

function strokeOnce(bitmap: Bitmap, tool: StrokeTool, points: readonly Point[], ink: number): void {
  const [from, to] = [points[0]!, points.at(-1)!];
  const [left, right] = [Math.min(from.x, to.x), Math.max(from.x, to.x) + 1];
  const [top, bottom] = [Math.min(from.y, to.y), Math.max(from.y, to.y) + 1];
  switch (tool) {
    case 'pencil':
      points.forEach((point, n) => {
        const before = points[n - 1] ?? point;
        straightLine(bitmap, before.x, before.y, point.x, point.y, ink);
      });
      return;
    case 'line':
      return straightLine(bitmap, from.x, from.y, to.x, to.y, ink);
    case 'box':
      return outlineRect(bitmap, left, top, right, bottom, ink);
    case 'filledBox':
      return fillRect(bitmap, left, top, right, bottom, ink);
    case 'ellipse':
    case 'filledEllipse':
      return ellipse(bitmap, from, to, tool === 'filledEllipse', ink);
    case 'fill':
      return flood(bitmap, to, ink);
  }
}

/** A frame after a stroke. A stroke without points, or one that only falls outside, leaves it as it is. */
export function stroked(rows: Frame, { tool, points, ink, mirrored }: HandStroke): Frame {
  if (points.length === 0) return rows;
  const bitmap = frameBitmap(rows);
  const { widthPx, heightPx } = bitmap;
  const held = points.map(({ x, y }) => ({ x: near(x), y: near(y) }));
  for (const across of mirrored.across ? [false, true] : [false])
    for (const down of mirrored.down ? [false, true] : [false])
      strokeOnce(
        bitmap,
        tool,
        held.map(({ x, y }) => ({
          x: across ? widthPx - 1 - x : x,
          y: down ? heightPx - 1 - y : y,
        })),
        ink,
      );
  return bitmapFrame(bitmap);
}

/** A frame with nothing lit. */
export const blankFrame = (widthPx: number, heightPx: number): Frame =>
  Array.from({ length: heightPx }, () => '.'.repeat(widthPx));

/** Moved, and what leaves on one side comes in on the other. */
export function shiftedFrame(rows: Frame, dx: number, dy: number): Frame {
  const [width, height] = [rows[0]!.length, rows.length];
  const turned = (by: number, length: number) => ((by % length) + length) % length;
  const [x, y] = [turned(-dx, width), turned(-dy, height)];
  return rows.map((_, n) => {
    const row = rows[(n + y) % height]!;
    return row.slice(x) + row.slice(0, x);
  });
}

const overturned: Readonly<Record<string, string>> = { '#': '.', '.': '#' };
/** Lit becomes dark, dark becomes lit; inks of their own stay. */
export const invertedFrame = (rows: Frame): Frame =>
  rows.map((row) => row.replace(/[#.]/g, (pixel) => overturned[pixel]!));

/** Left becomes right. */
export const mirroredFrame = (rows: Frame): Frame => rows.map((row) => [...row].reverse().join(''));

/** The upper edge becomes the lower one. */
export const upsideDownFrame = (rows: Frame): Frame => [...rows].reverse();

/** Of another size: what does not fit is cut off at the right and below, what is new there is dark. */
export const resizedFrame = (rows: Frame, widthPx: number, heightPx: number): Frame =>
  Array.from({ length: heightPx }, (_, y) => (rows[y] ?? '').slice(0, widthPx).padEnd(widthPx, '.'));
