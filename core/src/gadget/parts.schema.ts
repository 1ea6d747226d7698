import * as z from 'zod';
import { limits } from './limits.ts';
import { ownClassSchema } from './ownClass.schema.ts';
import { idSchema, nameSchema, wholeSchema } from './primitives.schema.ts';

/** Id of a class in a catalogue: small words joined by hyphens. */
export const classIdSchema = z
  .string()
  .regex(/^[a-z0-9]+(-[a-z0-9]+){0,6}$/, 'expected the id of a class such as "push-button"')
  .max(40);

/** The class of a part that brings its own. */
export const ownPartId = 'own-part';

/** A thing to buy and wire. Its class says which figures and terminals it has (see parts/). */
export const partSchema = z.strictObject({
  id: idSchema,
  kind: classIdSchema,
  /** What the catalogue lacks brings its class along; null: its class is in the catalogue. */
  own: ownClassSchema.nullable(),
  name: nameSchema,
  /** Only what differs from the typical figures of its class, in the unit that the class states. */
  figures: z.record(z.string().regex(/^[a-z][a-zA-Z0-9]{0,31}$/), wholeSchema(-2_000_000_000, 2_000_000_000)),
  /** For one; null: what its class typically costs. */
  priceCents: wholeSchema(0, limits.priceCents).nullable(),
  /** How many to buy or take, spares included. */
  quantity: wholeSchema(1, limits.partQuantity),
  /** How many of them are in the drawer already. */
  have: wholeSchema(0, limits.partQuantity),
  /** The controls and outputs that it realises, in the order of its class. */
  plays: z.array(idSchema).max(limits.controls),
});

export const billSchema = z.strictObject({
  currency: z.string().regex(/^[A-Z]{3}$/, 'expected three capitals such as "EUR"'),
});

export type Part = z.infer<typeof partSchema>;
