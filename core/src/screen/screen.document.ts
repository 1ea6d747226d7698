import * as z from 'zod';
import { limits } from '../gadget/limits.ts';
import { constant, expression, outputDocument, template, texts } from '../gadget/outputDocument.ts';
import { idSchema, lineSchema, wholeSchema } from '../gadget/primitives.schema.ts';
import { text as characters } from './text.document.ts';

/** By the cell that a character has, in pixels. */
export const fontNames = ['4x6', '6x8', '12x16', '18x24'] as const;
export const aligns = ['left', 'centre', 'right'] as const;
/**
 * How a number is written: as it is; with noughts in front; with one digit or two behind the point, of tenths or
 * hundredths; always with its sign; minutes and seconds, of seconds; of milliseconds, seconds and tenths.
 */
export const numberFormats = [
  'plain',
  'noughts',
  'tenths',
  'hundredths',
  'signed',
  'clock',
  'stopwatch',
] as const;
export const boxKinds = ['outline', 'filled', 'cleared', 'inverted'] as const;
/**
 * What a picture does to what it lies on: its lit pixels are lit; all of it is there, dark ones too; its lit pixels are
 * dark; its lit pixels turn over.
 */
export const pictureKinds = ['over', 'whole', 'cleared', 'inverted'] as const;
export const dialKinds = ['needle', 'arc'] as const;
export const growths = ['right', 'left', 'up', 'down'] as const;
/** What sending a picture is to the loop: nothing, a stretch that it waits for, or work that goes on beside it. */
export const sendings = ['free', 'blocking', 'background'] as const;

export const updates = ['whole', 'changed'] as const;

/** Not drawn where this is 0. Pixels are counted from the upper left corner, from 0. */
const placed = { onlyIf: expression, x: expression, y: expression };
/** Written so that `x` is its left end, its middle or its right end; inverted: dark on a lit ground. */
const written = {
  ...placed,
  font: constant(z.enum(fontNames)),
  align: constant(z.enum(aligns)),
  inverted: constant(z.boolean()),
};
const sized = { ...placed, width: expression, height: expression };

/** A display of pixels. */
export const screen = outputDocument(
  'screen',
  {
    widthPx: wholeSchema(8, limits.displayPx, 'px'),
    heightPx: wholeSchema(8, limits.displayPx, 'px'),
    /** Of the layer of characters that lies over its pages. */
    columns: wholeSchema(1, limits.displayColumns),
    rows: wholeSchema(1, limits.displayRows),
    sends: z.enum(sendings),
    /** What is sent of a picture: all of it, or the tiles of eight by eight pixels that look otherwise. */
    update: z.enum(updates),
    /** At most so many pictures a second. */
    mostHz: wholeSchema(1, 60, 'Hz'),
  },
  {
    /** null: none, only what is written in characters. */
    showPage: { pageId: constant(idSchema.nullable()) },
    ...characters.actions,
    drawText: { ...written, text: template },
    drawNumber: {
      ...written,
      value: expression,
      format: constant(z.enum(numberFormats)),
      /** Places that it takes at least; 0: as many as it needs. */
      places: constant(wholeSchema(0, 12)),
      unit: constant(lineSchema(limits.unitChars)),
    },
    /** One of several words, by its number from 0; outside them nothing. */
    drawWord: {
      ...written,
      value: expression,
      words: constant(
        z
          .array(lineSchema(limits.unitChars * 2))
          .min(1, 'expected at least one word')
          .max(limits.options),
      ),
    },
    /** Texts one below the other; the one of the cursor is on a lit ground, and always in view. */
    drawList: {
      ...placed,
      font: constant(z.enum(fontNames)),
      width: expression,
      rows: constant(wholeSchema(1, 16)),
      variableId: texts,
      cursor: expression,
    },
    /** Over three quarters of a turn, from the lower left on. */
    drawDial: {
      ...placed,
      radius: expression,
      value: expression,
      low: expression,
      high: expression,
      how: constant(z.enum(dialKinds)),
    },
    /** Filled from one end as far as the value lies from low to high. */
    drawBar: {
      ...sized,
      value: expression,
      low: expression,
      high: expression,
      grows: constant(z.enum(growths)),
      framed: constant(z.boolean()),
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
      'drawDial',
      'drawBar',
      'drawPicture',
      'drawBox',
      'drawLine',
    ],
    leaves: (action) => (action.kind === 'showPage' && action.pageId !== null ? 'lit' : null),
    fresh: ({ widthPx = 128, heightPx = 64 }) => ({
      widthPx,
      heightPx,
      // Six by eight pixels a character. Source: reckoning, Buses and screens.
      columns: Math.min(limits.displayColumns, Math.max(1, Math.floor(widthPx / 6))),
      rows: Math.min(limits.displayRows, Math.max(1, Math.floor(heightPx / 8))),
      sends: 'blocking',
      update: 'whole',
      mostHz: 20,
    }),
    follows: ['widthPx', 'heightPx'],
  },
);

export type Screen = z.infer<typeof screen.schema>;
