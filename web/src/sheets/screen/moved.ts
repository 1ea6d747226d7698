import type { Drawing, Page } from '@hum-lever/core';

type Element = Page['elements'][number];

const isPlain = (text: unknown): text is string => typeof text === 'string' && /^-?\d+$/.test(text.trim());
const places = ['x', 'y', 'toX', 'toY'] as const;
const along = { x: 0, toX: 0, y: 1, toY: 1 } as const;

/** The element so many pixels farther right and down; null: its place is worked out, or an edge, and no hand moves it. */
export function movedElement(element: Element, dx: number, dy: number): Element | null {
  const said = element as unknown as Record<string, unknown>;
  const own = places.filter((name) => name in said);
  if (own.length === 0 || !own.every((name) => isPlain(said[name]))) return null;
  const by = [dx, dy] as const;
  const moved = own.map((name) => [name, String(Number(said[name]) + by[along[name]])]);
  return { ...element, ...Object.fromEntries(moved) } as Element;
}

/** The same of what is drawn, while it is held. */
export function movedDrawing(drawing: Drawing, dx: number, dy: number): Drawing {
  if (!('x' in drawing)) return drawing;
  const moved = { ...drawing, x: drawing.x + dx, y: drawing.y + dy };
  return moved.kind === 'drawLine' ? { ...moved, toX: moved.toX + dx, toY: moved.toY + dy } : moved;
}
