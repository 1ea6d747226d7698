import { algorithmOf, type DebounceAlgorithm } from '../debounce/index.ts';
import { compileFlow, type FlowTables } from '../flow/index.ts';
import type { Control, Gadget, Tone } from '../gadget/index.ts';
import { arraysOf, boardOf, usualLogicMv, type ScannedArray } from '../wiring/index.ts';

export interface CompiledInput {
  control: Control;
  /** Position in the document: its event codes and its channel of chance. */
  number: number;
  algorithm: DebounceAlgorithm;
  /** It is read as part of an array, through the circuit. */
  inArray: boolean;
}

/** Keys that are read together, those alone for which that can make a difference. */
export type CompiledArray = Pick<ScannedArray, 'controlIds' | 'circuit'>;

/** A document made ready to run. Immutable. */
export interface CompiledGadget {
  gadget: Gadget;
  periodUs: number;
  inputs: ReadonlyMap<string, CompiledInput>;
  arrays: readonly CompiledArray[];
  tones: ReadonlyMap<string, Tone>;
  tables: FlowTables;
}

/** @throws RangeError for a debounce setting that the registry does not know; the document's door refuses those. */
export function compileGadget(gadget: Gadget): CompiledGadget {
  const arrays = arraysOf(gadget, boardOf(gadget)?.logicMv ?? usualLogicMv).filter(
    ({ circuit }) => circuit.kind !== 'independent',
  );
  const inArray = new Set(arrays.flatMap(({ controlIds }) => controlIds));
  return {
    gadget,
    arrays,
    periodUs: gadget.loop.periodUs,
    inputs: new Map(
      gadget.controls.map((control, number) => [
        control.id,
        {
          control,
          number,
          algorithm: algorithmOf(control.debounce.algorithm),
          inArray: inArray.has(control.id),
        },
      ]),
    ),
    tones: new Map(gadget.outputs.flatMap((output) => (output.kind === 'tone' ? [[output.id, output]] : []))),
    tables: compileFlow(gadget).tables,
  };
}
