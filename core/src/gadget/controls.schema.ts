import * as z from 'zod';
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

export const controlSchema = z.discriminatedUnion('kind', [
  buttonSchema,
  encoderSchema,
  knobSchema,
  codesSchema,
]);
export type DebounceSetting = z.infer<typeof debounceSettingSchema>;
export type Wants = z.infer<typeof wantsSchema>;
export type Purpose = (typeof purposes)[number];
export type Button = z.infer<typeof buttonSchema>;
export type Control = z.infer<typeof controlSchema>;
