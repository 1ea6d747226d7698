import * as z from 'zod';
import { limits } from './limits.ts';
import { durationUsSchema, idSchema, nameSchema, wholeSchema } from './primitives.schema.ts';

/**
 * How a switch bounces. All figures are the part's own and can be edited; `model` only remembers which class
 * they were started from (see contact/models.ts).
 */
export const contactSchema = z.strictObject({
  model: idSchema,
  /** No bounce is left this long after closing. */
  closeMaxUs: wholeSchema(0, 100_000, 'µs'),
  /** No bounce is left this long after opening; often longer than closing. */
  openMaxUs: wholeSchema(0, 100_000, 'µs'),
  /** Chance in 1000 that one more pair of edges follows (geometric). */
  againPerMille: wholeSchema(0, 950),
  /** Median of the log-normal gap between edges. */
  gapMedianUs: wholeSchema(1, 20_000, 'µs'),
  /** Log-normal sigma of the gap, in thousandths. */
  gapSpreadPerMille: wholeSchema(0, 1_500),
});

/** Debounce setting: an algorithm of the registry and its parameters, which the registry checks. */
export const debounceSettingSchema = z.strictObject({
  algorithm: idSchema,
  params: z.record(z.string().regex(/^[a-zA-Z]{1,32}$/), wholeSchema(0, 10_000_000)),
});

/** What a button listens for beyond press, release and tap. null: not listened for, so it costs no delay. */
export const gestureSettingSchema = z.strictObject({
  holdUs: durationUsSchema(1_000).nullable(),
  doubleWindowUs: durationUsSchema(1_000).nullable(),
  repeat: z.strictObject({ delayUs: durationUsSchema(1_000), everyUs: durationUsSchema(1_000) }).nullable(),
});

export const buttonSchema = z.strictObject({
  id: idSchema,
  kind: z.literal('button'),
  name: nameSchema,
  /** Keyboard key that plays it, as in KeyboardEvent.code; null: mouse and touch only. */
  key: z
    .string()
    .regex(/^[A-Za-z0-9]{1,24}$/, 'expected a key code such as "Space" or "KeyA"')
    .nullable(),
  contact: contactSchema,
  debounce: debounceSettingSchema,
  gestures: gestureSettingSchema,
});

export const lightColours = ['red', 'amber', 'green', 'blue', 'white'] as const;

export const lightSchema = z.strictObject({
  id: idSchema,
  kind: z.literal('light'),
  name: nameSchema,
  colour: z.enum(lightColours),
});

export const textDisplaySchema = z.strictObject({
  id: idSchema,
  kind: z.literal('text'),
  name: nameSchema,
  columns: wholeSchema(1, limits.displayColumns),
  rows: wholeSchema(1, limits.displayRows),
});

export const toneSchema = z
  .strictObject({
    id: idSchema,
    kind: z.literal('tone'),
    name: nameSchema,
    /** Lowest and highest pitch the sounder gives; a request outside is held at the nearer end. */
    lowHz: wholeSchema(1, limits.toneHz, 'Hz'),
    highHz: wholeSchema(1, limits.toneHz, 'Hz'),
  })
  .refine((tone) => tone.lowHz <= tone.highHz, { path: ['highHz'], message: 'expected no less than lowHz' });

export const controlSchema = z.discriminatedUnion('kind', [buttonSchema]);
export const outputSchema = z.discriminatedUnion('kind', [lightSchema, textDisplaySchema, toneSchema]);

export type ContactFigures = z.infer<typeof contactSchema>;
export type DebounceSetting = z.infer<typeof debounceSettingSchema>;
export type GestureSetting = z.infer<typeof gestureSettingSchema>;
export type Button = z.infer<typeof buttonSchema>;
export type Control = z.infer<typeof controlSchema>;
export type Light = z.infer<typeof lightSchema>;
export type TextDisplay = z.infer<typeof textDisplaySchema>;
export type Tone = z.infer<typeof toneSchema>;
export type Output = z.infer<typeof outputSchema>;
