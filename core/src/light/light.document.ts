import * as z from 'zod';
import { constant, expression, outputDocument } from '../gadget/outputDocument.ts';
import { durationUsSchema, wholeSchema } from '../gadget/primitives.schema.ts';
import { steps as pattern } from './steps.fields.ts';

export const lightColours = ['red', 'amber', 'green', 'cyan', 'blue', 'violet', 'white'] as const;

const colourSchema = z.enum(lightColours);

const modeSchema = z.discriminatedUnion('mode', [
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
    steps: z.string().regex(pattern.like, pattern.expected),
    stepUs: durationUsSchema(10_000),
  }),
]);

/** How often a pattern goes from dark to lit. */
function patternCentiHz({ steps, stepUs }: { steps: string; stepUs: number }): number {
  const rises = [...steps].filter((step, n) => step === '#' && steps.at(n - 1) === '.').length;
  return Math.round((rises * 100_000_000) / (steps.length * stepUs));
}

export const light = outputDocument(
  'light',
  {
    /** Of one that can be told its colour: until it is told. */
    colour: colourSchema,
  },
  {
    light: { light: constant(modeSchema) },
    /** A steady level in percent, held inside 0 to 100. */
    level: { percent: expression },
    /** What it does goes on in that colour. One that is made in one colour keeps its own. */
    colour: { colour: constant(colourSchema) },
  },
  {
    fresh: () => ({ colour: 'amber' }),
    reaches: 'eyes',
    leaves(action) {
      if (action.kind === 'light') return action.light.mode === 'off' ? 'dark' : 'lit';
      return action.kind === 'level' && action.percent === '0' ? 'dark' : null;
    },
    flashingCentiHz(action) {
      if (action.kind !== 'light') return 0;
      const { light: told } = action;
      if (told.mode === 'blink') return Math.round(100_000_000 / told.periodUs);
      if (told.mode !== 'pattern') return 0;
      return patternCentiHz(told);
    },
    calmed(action, centiHz) {
      if (action.kind !== 'light') return action;
      const { light: told } = action;
      if (told.mode !== 'pattern')
        return { ...action, light: { mode: 'blink', periodUs: Math.round(100_000_000 / centiHz) } };
      const stepUs = Math.ceil((told.stepUs * patternCentiHz(told)) / centiHz);
      return { ...action, light: { ...told, stepUs } };
    },
  },
);

export type LightColour = z.infer<typeof colourSchema>;
export type LightMode = z.infer<typeof modeSchema>;
export type Light = z.infer<typeof light.schema>;
