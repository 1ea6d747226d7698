import * as z from 'zod';
import { limits } from '../gadget/limits.ts';
import { constant, expression, template, texts } from '../gadget/outputDocument.ts';
import { idSchema, lineSchema, wholeSchema } from '../gadget/primitives.schema.ts';

/* What stands on pages, and means the same on every kind of display: what is written, and bars. */

/** By the cell that a character has, in pixels. The last has digits and what stands beside them, no letters. */
export const fontNames = ['4x6', '5x7', '6x8', '8x8', '8x16', '12x16', '18x24', '16x24'] as const;
/** Those in which any text is written that nobody chose one for, from the smallest on. */
export const textFontNames = ['4x6', '6x8', '12x16', '18x24'] as const;
/** One of these, or one of the gadget's own by its id. */
const font = constant(z.union([z.enum(fontNames), idSchema]));
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
/** What sending a picture is to the loop: nothing, a stretch that it waits for, or work that goes on beside it. */
export const sendings = ['free', 'blocking', 'background'] as const;
export const boxKinds = ['outline', 'filled', 'cleared', 'inverted'] as const;
/**
 * What a picture does to what it lies on: its lit pixels are lit; all of it is there, dark ones too; its lit pixels are
 * dark; its lit pixels turn over.
 */
export const pictureKinds = ['over', 'whole', 'cleared', 'inverted'] as const;
export const dialKinds = ['needle', 'arc', 'ring', 'pie'] as const;
export const plotKinds = ['line', 'dots', 'columns'] as const;
/** Along which edge of a display. */
export const legendEdges = ['bottom', 'top', 'left', 'right'] as const;
export const growths = ['right', 'left', 'up', 'down'] as const;
/** Whether it comes and goes by itself: once or twice a second, slower than what can harm. */
export const blinkings = ['steady', 'slow', 'fast'] as const;

/**
 * Not drawn where `onlyIf` is 0. `ink` is the number of a colour of the display's palette, of which 0 is the ground;
 * beyond the last it is the last. `group`: those with the same number belong together where they are put and moved; 0:
 * it stands by itself. Drawn are they one by one.
 */
export const seen = {
  onlyIf: expression,
  blinks: constant(z.enum(blinkings)),
  ink: expression,
  group: constant(wholeSchema(0, limits.elementsPerPage)),
};
/** Pixels, or on displays of characters their places, are counted from the upper left corner, from 0. */
export const placed = { ...seen, x: expression, y: expression };
/** Written so that `x` is its left end, its middle or its right end; inverted: dark on a lit ground. */
const written = {
  ...placed,
  font,
  align: constant(z.enum(aligns)),
  inverted: constant(z.boolean()),
};
/** Where this holds, its value is none: not come yet, or lost. */
export const known = { unknownIf: expression };
/** What stands in the place of a value that is none. */
const instead = constant(lineSchema(limits.unitChars * 2));
export const sized = { ...placed, width: expression, height: expression };

/** Which page is shown. */
export const showing = {
  /** null: none, only what is written in characters. */
  showPage: { pageId: constant(idSchema.nullable()) },
};

/** What is written on pages, and bars. */
export const writtenElements = {
  drawText: { ...written, text: template },
  drawNumber: {
    ...written,
    value: expression,
    format: constant(z.enum(numberFormats)),
    /** Places that it takes at least; 0: as many as it needs. */
    places: constant(wholeSchema(0, 12)),
    unit: constant(lineSchema(limits.unitChars)),
    ...known,
    instead,
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
    ...known,
    instead,
  },
  /** Texts one below the other; the one of the cursor is on a lit ground, and always in view. */
  drawList: {
    ...placed,
    font,
    width: expression,
    rows: constant(wholeSchema(1, 16)),
    variableId: texts,
    cursor: expression,
  },
  /** A line of text in a window; where it is wider than that, it runs through it, a pixel each time. */
  drawRunning: {
    ...placed,
    font,
    width: expression,
    text: template,
    /** How long it stays at a pixel, ms. */
    stepMs: constant(wholeSchema(10, 10_000, 'ms')),
  },
  /** What keys beside the display do: words along one of its edges, evenly spread over it; empty ones are none. */
  drawLegends: {
    ...seen,
    font,
    edge: constant(z.enum(legendEdges)),
    words: constant(
      z
        .array(lineSchema(limits.unitChars * 2))
        .min(1, 'expected at least one word')
        .max(16, 'expected at most 16 words'),
    ),
    inverted: constant(z.boolean()),
  },
  /** Filled from one end as far as the value lies from low to high; where it has blocks, a whole block at a time. */
  drawBar: {
    ...sized,
    value: expression,
    low: expression,
    high: expression,
    grows: constant(z.enum(growths)),
    framed: constant(z.boolean()),
    /** 0: it is filled pixel by pixel. */
    blocks: constant(wholeSchema(0, 64)),
    /** How long a mark stays where it was filled to at most, ms; 0: there is none. */
    peakMs: constant(wholeSchema(0, 60_000, 'ms')),
    ...known,
  },
};
