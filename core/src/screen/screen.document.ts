import * as z from 'zod';
import { limits } from '../gadget/limits.ts';
import { constant, expression, outputDocument, type PartFigures } from '../gadget/outputDocument.ts';
import { colourSchema, idSchema, wholeSchema } from '../gadget/primitives.schema.ts';
import {
  boxKinds,
  dialKinds,
  known,
  pictureKinds,
  placed,
  plotKinds,
  sendings,
  showing,
  sized,
  writtenElements,
} from './pages.fields.ts';
import { idleDimSchema, text as characters } from './text.document.ts';

/**
 * What is sent of a picture: all of it; the tiles of eight by eight pixels that look otherwise; all of it into a second
 * picture that the display keeps, to be changed over to when it is there.
 */
export const updates = ['whole', 'changed', 'swapped'] as const;

/** What a pixel of a display can look like, and how many bits it has over the bus. */
export const depths = ['mono', 'grey4', 'grey16', 'colour'] as const;
export type Depth = (typeof depths)[number];
export const bitsOfDepth: Readonly<Record<Depth, number>> = { mono: 1, grey4: 2, grey16: 4, colour: 16 };

/** As displays of one colour glow; greys between. */
const [dark, glowing] = ['#141b18', '#e9f2c9'] as const;
const colours = [
  '#101418',
  '#f4f1e6',
  '#e4572e',
  '#f2b134',
  '#7cb356',
  '#3f9bbf',
  '#8d6cc4',
  '#5c6670',
] as const;

/** A colour so many parts of the way from one to another. */
const between = (part: number, of: number): string =>
  '#' +
  [1, 3, 5]
    .map((at) => {
      const [from, to] = [dark, glowing].map((colour) => parseInt(colour.slice(at, at + 2), 16));
      return Math.round(from! + ((to! - from!) * part) / of)
        .toString(16)
        .padStart(2, '0');
    })
    .join('');

/** What a display comes with: the ground, the usual ink; the greys between them from dark to light; or colours. */
export function usualPalette(depth: Depth): string[] {
  if (depth === 'colour') return [...colours];
  const levels = 2 ** bitsOfDepth[depth];
  return [dark, glowing, ...Array.from({ length: levels - 2 }, (_, n) => between(n + 1, levels - 1))];
}

/** Of a display whose size nobody has said: pixels of common ones, in what a hand has room for. */
const usualWideMm = (widthPx: number): number => Math.max(24, Math.min(56, Math.round(widthPx * 0.4)));

/** A block of lights is eight wide and high, four millimetres from one to the next. */
const block = { px: 8, mm: 32 } as const;
/** As lights glow on a ground that does not. */
const inLights = ['#1b1211', '#ff5a3c'];

/** How wide and high it is as it is fitted: turned by a quarter, the one is the other. */
function asFitted({ blocks, widthPx = 128, heightPx = 64, turned = 0 }: PartFigures) {
  const [wide, high] = blocks === undefined ? [widthPx, heightPx] : [block.px * blocks, block.px];
  return turned % 2 === 0 ? { widthPx: wide, heightPx: high } : { widthPx: high, heightPx: wide };
}

/** A display of pixels. */
export const screen = outputDocument(
  'screen',
  {
    widthPx: wholeSchema(8, limits.displayPx, 'px'),
    heightPx: wholeSchema(8, limits.displayPx, 'px'),
    /** Of what can be seen. */
    wideMm: wholeSchema(5, 500, 'mm'),
    /** Of the layer of characters that lies over its pages. */
    columns: wholeSchema(1, limits.displayColumns),
    rows: wholeSchema(1, limits.displayRows),
    sends: z.enum(sendings),
    update: z.enum(updates),
    /** At most so many pictures a second. */
    mostHz: wholeSchema(1, 60, 'Hz'),
    depth: z.enum(depths),
    dims: idleDimSchema.nullable(),
    /** Colours by the number of their ink: the ground, the usual one, and others. */
    palette: z
      .array(colourSchema)
      .min(2, 'expected at least two colours: the ground, and the usual ink')
      .max(16, 'expected at most 16 colours'),
  },
  {
    ...showing,
    ...characters.actions,
    ...writtenElements,
    /** How a value went: a pixel to the right each time, the newest at the right end; it begins anew with its page. */
    drawPlot: {
      ...sized,
      value: expression,
      low: expression,
      high: expression,
      /** How long until the next is taken, ms. */
      everyMs: constant(wholeSchema(10, 60_000, 'ms')),
      how: constant(z.enum(plotKinds)),
      ...known,
    },
    /**
     * As far round as the value lies from low to high: a needle or an arc over three quarters of a turn, from the lower
     * left on; a ring or a slice of a disc all round, from the top on.
     */
    drawDial: {
      ...placed,
      radius: expression,
      value: expression,
      low: expression,
      high: expression,
      how: constant(z.enum(dialKinds)),
      ...known,
    },
    /**
     * What the gadget's sounders do just now, as their pins go up and down, each from its rise on at the left end; of
     * several, all of it together.
     */
    drawWave: {
      ...sized,
      /** So much time lies from one end to the other, µs. */
      acrossUs: constant(wholeSchema(100, 1_000_000, 'µs')),
    },
    drawBox: { ...sized, how: constant(z.enum(boxKinds)) },
    /** A frame of a picture, by its number from 0; beyond the last it begins again. */
    drawPicture: {
      ...placed,
      pictureId: constant(idSchema),
      frame: expression,
      how: constant(z.enum(pictureKinds)),
    },
    /** Both ends included. */
    drawLine: { ...placed, toX: expression, toY: expression },
  },
  {
    reaches: 'eyes',
    onPages: [
      'drawText',
      'drawNumber',
      'drawWord',
      'drawList',
      'drawRunning',
      'drawLegends',
      'drawPlot',
      'drawDial',
      'drawWave',
      'drawBar',
      'drawPicture',
      'drawBox',
      'drawLine',
    ],
    leaves(action) {
      if (action.kind === 'showPage') return action.pageId === null ? null : 'lit';
      return action.kind === 'level' && action.percent === '0' ? 'dark' : null;
    },
    fresh: ({ depth = 0, ...made }) => {
      const { widthPx, heightPx } = asFitted(made);
      return {
        widthPx,
        heightPx,
        wideMm: made.blocks === undefined ? usualWideMm(widthPx) : (widthPx / block.px) * block.mm,
        // Six by eight pixels a character. Source: reckoning, Buses and screens.
        columns: Math.min(limits.displayColumns, Math.max(1, Math.floor(widthPx / 6))),
        rows: Math.min(limits.displayRows, Math.max(1, Math.floor(heightPx / 8))),
        sends: 'blocking',
        update: 'whole',
        mostHz: 20,
        depth: depths[depth]!,
        dims: null,
        palette: made.blocks === undefined ? usualPalette(depths[depth]!) : inLights,
      };
    },
    follows: () => ['widthPx', 'heightPx', 'depth'],
  },
);

export type Screen = z.infer<typeof screen.schema>;
