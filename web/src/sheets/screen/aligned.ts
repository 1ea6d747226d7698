import type { Bounds } from '@hum-lever/core';

/** Where to put what is chosen: an edge or the middle of what it lies in; or the same room between them all. */
export const alignments = ['left', 'centre', 'right', 'top', 'middle', 'bottom', 'across', 'down'] as const;
export type Alignment = (typeof alignments)[number];

/** Of several, what they take up together; of one, what it lies on. */
function within(bounds: readonly Bounds[], on: { widthPx: number; heightPx: number }): Bounds {
  if (bounds.length === 1) return { left: 0, top: 0, right: on.widthPx, bottom: on.heightPx };
  return {
    left: Math.min(...bounds.map(({ left }) => left)),
    top: Math.min(...bounds.map(({ top }) => top)),
    right: Math.max(...bounds.map(({ right }) => right)),
    bottom: Math.max(...bounds.map(({ bottom }) => bottom)),
  };
}

/** Starts of stretches of those lengths with the same room between them, from the first to the last as they stand. */
function spread(stretches: readonly (readonly [from: number, to: number])[]): number[] {
  const order = stretches.map((_, n) => n).sort((a, b) => stretches[a]![0] - stretches[b]![0] || a - b);
  const from = stretches[order[0]!]![0];
  const to = Math.max(...stretches.map(([, end]) => end));
  const filled = stretches.reduce((sum, [start, end]) => sum + end - start, 0);
  const room = (to - from - filled) / Math.max(1, stretches.length - 1);
  const starts = Array<number>(stretches.length).fill(0);
  let at = from;
  for (const n of order) {
    starts[n] = Math.round(at);
    at += stretches[n]![1] - stretches[n]![0] + room;
  }
  return starts;
}

/** How far each has to be moved, right and down, so that they lie so. */
export function alignedBy(
  bounds: readonly Bounds[],
  how: Alignment,
  on: { widthPx: number; heightPx: number },
): (readonly [dx: number, dy: number])[] {
  const all = within(bounds, on);
  const half = (from: number, to: number, length: number) => Math.floor((from + to - length) / 2);
  if (how === 'across') {
    const starts = spread(bounds.map(({ left, right }) => [left, right]));
    return bounds.map(({ left }, n) => [starts[n]! - left, 0]);
  }
  if (how === 'down') {
    const starts = spread(bounds.map(({ top, bottom }) => [top, bottom]));
    return bounds.map(({ top }, n) => [0, starts[n]! - top]);
  }
  return bounds.map(({ left, top, right, bottom }) => {
    switch (how) {
      case 'left':
        return [all.left - left, 0];
      case 'right':
        return [all.right - right, 0];
      case 'centre':
        return [half(all.left, all.right, right - left) - left, 0];
      case 'top':
        return [0, all.top - top];
      case 'bottom':
        return [0, all.bottom - bottom];
      case 'middle':
        return [0, half(all.top, all.bottom, bottom - top) - top];
    }
  });
}
