import * as z from 'zod';
import { flowSchema } from './flow.schema.ts';
import { limits } from './limits.ts';
import { controlSchema, outputSchema } from './parts.schema.ts';
import { durationUsSchema, idSchema, nameSchema, proseSchema, wholeSchema } from './primitives.schema.ts';
import { checkReferences } from './references.ts';
import { gadgetVersions } from './versions.ts';

export const taskSchema = z.strictObject({
  id: idSchema,
  name: nameSchema,
  /** Where the user is when they want it; null: wherever. */
  startStateId: idSchema.nullable(),
  /** Being here means it is done; null: not said yet. */
  goalStateId: idSchema.nullable(),
  budgetPresses: wholeSchema(0, 1_000).nullable(),
  budgetUs: durationUsSchema().nullable(),
});

/** The current version of the document, strictly. Older raw JSON goes through `openGadget` first. */
export const gadgetSchema = z
  .strictObject({
    kind: z.literal('hum-lever-gadget'),
    version: z.literal(gadgetVersions.WholeMicroseconds),
    name: nameSchema,
    brief: z.strictObject({ purpose: proseSchema, tasks: z.array(taskSchema).max(limits.tasks) }),
    /** The main loop reads the inputs once per period. */
    loop: z.strictObject({ periodUs: wholeSchema(50, 1_000_000, 'µs') }),
    controls: z.array(controlSchema).max(limits.controls),
    outputs: z.array(outputSchema).max(limits.outputs),
    flow: flowSchema,
  })
  .superRefine((gadget, context) => {
    for (const { path, message } of checkReferences(gadget))
      context.addIssue({ code: 'custom', path, message });
  });

export type Task = z.infer<typeof taskSchema>;
export type Gadget = z.infer<typeof gadgetSchema>;

/** A valid gadget with nothing in it yet. */
export function emptyGadget(name: string): Gadget {
  return {
    kind: 'hum-lever-gadget',
    version: gadgetVersions.WholeMicroseconds,
    name,
    brief: { purpose: '', tasks: [] },
    loop: { periodUs: 1_000 },
    controls: [],
    outputs: [],
    flow: { variables: [], states: [], initialId: null },
  };
}
