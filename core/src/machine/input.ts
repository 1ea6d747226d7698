import type { SwallowReason } from '../debounce/index.ts';
import { idleButton } from '../gesture/index.ts';
import { readKeys, turnAtOrAfter } from '../scan/index.ts';
import type { CompiledGadget, CompiledInput } from './compiled.ts';
import type { InputState, MachineState } from './state.ts';
import type { EntryOf } from './trace.ts';

/** A control nobody has touched yet. */
export function freshInput({ algorithm, control }: CompiledInput): InputState {
  return {
    fingerDown: false,
    presses: 0,
    changes: 0,
    downUs: 0,
    upUs: 0,
    pressedUs: 0,
    pressedForUs: 0,
    answered: true,
    hidden: false,
    deafUntilUs: null,
    raw: 0,
    contactEdges: 0,
    edgesAtDown: 0,
    filter: algorithm.filter ? { v: 0, sinceUs: 0, raw: 0, out: 0 } : null,
    settled: 0,
    spiked: false,
    broken: false,
    spikes: 0,
    chatters: 0,
    chatterInUs: null,
    chatterSinceUs: 0,
    scanned: 0,
    astray: false,
    edgesLeft: 0,
    moved: false,
    wakeUs: null,
    debounce: algorithm.settled(0, control.debounce.params),
    gesture: idleButton,
  };
}

/**
 * Lets the scan look at every array in which something has moved, through its circuit. Returns what it reads otherwise
 * than the contacts are, as far as that is new.
 */
export function scanArrays(state: MachineState, { arrays }: CompiledGadget): EntryOf<'ghost'>[] {
  return arrays.flatMap(({ controlIds, circuit }) => {
    const inputs = controlIds.map((id) => state.inputs[id]!);
    if (inputs.every(({ moved }) => !moved)) return [];
    const pressed = inputs.map((input) => pinLevel(input) === 1);
    const read = readKeys(circuit, pressed);
    if (circuit.kind === 'together') {
      readTogether(inputs, read[0]! ? 1 : 0);
      return [];
    }
    return inputs.flatMap((input, key): EntryOf<'ghost'>[] => {
      const level = read[key] ? 1 : 0;
      const astray = level !== pinLevel(input);
      if (level !== input.scanned) input.moved = true;
      input.scanned = level;
      if (astray && level === 0) input.hidden = true;
      const told = input.astray;
      input.astray = astray;
      return astray && !told ? [{ atUs: state.nowUs, lane: 'ghost', id: controlIds[key]!, level }] : [];
    });
  });
}

/** Keys on one line: the first is read as what the line is. While one holds it down, no other can be told. */
function readTogether(inputs: readonly InputState[], level: 0 | 1): void {
  const [first] = inputs;
  const closed = inputs.filter((input) => pinLevel(input) === 1);
  for (const input of closed)
    if (input.moved && first!.scanned === 1 && closed.length > 1) input.hidden = true;
  if (level !== first!.scanned) first!.moved = true;
  first!.scanned = level;
}

/** What the pin is: the contact itself, or what a filter makes of it. */
export const pinLevel = ({ raw, filter }: InputState): 0 | 1 => filter?.out ?? raw;

/** Reads one input at a turn, if anything about it can have changed. Returns the clean change, or null. */
export function readInput(
  state: MachineState,
  compiled: CompiledInput,
  turn: number,
  periodUs: number,
): 0 | 1 | null {
  const { control, algorithm, inArray } = compiled;
  const input = state.inputs[control.id]!;
  const { nowUs } = state;
  if (!input.moved && (input.wakeUs === null || input.wakeUs > nowUs)) return null;
  input.moved = false;
  if (!inArray) input.scanned = pinLevel(input);
  const before = input.debounce.level;
  const { params } = control.debounce;
  input.debounce = algorithm.step(input.debounce, { level: input.scanned, atUs: nowUs, turn }, params);
  input.wakeUs = algorithm.nextUs(input.debounce, params, periodUs, nowUs);
  return input.debounce.level === before ? null : input.debounce.level;
}

/** The trace entry of a clean change; remembers that the press came through. */
export function cleanChange(
  state: MachineState,
  { control, line }: CompiledInput,
  level: 0 | 1,
): EntryOf<'clean'> {
  const input = moverOf(state, line, level);
  const extra = level === 1 && input.answered;
  if (level === 1) input.answered = true;
  const moveUs = level === 1 || input.fingerDown ? input.downUs : input.upUs;
  // A ghost has no finger that moved: it counts from where the scan saw it.
  const read = state.inputs[line[0]]!.scanned;
  const byFinger = input.presses > 0 && (line.length > 1 || read === pinLevel(input));
  const sinceUs = byFinger ? state.nowUs - moveUs : 0;
  return { atUs: state.nowUs, lane: 'clean', id: control.id, level, sinceUs, extra };
}

/** Of the keys on a line, whose press or release it is: the first that waits to be heard, or that was let go last. */
function moverOf(state: MachineState, line: CompiledInput['line'], level: 0 | 1): InputState {
  const [first, ...others] = line.map((id) => state.inputs[id]!);
  return others.reduce((mover, other) => {
    if (level === 0) return other.upUs > mover.upUs ? other : mover;
    if (other.answered) return mover;
    return mover.answered || other.downUs < mover.downUs ? other : mover;
  }, first!);
}

/**
 * Once the finger is gone and the algorithm at rest, a press that did not come through is known to be lost; says
 * why, with what it had and what it would have needed.
 */
export function swallowed(
  state: MachineState,
  compiled: CompiledInput,
  { periodUs }: CompiledGadget,
): EntryOf<'swallowed'> | null {
  const { control, algorithm } = compiled;
  const input = state.inputs[control.id]!;
  const cleaned = state.inputs[compiled.line[0]]!;
  if (
    input.answered ||
    input.fingerDown ||
    input.edgesLeft > 0 ||
    cleaned.wakeUs !== null ||
    pinLevel(input) === 1
  )
    return null;
  input.answered = true;
  const hadUs = input.upUs - input.downUs;
  const because = (reason: SwallowReason, neededUs: number): EntryOf<'swallowed'> => {
    return {
      atUs: state.nowUs,
      lane: 'swallowed',
      id: control.id,
      press: input.presses,
      reason,
      hadUs,
      neededUs,
    };
  };
  // A standstill between two turns, which leaves none out, keeps nothing from being read.
  const leftOut = turnAtOrAfter(state.blockedFromUs + 1, periodUs) < state.blockedUntilUs;
  if (leftOut && state.blockedFromUs <= input.upUs && state.blockedUntilUs >= input.upUs)
    return because('blocked', state.blockedUntilUs - input.downUs);
  if (input.deafUntilUs !== null && input.deafUntilUs >= input.upUs)
    return because('lockout', input.deafUntilUs - input.downUs);
  if (input.hidden) return because('masked', hadUs);
  if (control.contact.touch && input.contactEdges === input.edgesAtDown) return because('deaf', hadUs);
  if (hadUs < periodUs) return because('between-samples', periodUs);
  return because('too-short', algorithm.neededUs(control.debounce.params, periodUs));
}
