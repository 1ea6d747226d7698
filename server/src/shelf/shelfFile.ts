import { nameSchema, ownClassSchema, trialSchema } from '@hum-lever/core';
import * as z from 'zod';

/*
 * The whole shelf as one file: JSON texts, one a line, gzipped (docs/shelf-file.md). A line is a gadget, a revision, a
 * trial, a run or a picture; what belongs to a gadget follows it.
 */

/** 1 had no parts of the drawer. */
export const shelfVersion = 2;

const id = z.string().regex(/^[a-z][0-9a-z]{1,31}$/);
const stamp = z.string().max(40);
const count = z.number().int().min(0).max(999_999_999);

const lineSchema = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('hum-lever-shelf'),
    version: z.union([z.literal(1), z.literal(shelfVersion)]),
    at: stamp,
  }),
  z.strictObject({
    kind: z.literal('gadget'),
    id,
    head: count,
    createdAt: stamp,
    savedAt: stamp,
    binnedAt: stamp.nullable(),
  }),
  z.strictObject({
    kind: z.literal('revision'),
    number: count,
    name: nameSchema.nullable(),
    savedAt: stamp,
    restoredFrom: count.nullable(),
    /** Checked by the core's own reader. */
    document: z.unknown(),
  }),
  z.strictObject({ kind: z.literal('trial'), id, version: count, createdAt: stamp, trial: trialSchema }),
  z.strictObject({
    kind: z.literal('run'),
    trialId: id,
    version: count,
    revision: count,
    ranAt: stamp,
    result: z.looseObject({ passed: z.boolean().nullable() }),
  }),
  z.strictObject({ kind: z.literal('drawer'), own: ownClassSchema }),
  z.strictObject({ kind: z.literal('picture'), base64: z.base64().max(7_500_000) }),
  /** A file without it was cut off. */
  z.strictObject({ kind: z.literal('end') }),
]);
export type ShelfLine = z.infer<typeof lineSchema>;
export type LineOf<K extends ShelfLine['kind']> = Extract<ShelfLine, { kind: K }>;

/** A line that cannot be read says which and why. */
export class ShelfUnreadable extends Error {}

/** @throws ShelfUnreadable */
export function readLine(text: string, number: number): ShelfLine {
  let raw: unknown;
  try {
    raw = JSON.parse(text);
  } catch {
    throw new ShelfUnreadable(`Line ${number}: expected JSON.`);
  }
  const parsed = lineSchema.safeParse(raw);
  if (parsed.success) return parsed.data;
  const [issue] = parsed.error.issues;
  throw new ShelfUnreadable(`Line ${number}: ${issue!.path.join('.') || 'the line'}: ${issue!.message}.`);
}
