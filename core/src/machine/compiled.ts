import { straightenBy } from '../contact/index.ts';
import { algorithmOf, type DebounceAlgorithm } from '../debounce/index.ts';
import { compileFlow, eventCodes, type EventCodes, type FlowTables } from '../flow/index.ts';
import {
  type Button,
  type CapturedPress,
  type Codes,
  type Control,
  type Encoder,
  type Gadget,
  type Knob,
  type Taper,
} from '../gadget/index.ts';
import type { Straighten } from '../gesture/index.ts';
import { encoderPart, taperOf, type EncoderPart } from '../parts/index.ts';
import {
  compileOutputs,
  keptUp,
  soundingOf,
  stirredBySound,
  stirredOf,
  touchedOf,
  hearingOf,
  type CompiledOutput,
  type KeptUp,
  type Sounding,
  type Stirred,
} from './outputKinds.ts';
import { nowActiveIn, type NowActive } from './nowActive.ts';
import { withMenus } from '../menu/index.ts';
import { arraysOf, boardOf, usualLogicMv, type ScannedArray } from '../wiring/index.ts';

interface Compiled<C extends Control> {
  control: C;
  /** Position in the document: its channel of chance. */
  number: number;
}
export interface CompiledInput extends Compiled<Button> {
  algorithm: DebounceAlgorithm;
  /** Presses that its contact plays instead of drawn ones. */
  captured: readonly CapturedPress[] | undefined;
  /** It is read as part of an array, through the circuit. */
  inArray: boolean;
  /** Keys on one line with it and itself, of which the first is heard; most often it is alone. */
  line: readonly [string, ...string[]];
}
export interface CompiledEncoder extends Compiled<Encoder> {
  part: EncoderPart;
  captured: readonly CapturedPress[] | undefined;
}
export interface CompiledKnob extends Compiled<Knob> {
  taper: Taper;
  straighten: Straighten;
  /** What was worked out of a place at rest: whether noise could move it from a step. Anew with each place. */
  restless: { perMille: number; fromStep: Map<number, boolean> };
}
export type CompiledReceiver = Compiled<Codes>;

/** Keys that are read together, those alone for which that can make a difference. */
export type CompiledArray = Pick<ScannedArray, 'controlIds' | 'circuit'>;

/** A document made ready to run. Immutable. */
export interface CompiledGadget {
  gadget: Gadget;
  periodUs: number;
  inputs: ReadonlyMap<string, CompiledInput>;
  encoders: ReadonlyMap<string, CompiledEncoder>;
  knobs: ReadonlyMap<string, CompiledKnob>;
  receivers: ReadonlyMap<string, CompiledReceiver>;
  arrays: readonly CompiledArray[];
  /** Inputs that share one timer with others, those of one algorithm together. */
  ports: readonly (readonly CompiledInput[])[];
  outputs: ReadonlyMap<string, CompiledOutput>;
  /** Those among them that the loop sees to by itself. */
  keptUp: readonly KeptUp[];
  /** Those that show by themselves what happens. */
  stirred: readonly Stirred[];
  stirredBySound: readonly Stirred[];
  sounding: readonly Sounding[];
  /** Ids of those to which it is something that a control is touched. */
  touched: readonly string[];
  /** Ids of those to which it is something that a message comes in by MIDI. */
  hearing: readonly string[];
  events: EventCodes;
  tables: FlowTables;
  nowActive: NowActive;
}

function portsOf(inputs: readonly CompiledInput[]): CompiledInput[][] {
  const groups = new Map<string, CompiledInput[]>();
  const read = inputs.filter(({ control, line: [heard] }) => control.id === heard);
  for (const input of read.filter(({ control }) => control.debounce.wholePort)) {
    const { id } = input.algorithm;
    groups.set(id, [...(groups.get(id) ?? []), input]);
  }
  return [...groups.values()].filter((group) => group.length > 1);
}

/** @throws RangeError for a debounce setting that the registry does not know; the document's door refuses those. */
export function compileGadget(document: Gadget): CompiledGadget {
  const gadget = withMenus(document);
  const arrays = arraysOf(gadget, boardOf(gadget)?.logicMv ?? usualLogicMv).filter(
    ({ circuit }) => circuit.kind !== 'independent',
  );
  const inArray = new Set(arrays.flatMap(({ controlIds }) => controlIds));
  const capturedBy = ({ captureId }: { captureId: string | null }) =>
    gadget.captures.find(({ id }) => id === captureId)?.presses;
  const all = gadget.controls.map((control, number) => ({ control, number }));
  const of = <C extends Control, T>(kind: C['kind'], make: (one: Compiled<C>) => T): ReadonlyMap<string, T> =>
    new Map(
      all.flatMap(({ control, number }) =>
        control.kind === kind ? [[control.id, make({ control: control as C, number })] as const] : [],
      ),
    );
  const lineOf = (id: string): readonly [string, ...string[]] => {
    const [heard, ...others] =
      arrays.find(({ circuit, controlIds }) => circuit.kind === 'together' && controlIds.includes(id))
        ?.controlIds ?? [];
    return heard === undefined ? [id] : [heard, ...others];
  };
  const debounceOf = (id: string) =>
    gadget.controls.find((one): one is Button => one.id === id && one.kind === 'button')!.debounce;
  const inputs = of<Button, CompiledInput>('button', (one) => {
    const line = lineOf(one.control.id);
    // Whatever closes the line is cleaned as the key that it is heard as.
    const control =
      line[0] === one.control.id ? one.control : { ...one.control, debounce: debounceOf(line[0]) };
    return {
      ...one,
      control,
      algorithm: algorithmOf(control.debounce.algorithm),
      captured: capturedBy(control.contact),
      inArray: inArray.has(control.id),
      line,
    };
  });
  const outputs = compileOutputs(gadget);
  const stirred = stirredOf(outputs.values());
  return {
    gadget,
    arrays,
    inputs,
    ports: portsOf([...inputs.values()]),
    periodUs: gadget.loop.periodUs,
    encoders: of<Encoder, CompiledEncoder>('encoder', (one) => ({
      ...one,
      part: encoderPart(gadget, one.control.id),
      captured: capturedBy(one.control.contact),
    })),
    knobs: of<Knob, CompiledKnob>('knob', (one) => {
      const taper = taperOf(gadget, one.control.id);
      const restless = { perMille: NaN, fromStep: new Map<number, boolean>() };
      return { ...one, taper, straighten: straightenBy(taper), restless };
    }),
    receivers: of<Codes, CompiledReceiver>('codes', (one) => one),
    outputs,
    keptUp: keptUp(outputs.values()),
    stirred,
    stirredBySound: stirredBySound(stirred, outputs, gadget),
    sounding: soundingOf(outputs.values()),
    touched: touchedOf(outputs.values()),
    hearing: hearingOf(outputs.values()),
    events: eventCodes(gadget),
    tables: compileFlow(gadget).tables,
    nowActive: nowActiveIn(gadget),
  };
}
