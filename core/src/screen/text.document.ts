import * as z from 'zod';
import { limits } from '../gadget/limits.ts';
import { constant, expression, list, outputDocument, template } from '../gadget/outputDocument.ts';
import { light } from '../light/light.document.ts';
import { colourSchema, durationUsSchema, lineSchema, wholeSchema } from '../gadget/primitives.schema.ts';
import { sendings, showing, writtenElements } from './pages.fields.ts';

/** Row counted from 0; one beyond the display is shown nowhere, and is a snag. */
const row = constant(wholeSchema(0, limits.displayRows - 1));

/** How far it dims where nobody touches anything for so long: never dark, which would leave a hand without an answer. */
export const idleDimSchema = z.strictObject({
  afterUs: durationUsSchema(1_000_000),
  percent: wholeSchema(1, 99, '%'),
});
export type IdleDim = z.infer<typeof idleDimSchema>;

/** How its light is told, as other lights are. */
const lightActions = { level: light.actions.level, colour: light.actions.colour };

/** What a character is made of: five by eight dots, or segments. */
export const cellKinds = ['dots', 'seven', 'fourteen'] as const;
/** So many characters of their own have common displays of dots room for. */
export const mostOwnCharacters = 8;
/** Dots of a character, the gap to its neighbours left out. */
export const cellDots = { wide: 5, high: 8 } as const;

/** Drawn by the maker, and shown wherever that character is written. */
const ownCharacterSchema = z.strictObject({
  character: z
    .string()
    .refine(
      (text) => [...text].length === 1 && text.trim() !== '',
      'expected one character that can be seen',
    ),
  rows: z
    .array(
      z.string().regex(new RegExp(`^[#.]{${cellDots.wide}}$`), 'expected five dots: # for dark, . for none'),
    )
    .length(cellDots.high, 'expected eight rows of dots'),
});

export const text = outputDocument(
  'text',
  {
    columns: wholeSchema(1, limits.displayColumns),
    rows: wholeSchema(1, limits.displayRows),
    cells: z.enum(cellKinds),
    /** The ground, and what is on. */
    palette: z.array(colourSchema).length(2, 'expected two colours: the ground, and what is on'),
    /** Where its trim stands, in hundredths of its way. */
    contrast: wholeSchema(0, 100, '%'),
    /** Of what can be seen; null: as wide as such displays usually are. */
    wideMm: wholeSchema(5, 500, 'mm').nullable(),
    sends: z.enum(sendings),
    /** What is sent of what stands on it: all of it, or the characters that are others. */
    update: z.enum(['whole', 'changed']),
    /** At most so many times a second. */
    mostHz: wholeSchema(1, 60, 'Hz'),
    dims: idleDimSchema.nullable(),
    ownCharacters: z
      .array(ownCharacterSchema)
      .max(mostOwnCharacters, `expected at most ${mostOwnCharacters} characters of its own`)
      .refine(
        (own) => new Set(own.map(({ character }) => character)).size === own.length,
        'expected each character of its own once',
      ),
  },
  {
    text: { row, text: template },
    /** A few characters at a place of their own; what falls outside the display is not seen. */
    sprite: { row: expression, column: expression, text: template },
    ...lightActions,
    ...showing,
    ...writtenElements,
    /** A list as one row: each place shows the glyph of its number; beyond the last, the last. */
    listRow: {
      row,
      variableId: list,
      glyphs: constant(lineSchema(32).min(1, 'expected at least one glyph')),
    },
  },
  {
    reaches: 'eyes',
    onPages: ['drawText', 'drawNumber', 'drawWord', 'drawList', 'drawRunning', 'drawLegends', 'drawBar'],
    leaves(action) {
      if (action.kind === 'text') return action.text.trim() === '' ? 'dark' : 'lit';
      if (action.kind === 'showPage') return action.pageId === null ? null : 'lit';
      return action.kind === 'level' && action.percent === '0' ? 'dark' : null;
    },
    fresh: ({ digits, segments = 0, startUs }) => ({
      ...(digits === undefined ? { columns: 16, rows: 2 } : { columns: digits, rows: 1 }),
      cells: digits === undefined ? 'dots' : segments === 0 ? 'seven' : 'fourteen',
      palette: digits === undefined ? ['#bcd06a', '#1c2a12'] : ['#1b1211', '#ff5a3c'],
      contrast: 50,
      wideMm: null,
      // What has a controller of its own is told over a bus; what is lit by the chip itself is not.
      sends: startUs === undefined ? 'free' : 'blocking',
      update: 'changed',
      mostHz: 20,
      dims: null,
      ownCharacters: [] as z.infer<typeof ownCharacterSchema>[],
    }),
    // How many digits there are, its part says; rows and columns of dots are the maker's.
    follows: ({ digits }) => (digits === undefined ? ['cells'] : ['cells', 'columns']),
  },
);

export type OwnCharacter = z.infer<typeof ownCharacterSchema>;
export type TextDisplay = z.infer<typeof text.schema>;
