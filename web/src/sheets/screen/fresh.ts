import {
  boundsOf,
  measuresOf,
  stockFor,
  type Drawing,
  type Gadget,
  type Page,
  type Screen,
  type TextDisplay,
} from '@hum-lever/core';

type Display = Screen | TextDisplay;

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
  | 'wave'
  | 'picture'
  | 'box'
  | 'line';

/** A choice, whose options are words; undefined: there is none. */
const choiceOf = ({ flow }: Gadget) => flow.variables.find((one) => one.kind === 'choice');
const textsOf = ({ flow }: Gadget) => flow.variables.find((one) => one.kind === 'texts');

/** How far from one row of writing to the next: of pixels; of characters. */
export const rowOf = ({ kind }: Display): number => (kind === 'screen' ? 8 : 1);

/** What stands in places of characters. */
const inCharacters: ReadonlySet<Drawable> = new Set<Drawable>([
  'text',
  'number',
  'word',
  'list',
  'running',
  'legends',
  'bar',
]);

/** What can be drawn with the values that there are. */
export const drawables = (gadget: Gadget, { kind }: Display): Drawable[] =>
  every(gadget).filter((what) => kind === 'screen' || inCharacters.has(what));
const every = (gadget: Gadget): Drawable[] => [
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
  'wave',
  ...(gadget.pictures.length > 0 ? (['picture'] as const) : []),
  'box',
  'line',
];

/** What others may stand on, or inside. */
const grounds: ReadonlySet<Drawing['kind']> = new Set(['drawBox', 'drawDial', 'drawLine', 'drawLegends']);

/** The first row on which nothing is written yet; where there is none, the first. */
function freeRow(drawings: readonly Drawing[], screen: Display, gadget: Gadget): number {
  const stock = stockFor(gadget, screen);
  const measures = measuresOf(screen);
  const row = rowOf(screen);
  const taken = drawings
    .filter(({ kind }) => !grounds.has(kind))
    .map((drawing) => boundsOf(drawing, stock, measures));
  for (let y = 0; y + row <= measures.heightPx; y += row)
    if (!taken.some(({ top, bottom }) => top < y + row && bottom > y)) return y;
  return 0;
}

/** Something new to draw, as it starts out: with the gadget's first value, where there is room. */
export function freshElement(
  what: Drawable,
  gadget: Gadget,
  screen: Display,
  drawings: readonly Drawing[],
): Element {
  const y = String(freeRow(drawings, screen, gadget));
  const { widthPx, heightPx } = measuresOf(screen);
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
        width: String(widthPx),
        rows: Math.min(4, Math.max(1, Math.floor(heightPx / rowOf(screen)))),
        variableId: textsOf(gadget)!.id,
        cursor: value,
      };
    case 'running': {
      const width = String(widthPx);
      return {
        kind: 'drawRunning',
        ...placed,
        font: '6x8',
        width,
        text: 'Tonight at the lantern gate',
        stepMs: screen.kind === 'screen' ? 50 : 300,
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
      const size = { width: String(Math.min(64, widthPx)), height: '24' };
      return { kind: 'drawPlot', ...placed, ...size, value, ...ends, everyMs: 250, how: 'line', ...known };
    }
    case 'wave': {
      const size = { width: String(Math.min(64, widthPx)), height: '16' };
      return { kind: 'drawWave', ...placed, ...size, acrossUs: 10_000 };
    }
    case 'dial': {
      const middle = { x: String(widthPx >> 1), y: String(heightPx >> 1) };
      const radius = String((Math.min(widthPx, heightPx) >> 1) - 2);
      return { kind: 'drawDial', ...placed, ...middle, radius, value, ...ends, how: 'arc', ...known };
    }
    case 'bar': {
      const size = { width: String(Math.min(64, widthPx)), height: String(rowOf(screen)) };
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
        width: String(widthPx),
        height: String(heightPx),
        how: 'outline',
      };
    case 'line':
      return { kind: 'drawLine', ...placed, toX: String(widthPx - 1), toY: y };
  }
}
