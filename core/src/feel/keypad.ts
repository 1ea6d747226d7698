import type { Gadget } from '../gadget/index.ts';
import { figuresOf } from '../parts/index.ts';
import { matrixScanUs, readKeys, schemeOf } from '../scan/index.ts';
import { arraysOf, boardOf, usualLogicMv } from '../wiring/index.ts';

export interface ScanTimes {
  id: string;
  /** A set of single keys, not a ready-made keypad. */
  isSet: boolean;
  name: string;
  controlIds: readonly string[];
  /** One look at all keys, and how often that comes: every turn, or as long as the look takes. */
  scanUs: number;
  everyUs: number;
}

/** How fast each array of keys is scanned. */
export function scanTimesOf(gadget: Gadget): ScanTimes[] {
  const { periodUs } = gadget.loop;
  const timed = (one: Omit<ScanTimes, 'everyUs'>): ScanTimes => ({
    ...one,
    everyUs: Math.max(1, Math.ceil(one.scanUs / periodUs)) * periodUs,
  });
  return [
    ...gadget.parts
      .filter(({ kind }) => kind === 'key-matrix')
      .map((part) => {
        const scanUs = matrixScanUs(figuresOf(part).rows!);
        return timed({ id: part.id, isSet: false, name: part.name, controlIds: part.plays, scanUs });
      }),
    ...gadget.wiring.sets
      .filter(({ controlIds }) => controlIds.length > 0)
      .map(({ id, name, scheme, params, controlIds }) =>
        timed({
          id,
          isSet: true,
          name,
          controlIds,
          scanUs: schemeOf(scheme).scanUs(controlIds.length, params),
        }),
      ),
  ];
}

export interface KeypadReading {
  id: string;
  name: string;
  keys: { id: string; pressed: boolean; read: boolean }[];
  /** Any keys together are read truly, as far as two and three at once tell. */
  rollover: number;
}

/** What every array makes of keys that are held down. @param pressed ids of controls */
export function readKeypads(gadget: Gadget, pressed: ReadonlySet<string>): KeypadReading[] {
  return arraysOf(gadget, boardOf(gadget)?.logicMv ?? usualLogicMv).map(
    ({ id, name, controlIds, circuit }) => {
      const down = controlIds.map((key) => pressed.has(key));
      const read = readKeys(circuit, down);
      const keys = controlIds.map((key, n) => ({ id: key, pressed: down[n]!, read: read[n]! }));
      const truly = (held: readonly number[]) => {
        const seen = readKeys(
          circuit,
          controlIds.map((_, n) => held.includes(n)),
        );
        return controlIds.every((_, n) => seen[n] === held.includes(n));
      };
      return { id, name, keys, rollover: rolloverOf(controlIds.length, truly) };
    },
  );
}

/** The most keys of which any choice is read truly; all of them: n-key rollover. Looks at up to three at once. */
function rolloverOf(keys: number, truly: (held: readonly number[]) => boolean): number {
  const all = Array.from({ length: keys }, (_, n) => n);
  const pairs = all.flatMap((a) => all.slice(a + 1).map((b) => [a, b]));
  if (!pairs.every(truly)) return Math.min(1, keys);
  if (keys < 3) return keys;
  const triples = pairs.flatMap(([a, b]) => all.slice(b! + 1).map((c) => [a!, b!, c]));
  if (!triples.every(truly)) return 2;
  return truly(all) ? keys : 3;
}
