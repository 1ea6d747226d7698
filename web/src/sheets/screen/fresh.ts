import type { Drawing, Gadget, Page, Screen } from '@hum-lever/core';
import { boundsOf } from '@hum-lever/core';

type Element = Page['elements'][number];
export type Drawable = 'text' | 'number' | 'bar' | 'box' | 'line';

/** Where there is room below all that is there, in pixels from the top; else the first row. */
function below(drawings: readonly Drawing[], { heightPx }: Screen, needs: number): number {
  // What covers all of it is a ground, and others stand on it.
  const bottoms = drawings.map((one) => boundsOf(one).bottom).filter((bottom) => bottom < heightPx);
  const free = Math.max(0, ...bottoms);
  return free + needs <= heightPx ? free : 0;
}

/** Something new to draw, as it starts out: with the gadget's first value, where there is room. */
export function freshElement(
  what: Drawable,
  gadget: Gadget,
  screen: Screen,
  drawings: readonly Drawing[],
): Element {
  const y = String(below(drawings, screen, 8));
  const placed = { outputId: screen.id, onlyIf: '1', x: '0', y };
  const written = { ...placed, font: '6x8', align: 'left', inverted: false } as const;
  const number = gadget.flow.variables.find(({ kind }) => kind === 'number');
  const value = number?.id ?? '0';
  switch (what) {
    case 'text':
      return { kind: 'drawText', ...written, text: 'Hello' };
    case 'number':
      return { kind: 'drawNumber', ...written, value, format: 'plain', places: 0, unit: '' };
    case 'bar': {
      const [low, high] = number?.kind === 'number' ? [number.min, number.max] : [0, 100];
      const size = { width: String(Math.min(64, screen.widthPx)), height: '8' };
      const ends = { low: String(low), high: String(high) };
      return { kind: 'drawBar', ...placed, ...size, value, ...ends, grows: 'right', framed: true };
    }
    case 'box':
      return {
        kind: 'drawBox',
        ...placed,
        y: '0',
        width: String(screen.widthPx),
        height: String(screen.heightPx),
        how: 'outline',
      };
    case 'line':
      return { kind: 'drawLine', ...placed, toX: String(screen.widthPx - 1), toY: y };
  }
}
