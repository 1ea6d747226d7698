import type * as z from 'zod';
import type { Terminal } from '../gadget/index.ts';
import type { Circuit } from './circuit.ts';

export type SchemeParams = Record<string, number>;

/** A small part that a scheme wants beside the keys themselves. */
export interface SchemePart {
  role: string;
  /** Ω, pieces, or bits, as the role has it. */
  value: number;
  quantity: number;
}

/** One way of reading a set of keys. Pure. */
export interface Scheme<P extends SchemeParams = SchemeParams> {
  id: string;
  title: string;
  /** What it does, what it is good for and what it costs, in two sentences. */
  doc: string;
  source: string;
  /** Each field carries `.meta({ label, unit })`. */
  params: z.ZodType<P> & { shape: Record<keyof P, z.ZodType> };
  /** What one would begin with for so many keys. */
  defaults(keys: number): P;
  /** null: so many keys can be read so; otherwise why not. */
  refuses(keys: number, params: P): 'too-many-keys' | 'no-ladder' | null;
  lines(keys: number, params: P): Terminal[];
  circuit(keys: number, params: P, supplyMv: number): Circuit;
  parts(keys: number, params: P): SchemePart[];
  /** Time of one reading of all keys, µs, at a usual settling time. */
  scanUs(keys: number, params: P): number;
}

/** Keeps the parameter type while it is checked, then forgets it, so that a registry can hold it. */
export function defineScheme<P extends SchemeParams>(scheme: Scheme<P>): Scheme {
  return scheme as unknown as Scheme;
}

/** Time for a line to settle after it was switched, before it may be read. */
export const settleUs = 10;
