import type { Gadget } from '../gadget/index.ts';
import { readKeys } from '../scan/index.ts';
import { arraysOf, boardOf, usualLogicMv, type ScannedArray } from '../wiring/index.ts';

/** An array of keys, and how fast this gadget's loop scans it. */
export interface Keypad extends ScannedArray {
  /** A set of single keys, not a ready-made keypad. */
  isSet: boolean;
  /** How often it is looked at: every turn, or as seldom as the look takes. */
  everyUs: number;
}

export function keypadsOf(gadget: Gadget): Keypad[] {
  const { periodUs } = gadget.loop;
  const sets = new Set(gadget.wiring.sets.map(({ id }) => id));
  // Keys on one line are one key to whoever reads them.
  const arrays = arraysOf(gadget, boardOf(gadget)?.logicMv ?? usualLogicMv).filter(
    ({ circuit }) => circuit.kind !== 'together',
  );
  return arrays.map((array) => ({
    ...array,
    isSet: sets.has(array.id),
    everyUs: Math.max(1, Math.ceil(array.scanUs / periodUs)) * periodUs,
  }));
}

/**
 * Any so many keys together are read truly, as far as two and three at once tell; all of them: n-key rollover. Looks at
 * every three of them, which is dear for large arrays: not for every press.
 */
export function rolloverOf({ controlIds, circuit }: ScannedArray): number {
  const keys = controlIds.length;
  const truly = (held: readonly number[]) => {
    const pressed = controlIds.map((_, n) => held.includes(n));
    return readKeys(circuit, pressed).every((read, n) => read === pressed[n]);
  };
  const all = Array.from({ length: keys }, (_, n) => n);
  const pairs = all.flatMap((a) => all.slice(a + 1).map((b) => [a, b]));
  if (!pairs.every(truly)) return Math.min(1, keys);
  if (keys < 3) return keys;
  const triples = pairs.flatMap(([a, b]) => all.slice(b! + 1).map((c) => [a!, b!, c]));
  if (!triples.every(truly)) return 2;
  return truly(all) ? keys : 3;
}

/** What an array makes of keys that are held down. @param pressed ids of controls */
export function readKeypad(
  { controlIds, circuit }: ScannedArray,
  pressed: ReadonlySet<string>,
): { id: string; pressed: boolean; read: boolean }[] {
  const down = controlIds.map((key) => pressed.has(key));
  const read = readKeys(circuit, down);
  return controlIds.map((id, n) => ({ id, pressed: down[n]!, read: read[n]! }));
}
