import * as z from 'zod';
import { limits } from './limits.ts';
import { contactSchema } from './contact.schema.ts';
import { gestureSettingSchema } from './gestures.schema.ts';
import { durationUsSchema, idSchema, keySchema, nameSchema, wholeSchema } from './primitives.schema.ts';
import { codesSchema, encoderSchema, knobSchema } from './turning.schema.ts';

/** Debounce setting: an algorithm of the registry and its parameters, which the registry checks. */
export const debounceSettingSchema = z.strictObject({
  algorithm: idSchema,
  params: z.record(z.string().regex(/^[a-zA-Z]{1,32}$/), wholeSchema(0, 10_000_000)),
  /** One timer for the whole port: shared with every other input that says so too. */
  wholePort: z.boolean(),
});

export const purposes = ['game', 'instrument', 'menu', 'destructive', 'wake'] as const;

/** What a button is for, and what its maker will not put up with; the recommendation follows from it. */
const wantsSchema = z.strictObject({
  /** null: not said yet. */
  purpose: z.enum(purposes).nullable(),
  /** A press must be known by then, at worst; null: as the purpose has it. */
  latestUs: durationUsSchema(1).nullable(),
  /** So many false or missed in a million presses at most; null: as the purpose has it. */
  wrongPerMillion: wholeSchema(0, 1_000_000).nullable(),
});

export const buttonSchema = z.strictObject({
  id: idSchema,
  kind: z.literal('button'),
  name: nameSchema,
  key: keySchema,
  contact: contactSchema,
  debounce: debounceSettingSchema,
  gestures: gestureSettingSchema,
  wants: wantsSchema,
});

export const lightColours = ['red', 'amber', 'green', 'cyan', 'blue', 'violet', 'white'] as const;

export const lightColourSchema = z.enum(lightColours);

export const lightSchema = z.strictObject({
  id: idSchema,
  kind: z.literal('light'),
  name: nameSchema,
  /** Of one that can be told its colour: until it is told. */
  colour: lightColourSchema,
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

/** Turns to an angle and holds it. */
export const servoSchema = z.strictObject({
  id: idSchema,
  kind: z.literal('servo'),
  name: nameSchema,
  /** From 0 up to this angle. */
  reachDeg: wholeSchema(1, 360, '°'),
});

/** Runs so fast, or shakes so hard. */
export const motorSchema = z.strictObject({ id: idSchema, kind: z.literal('motor'), name: nameSchema });
/** Notes, controllers and programs go out. */
export const midiOutSchema = z.strictObject({ id: idSchema, kind: z.literal('midi'), name: nameSchema });
/** Types into a computer. */
export const typistSchema = z.strictObject({ id: idSchema, kind: z.literal('typist'), name: nameSchema });

export const controlSchema = z.discriminatedUnion('kind', [
  buttonSchema,
  encoderSchema,
  knobSchema,
  codesSchema,
]);
export const outputSchema = z.discriminatedUnion('kind', [
  lightSchema,
  textDisplaySchema,
  toneSchema,
  servoSchema,
  motorSchema,
  midiOutSchema,
  typistSchema,
]);

export type DebounceSetting = z.infer<typeof debounceSettingSchema>;
export type Wants = z.infer<typeof wantsSchema>;
export type Purpose = (typeof purposes)[number];
export type Button = z.infer<typeof buttonSchema>;
export type Control = z.infer<typeof controlSchema>;
export type LightColour = z.infer<typeof lightColourSchema>;
export type Light = z.infer<typeof lightSchema>;
export type TextDisplay = z.infer<typeof textDisplaySchema>;
export type Tone = z.infer<typeof toneSchema>;
export type Output = z.infer<typeof outputSchema>;
