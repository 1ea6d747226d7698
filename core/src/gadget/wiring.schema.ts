import * as z from 'zod';
import { boardSchema } from './board.schema.ts';
import { limits } from './limits.ts';
import { classIdSchema } from './parts.schema.ts';
import { idSchema, nameSchema, terminalSchema, wholeSchema } from './primitives.schema.ts';

/** Keys that are read together, by a scheme of the registry of `scan`. */
export const keySetSchema = z.strictObject({
  id: idSchema,
  name: nameSchema,
  controlIds: z.array(idSchema).max(limits.controls),
  scheme: classIdSchema,
  params: z.record(z.string().regex(/^[a-zA-Z]{1,32}$/), wholeSchema(0, 100_000_000)),
  /** Keys that will be held together, and must be read truly then. */
  chords: z.array(z.array(idSchema).min(2).max(16)).max(limits.chords),
});

/** One end of a part, a key set or a companion, led to a pin of the board or to an end of another part. */
export const wireSchema = z.strictObject({
  ownerId: idSchema,
  terminal: terminalSchema,
  to: z.discriminatedUnion('kind', [
    z.strictObject({ kind: z.literal('pin'), pin: z.string().min(1).max(12) }),
    z.strictObject({ kind: z.literal('terminal'), ownerId: idSchema, terminal: terminalSchema }),
  ]),
  /** Soldered already, or wanted so: the solver leaves it. */
  locked: z.boolean(),
});

/** A small part that a wiring needs: fitted, or declined by the maker. */
export const companionSchema = z.strictObject({
  role: classIdSchema,
  /** The part, key set or, for a bus, the part that it hangs on first. */
  forId: idSchema,
  terminal: terminalSchema,
  fate: z.enum(['fitted', 'declined']),
  /** In the unit of the role: Ω, nF, pieces. */
  value: wholeSchema(0, 100_000_000),
  quantity: wholeSchema(1, limits.partQuantity),
  priceCents: wholeSchema(0, limits.priceCents).nullable(),
  have: wholeSchema(0, limits.partQuantity),
});

export const wiringSchema = z.strictObject({
  /** A board of the catalogue or one of `boards`; null: not chosen yet. */
  boardId: classIdSchema.nullable(),
  boards: z.array(boardSchema).max(limits.ownBoards),
  /** The radio of the board is used, with all that it takes away. */
  radioOn: z.boolean(),
  sets: z.array(keySetSchema).max(limits.keySets),
  wires: z.array(wireSchema).max(limits.wires),
  companions: z.array(companionSchema).max(limits.companions),
});

export type KeySet = z.infer<typeof keySetSchema>;
export type Wire = z.infer<typeof wireSchema>;
export type Companion = z.infer<typeof companionSchema>;
export type Wiring = z.infer<typeof wiringSchema>;

export const noWiring: Wiring = {
  boardId: null,
  boards: [],
  radioOn: false,
  sets: [],
  wires: [],
  companions: [],
};
