import * as z from 'zod';
import { actionSchema, type Action } from './actions.schema.ts';
import { expressionSchema } from './expressions.schema.ts';
import { limits } from './limits.ts';
import { isElement, isOutputAction, type OutputAction } from './outputs.schema.ts';
import { idSchema, nameSchema } from './primitives.schema.ts';

/** What stands on a page: an action of its display that draws, again and again, with the values of that moment. */
const elementSchema = actionSchema.refine(
  (action: Action) => isOutputAction(action) && isElement(action),
  'expected something that draws on a page',
) as unknown as z.ZodType<OutputAction>;

/** What a display shows as one: drawn in this order, later over earlier. */
export const pageSchema = z.strictObject({
  id: idSchema,
  name: nameSchema,
  outputId: idSchema,
  /** It lies over whichever page is shown, while this holds: a notice, a sign. null: it is a page like others. */
  over: expressionSchema.nullable(),
  elements: z
    .array(elementSchema)
    .max(limits.elementsPerPage, `expected at most ${limits.elementsPerPage} elements on a page`),
});

export type Page = z.infer<typeof pageSchema>;
