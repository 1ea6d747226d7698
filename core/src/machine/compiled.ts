import { algorithmOf, type DebounceAlgorithm } from '../debounce/index.ts';
import { compileFlow, type FlowTables } from '../flow/index.ts';
import type { Control, Gadget, Tone } from '../gadget/index.ts';

export interface CompiledInput {
  control: Control;
  /** Position in the document: its event codes and its channel of chance. */
  number: number;
  algorithm: DebounceAlgorithm;
}

/** A document made ready to run. Immutable. */
export interface CompiledGadget {
  gadget: Gadget;
  periodUs: number;
  inputs: ReadonlyMap<string, CompiledInput>;
  tones: ReadonlyMap<string, Tone>;
  tables: FlowTables;
}

/** @throws RangeError for a debounce setting that the registry does not know; the document's door refuses those. */
export function compileGadget(gadget: Gadget): CompiledGadget {
  return {
    gadget,
    periodUs: gadget.loop.periodUs,
    inputs: new Map(
      gadget.controls.map((control, number) => [
        control.id,
        { control, number, algorithm: algorithmOf(control.debounce.algorithm) },
      ]),
    ),
    tones: new Map(gadget.outputs.flatMap((output) => (output.kind === 'tone' ? [[output.id, output]] : []))),
    tables: compileFlow(gadget).tables,
  };
}
