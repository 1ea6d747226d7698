import type { KeySet } from '../gadget/index.ts';
import type { Circuit } from './circuit.ts';
import { schemeList } from './registry.ts';
import type { Scheme } from './scheme.ts';

/** Every scheme, in the order in which they are offered. */
export const schemes: readonly Scheme[] = schemeList;

/** @throws RangeError for a scheme that the registry does not know; the document's door refuses those. */
export function schemeOf(id: string): Scheme {
  const found = schemes.find((scheme) => scheme.id === id);
  if (!found) throw new RangeError(`expected one of ${schemes.map((one) => one.id).join(', ')}, got "${id}"`);
  return found;
}

/** What is wrong with the scheme of a set or its parameters, with the path inside the set. */
export function setFaults({ scheme, params }: KeySet): { path: string; message: string }[] {
  const known = schemes.find(({ id }) => id === scheme);
  if (!known)
    return [{ path: 'scheme', message: `expected one of ${schemes.map(({ id }) => id).join(', ')}` }];
  const parsed = known.params.safeParse(params);
  if (parsed.success) return [];
  return parsed.error.issues.map(({ path, message }) => ({
    path: ['params', ...path].map(String).join('.'),
    message,
  }));
}

/** How that set is wired. @param supplyMv of the pins that read it */
export function setCircuit({ scheme, controlIds, params }: KeySet, supplyMv: number): Circuit {
  return schemeOf(scheme).circuit(controlIds.length, params, supplyMv);
}
