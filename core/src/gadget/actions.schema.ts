import * as z from 'zod';
import { lightColourSchema } from './controls.schema.ts';
import { limits } from './limits.ts';
import { durationUsSchema, idSchema, lineSchema, wholeSchema } from './primitives.schema.ts';

/** Expression text over ids of the document, e.g. `v1 + random(6)`. Whether it can be read is flow's to say. */
export const expressionSchema = lineSchema(limits.expressionChars).min(
  1,
  'expected an expression, got nothing',
);

/** Text with expressions in braces: `Heat {v1}`. */
const templateSchema = lineSchema(limits.templateChars);

/** How long: whole µs, or milliseconds worked out when it begins. */
export const lengthSchema = z.union([durationUsSchema(), z.strictObject({ ms: expressionSchema })]);

const lightModes = z.discriminatedUnion('mode', [
  z.strictObject({ mode: z.literal('on') }),
  z.strictObject({ mode: z.literal('off') }),
  /** Half the period lit, half dark, beginning lit. */
  z.strictObject({ mode: z.literal('blink'), periodUs: durationUsSchema(10_000) }),
  /** From the level it has to the level given, evenly. */
  z.strictObject({
    mode: z.literal('fade'),
    levelPercent: wholeSchema(0, 100, '%'),
    overUs: durationUsSchema(1_000),
  }),
  /** Over and over: lit where there is a #, dark where there is a dot, each for one step. */
  z.strictObject({
    mode: z.literal('pattern'),
    steps: z.string().regex(/^[#.]{1,64}$/, 'expected # for lit and . for dark, 1 to 64 of them'),
    stepUs: durationUsSchema(10_000),
  }),
]);

export const midiMessages = ['noteOn', 'noteOff', 'control', 'program'] as const;

const output = { outputId: idSchema };

export const actionSchema = z.discriminatedUnion('kind', [
  /** `index`: which place of a list, from 0; null: all of it. */
  z.strictObject({
    kind: z.literal('set'),
    variableId: idSchema,
    index: expressionSchema.nullable(),
    value: expressionSchema,
  }),
  /** Every place of a list takes what the next one holds; the last takes the value. */
  z.strictObject({ kind: z.literal('shift'), variableId: idSchema, value: expressionSchema }),
  z.strictObject({ kind: z.literal('light'), ...output, light: lightModes }),
  /** A steady level in percent, held inside 0 to 100. */
  z.strictObject({ kind: z.literal('level'), ...output, percent: expressionSchema }),
  /** What it does goes on in that colour. One that is made in one colour keeps its own. */
  z.strictObject({ kind: z.literal('colour'), ...output, colour: lightColourSchema }),
  z.strictObject({
    kind: z.literal('text'),
    ...output,
    /** Row counted from 0; one beyond the display is shown nowhere, and is a snag. */
    row: wholeSchema(0, limits.displayRows - 1),
    text: templateSchema,
  }),
  /** A few characters at a place of their own; what falls outside the display is not seen. */
  z.strictObject({
    kind: z.literal('sprite'),
    ...output,
    row: expressionSchema,
    column: expressionSchema,
    text: templateSchema,
  }),
  /** A list as one row: each place shows the glyph of its number; beyond the last, the last. */
  z.strictObject({
    kind: z.literal('lane'),
    ...output,
    row: wholeSchema(0, limits.displayRows - 1),
    variableId: idSchema,
    glyphs: lineSchema(32).min(1, 'expected at least one glyph'),
  }),
  z.strictObject({
    kind: z.literal('tone'),
    ...output,
    hz: expressionSchema,
    /** 0: until silenced or replaced. */
    lengthUs: durationUsSchema(),
  }),
  /** Notes one after the other; hz 0 is a rest. */
  z.strictObject({
    kind: z.literal('tune'),
    ...output,
    notes: z
      .array(z.strictObject({ hz: wholeSchema(0, limits.toneHz, 'Hz'), lengthUs: durationUsSchema(1_000) }))
      .min(1, 'expected at least one note')
      .max(limits.tuneNotes),
  }),
  z.strictObject({ kind: z.literal('silence'), ...output }),
  /** note and velocity, controller and value, or program alone; each held inside 0 to 127. */
  z.strictObject({
    kind: z.literal('midi'),
    ...output,
    message: z.enum(midiMessages),
    channel: wholeSchema(1, 16),
    first: expressionSchema,
    second: expressionSchema,
  }),
  /** As typed on a keyboard. */
  z.strictObject({ kind: z.literal('type'), ...output, text: templateSchema }),
  /** Degrees of a servo or percent of a motor, held inside what it can do. */
  z.strictObject({ kind: z.literal('move'), ...output, to: expressionSchema }),
  /** Every saved variable is written down, or read back. */
  z.strictObject({ kind: z.literal('save') }),
  z.strictObject({ kind: z.literal('recall') }),
  /** Begins anew where it runs already. `every`: goes on until stopped. */
  z.strictObject({
    kind: z.literal('start'),
    timerId: idSchema,
    length: lengthSchema,
    every: z.boolean(),
  }),
  z.strictObject({ kind: z.literal('stop'), timerId: idSchema }),
  /** null: heard before anything from outside. With a delay it comes from outside, then. */
  z.strictObject({ kind: z.literal('raise'), signalId: idSchema, delay: lengthSchema.nullable() }),
  /** Those of its kind that are still on their way never come. */
  z.strictObject({ kind: z.literal('cancel'), signalId: idSchema }),
  /** Blocking wait: the whole loop stands still, inputs are not read. */
  z.strictObject({ kind: z.literal('wait'), lengthUs: durationUsSchema(1_000) }),
]);

export const actionsSchema = z
  .array(actionSchema)
  .max(
    limits.actionsPerList,
    `expected at most ${limits.actionsPerList} things to do at once: what goes beyond that goes into a state of its own`,
  );

export type LightMode = z.infer<typeof lightModes>;
export type Action = z.infer<typeof actionSchema>;
export type Length = z.infer<typeof lengthSchema>;
export type MidiMessage = (typeof midiMessages)[number];
