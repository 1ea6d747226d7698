import * as z from 'zod';
import { limits } from './limits.ts';
import { lineSchema, wholeSchema } from './primitives.schema.ts';

/** Expression text over ids of the document, e.g. `v1 + random(6)`. Whether it can be read is flow's to say. */
export const expressionSchema = lineSchema(limits.expressionChars).min(
  1,
  'expected an expression, got nothing',
);

/** Text with expressions in braces: `Heat {v1}`. */
export const templateSchema = lineSchema(limits.templateChars);

/** How long: whole µs, or milliseconds worked out when it begins. */
export const lengthSchema = z.union([
  wholeSchema(0, limits.lengthUs, 'µs'),
  z.strictObject({ ms: expressionSchema }),
]);

export type Length = z.infer<typeof lengthSchema>;
