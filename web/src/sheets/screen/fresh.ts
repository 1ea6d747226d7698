import type { Drawing, Gadget, Page, Screen } from '@hum-lever/core';
import { boundsOf, stockOf } from '@hum-lever/core';

type Element = Page['elements'][number];
export type Drawable =
  | 'text'
  | 'icon'
  | 'number'
  | 'word'
  | 'list'
  | 'running'
  | 'legends'
  | 'bar'
  | 'dial'
  | 'plot'
  | 'picture'
  | 'box'
  | 'line';

/** A choice, whose options are words; undefined: there is none. */
const choiceOf = ({ flow }: Gadget) => flow.variables.find((one) => one.kind === 'choice');
const textsOf = ({ flow }: Gadget) => flow.variables.find((one) => one.kind === 'texts');

/** What can be drawn with the values that there are. */
export const drawables = (gadget: Gadget): Drawable[] => [
  'text',
  'icon',
  'number',
  'word',
  ...(textsOf(gadget) ? (['list'] as const) : []),
  'running',
  'legends',
  'bar',
  'dial',
  'plot',
  ...(gadget.pictures.length > 0 ? (['picture'] as const) : []),
  'box',
  'line',
];

/** What others may stand on, or inside. */
const grounds: ReadonlySet<Drawing['kind']> = new Set(['drawBox', 'drawDial', 'drawLine', 'drawLegends']);

/** The first row of eight pixels on which nothing is written yet; where there is none, the first. */
function freeRow(drawings: readonly Drawing[], screen: Screen, gadget: Gadget): number {
  const stock = stockOf(gadget);
  const { heightPx } = screen;
  const taken = drawings
    .filter(({ kind }) => !grounds.has(kind))
    .map((drawing) => boundsOf(drawing, stock, screen));
  for (let y = 0; y + 8 <= heightPx; y += 8)
    if (!taken.some(({ top, bottom }) => top < y + 8 && bottom > y)) return y;
  return 0;
}

/** Something new to draw, as it starts out: with the gadget's first value, where there is room. */
export function freshElement(
  what: Drawable,
  gadget: Gadget,
  screen: Screen,
  drawings: readonly Drawing[],
): Element {
  const y = String(freeRow(drawings, screen, gadget));
  const seen = { outputId: screen.id, onlyIf: '1', blinks: 'steady', ink: '1', group: 0 } as const;
  const placed = { ...seen, x: '0', y };
  const written = { ...placed, font: '6x8', align: 'left', inverted: false } as const;
  const number = gadget.flow.variables.find(({ kind }) => kind === 'number');
  const value = number?.id ?? '0';
  const [low, high] = number?.kind === 'number' ? [number.min, number.max] : [0, 100];
  const known = { unknownIf: '0' };
  const instead = '--';
  const ends = { low: String(low), high: String(high) };
  switch (what) {
    case 'text':
      return { kind: 'drawText', ...written, text: 'Hello' };
    case 'icon':
      return { kind: 'drawText', ...written, font: '12x16', text: '🔔' };
    case 'number':
      return {
        kind: 'drawNumber',
        ...written,
        value,
        format: 'plain',
        places: 0,
        unit: '',
        ...known,
        instead,
      };
    case 'word': {
      const choice = choiceOf(gadget);
      const words = choice ? choice.options.map((option) => option.name) : ['off', 'on'];
      return { kind: 'drawWord', ...written, value: choice?.id ?? value, words, ...known, instead };
    }
    case 'list':
      return {
        kind: 'drawList',
        ...placed,
        font: '6x8',
        width: String(screen.widthPx),
        rows: 4,
        variableId: textsOf(gadget)!.id,
        cursor: value,
      };
    case 'running': {
      const width = String(screen.widthPx);
      return {
        kind: 'drawRunning',
        ...placed,
        font: '6x8',
        width,
        text: 'Tonight at the lantern gate',
        stepMs: 50,
      };
    }
    case 'legends':
      return {
        kind: 'drawLegends',
        ...seen,
        font: '6x8',
        edge: 'bottom',
        words: ['Back', 'Go'],
        inverted: true,
      };
    case 'plot': {
      const size = { width: String(Math.min(64, screen.widthPx)), height: '24' };
      return { kind: 'drawPlot', ...placed, ...size, value, ...ends, everyMs: 250, how: 'line', ...known };
    }
    case 'dial': {
      const middle = { x: String(screen.widthPx >> 1), y: String(screen.heightPx >> 1) };
      const radius = String((Math.min(screen.widthPx, screen.heightPx) >> 1) - 2);
      return { kind: 'drawDial', ...placed, ...middle, radius, value, ...ends, how: 'arc', ...known };
    }
    case 'bar': {
      const size = { width: String(Math.min(64, screen.widthPx)), height: '8' };
      return {
        kind: 'drawBar',
        ...placed,
        ...size,
        value,
        ...ends,
        grows: 'right',
        framed: true,
        blocks: 0,
        peakMs: 0,
        ...known,
      };
    }
    case 'picture':
      return {
        kind: 'drawPicture',
        ...placed,
        pictureId: gadget.pictures.at(-1)!.id,
        frame: '0',
        how: 'over',
      };
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
