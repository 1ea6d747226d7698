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

/** Where one key of a set goes: across two lines, through a resistor to one, or to an input of its own. */
export type KeyPlace =
  | { controlId: string; kind: 'crossing'; drive: string; sense: string; diode: boolean }
  | { controlId: string; kind: 'resistor'; line: string; ohms: number }
  | { controlId: string; kind: 'pin'; line: string }
  | { controlId: string; kind: 'input'; chip: number; input: number };

/** Inputs of one chip, by the role of the small part that the scheme takes. */
const inputsOf: Readonly<Record<string, number>> = { 'shift-chip': 8, 'expander-chip': 16 };

/** Where each key of the set goes, read off the circuit that is scanned. */
export function keyPlaces(set: KeySet): KeyPlace[] {
  const { controlIds, params } = set;
  if (controlIds.length === 0) return [];
  const scheme = schemeOf(set.scheme);
  const lines = scheme.lines(controlIds.length, params).map(({ name }) => name);
  // Which line a key is on does not depend on the supply; only what is read through diodes does.
  const circuit = setCircuit(set, 5_000);
  const chip = scheme.parts(controlIds.length, params).find(({ role }) => role in inputsOf);
  return controlIds.map((controlId, key): KeyPlace => {
    if (circuit.kind === 'lines') {
      const { drive, sense, diode } = circuit.keys[key]!;
      return { controlId, kind: 'crossing', drive: lines[drive]!, sense: lines[sense]!, diode };
    }
    if (circuit.kind === 'ladder')
      return { controlId, kind: 'resistor', line: lines[0]!, ohms: circuit.figures.ohms[key]! };
    if (!chip) return { controlId, kind: 'pin', line: lines[circuit.kind === 'together' ? 0 : key]! };
    const inputs = inputsOf[chip.role]!;
    return { controlId, kind: 'input', chip: Math.floor(key / inputs) + 1, input: (key % inputs) + 1 };
  });
}
