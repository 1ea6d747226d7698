import * as z from 'zod';
import { constant, expression, length, outputDocument } from '../gadget/outputDocument.ts';
import { wholeSchema } from '../gadget/primitives.schema.ts';
import { lightColours } from '../light/light.document.ts';
import { steps as pattern } from '../light/steps.fields.ts';

export const lightsShapes = ['ring', 'strip', 'row', 'grid'] as const;
export const paints = [...lightColours, 'off'] as const;

/** Which of them, counted from 0: all, one, or from one to another, both included. */
const range = {
  which: constant(z.enum(['all', 'one', 'range'])),
  first: expression,
  last: expression,
};
const paint = constant(z.enum(paints));

/** Several lights told by number. */
export const lights = outputDocument(
  'lights',
  {
    count: wholeSchema(1, 256),
    shape: z.enum(lightsShapes),
    /** Of a grid: row by row, from the upper left. */
    columns: wholeSchema(1, 64),
    /** Null: each can be told any colour. Otherwise all are made in one, and are only brighter or darker. */
    colour: z.enum(lightColours).nullable(),
  },
  {
    /** A colour by name at a level, held inside 0 to 100 %. */
    paintLights: { ...range, colour: paint, percent: expression },
    /** Channels, each held inside 0 to 255. */
    mixLights: { ...range, red: expression, green: expression, blue: expression },
    /** A colour of the wheel: 0 red, 120 green, 240 blue, and round again. */
    hueLights: { ...range, hue: expression, percent: expression },
    /** The first so many of them in a colour, the others dark. */
    fillLights: { ...range, amount: expression, colour: paint, percent: expression },
    /** The colours wander so many places on: round, or leaving dark behind. */
    shiftLights: { ...range, by: expression, round: constant(z.boolean()) },
    /** Over and over along them: painted where there is a #, dark where there is a dot. */
    patternLights: {
      ...range,
      steps: constant(z.string().regex(pattern.like, pattern.expected)),
      colour: paint,
      percent: expression,
    },
    /** In the colours that they have, lit for half of each period. */
    blinkLights: { ...range, period: length },
    /** Through these colours one after the other, evenly, from what they are. */
    fadeLights: {
      ...range,
      through: constant(z.array(z.enum(paints)).min(1, 'expected at least one colour').max(6)),
      over: length,
    },
  },
  {
    // A chain has its number; a matrix its rows and columns; n shared lines carry n × (n − 1).
    fresh({ pixels, lines, rows = 1, columns = 1 }) {
      if (pixels !== undefined)
        return { count: pixels, shape: 'ring', columns: Math.ceil(Math.sqrt(pixels)), colour: null };
      return lines === undefined
        ? { count: rows * columns, shape: 'grid', columns, colour: 'amber' }
        : { count: lines * (lines - 1), shape: 'row', columns: lines, colour: 'amber' };
    },
    follows: () => ['count'],
    reaches: 'eyes',
    leaves(action) {
      if ('colour' in action && action.colour === 'off') return 'dark';
      return action.kind === 'paintLights' || action.kind === 'hueLights' ? 'lit' : null;
    },
    flashingCentiHz: (action) =>
      action.kind === 'blinkLights' && typeof action.period === 'number' && action.period > 0
        ? Math.round(100_000_000 / action.period)
        : 0,
    calmed: (action, centiHz) =>
      action.kind === 'blinkLights' ? { ...action, period: Math.round(100_000_000 / centiHz) } : action,
  },
);

export type Lights = z.infer<typeof lights.schema>;
export type Paint = (typeof paints)[number];
export type LightsShape = (typeof lightsShapes)[number];
