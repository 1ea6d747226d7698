import type { Gadget, KeySet, Part, Terminal } from '../gadget/index.ts';
import { figuresOf, kindOf, terminalsOf, type Figures, type PartKind } from '../parts/index.ts';
import { driversOf } from './drivers.ts';
import { matrixCircuit, matrixScanUs, schemeOf, setCircuit, type Circuit } from '../scan/index.ts';

/** Whatever has terminals to lead somewhere: a part, or a set of keys that are read together. */
export interface Owner {
  id: string;
  name: string;
  terminals: Terminal[];
  /** Controls and outputs that it stands for. */
  endIds: readonly string[];
  /** Terminals that a transistor switches, with the resistor at its base, Ω. */
  drivers: ReadonlyMap<string, number>;
  part: { part: Part; kind: PartKind; figures: Figures } | null;
  set: KeySet | null;
}

/** The mechanical contact by which a part plays its button. */
export const contactNames: ReadonlySet<string> = new Set(['contact', 'push']);

/** Whether the part's key is a plain contact, and so can be read together with others; it is the first that it plays. */
export function canJoinSet(part: Part): boolean {
  return part.plays.length > 0 && terminalsOf(part).some(({ name }) => contactNames.has(name));
}

const none: ReadonlyMap<string, number> = new Map();

/** All owners: parts in the order of the bill, then the key sets. Keys of a set have no contact to lead any more. */
export function ownersOf({ parts, wiring }: Pick<Gadget, 'parts' | 'wiring'>): Owner[] {
  const inSet = new Set(wiring.sets.flatMap(({ controlIds }) => controlIds));
  return [
    ...parts.map((part): Owner => {
      const kind = kindOf(part);
      const figures = figuresOf(part);
      const shared = part.plays.some((id) => inSet.has(id));
      const terminals = kind
        .terminals(figures)
        .filter(({ name }) => !shared || !(contactNames.has(name) || name === 'far'));
      return {
        id: part.id,
        name: part.name,
        terminals,
        endIds: part.plays,
        drivers: driversOf(wiring, part.id),
        part: { part, kind, figures },
        set: null,
      };
    }),
    ...wiring.sets.map((set): Owner => {
      const terminals =
        set.controlIds.length === 0 ? [] : schemeOf(set.scheme).lines(set.controlIds.length, set.params);
      return {
        id: set.id,
        name: set.name,
        terminals,
        endIds: set.controlIds,
        drivers: none,
        part: null,
        set,
      };
    }),
  ];
}

/** Keys that are read together, and how they are wired. */
export interface ScannedArray {
  id: string;
  name: string;
  controlIds: readonly string[];
  circuit: Circuit;
  chords: readonly (readonly string[])[];
  /** Time of one look at all keys, µs. */
  scanUs: number;
}

/** Every scanned array of the gadget: its key sets and its ready-made keypads. @param supplyMv of the reading pins */
export function arraysOf(
  { parts, wiring }: Pick<Gadget, 'parts' | 'wiring'>,
  supplyMv: number,
): ScannedArray[] {
  return [
    ...parts.flatMap((part): ScannedArray[] => {
      if (part.kind !== 'key-matrix') return [];
      const { rows, diodes } = figuresOf(part);
      const circuit = matrixCircuit(part.plays.length, rows!, diodes === 1, supplyMv);
      const scanUs = matrixScanUs(rows!);
      return [{ id: part.id, name: part.name, controlIds: part.plays, circuit, chords: [], scanUs }];
    }),
    ...wiring.sets.flatMap((set): ScannedArray[] => {
      if (set.controlIds.length === 0) return [];
      const { id, name, controlIds, chords } = set;
      const scanUs = schemeOf(set.scheme).scanUs(controlIds.length, set.params);
      return [{ id, name, controlIds, circuit: setCircuit(set, supplyMv), chords, scanUs }];
    }),
  ];
}

/** Supply of the reading pins where no board is chosen yet, mV. */
export const usualLogicMv = 5_000;
