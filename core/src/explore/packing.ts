import {
  everyAction,
  noEvent,
  stateType,
  type FlowState,
  type FlowTables,
  type FlowTimer,
} from '../flow/index.ts';
import type { Depends } from './dependence.ts';

/** What an exploration keeps of a flow: everything that its future depends on, times apart. */
export interface Packing {
  /** Slots whose values are kept; the others are unpacked as they begin. */
  slots: readonly number[];
  /** 32-bit words of one packed state. */
  words: number;
  pack(state: FlowState, places: readonly number[], into: Int32Array, at: number): void;
  /** Puts a packed state back into a flow state and the places of knobs. */
  unpack(from: Int32Array, at: number, state: FlowState, places: number[]): void;
  /** Of each word the bits that tell two states apart, where only so much makes a difference. */
  tells(only: Told): Int32Array;
}

/** What makes a difference: what something depends on, and which of the places are kept for it. */
export type Told = Omit<Depends, 'controls'> & { places: ReadonlySet<number> };

/** Number of the lowest bit that is set. */
const lowest = (bits: number): number => 31 - Math.clz32(bits & -bits);

/** Numbers of the bits that are set in so many words, in order. */
function bitsIn(of: Int32Array, at: number, words: number): number[] {
  const found: number[] = [];
  for (let word = 0; word < words; word += 1)
    for (let bits = of[at + word]!; bits !== 0; bits &= bits - 1) found.push(word * 32 + lowest(bits));
  return found;
}

/** Slots of the variables whose values are kept, in order. */
const slotsOf = ({ slot, size }: FlowTables, variables: ReadonlySet<number>): number[] =>
  slot.flatMap((from, variable) =>
    variables.has(variable) ? Array.from({ length: size[variable]! }, (_, n) => from + n) : [],
  );

/**
 * Bits for what is active, for what history remembers and for timers that run; words for values, for what is written
 * down where it can come back, and for the layers that keys were pressed in.
 * @param knobs how many places of knobs and encoders are kept
 * @param variables numbers of those whose values are kept
 */
export function packingOf(tables: FlowTables, knobs: number, variables: ReadonlySet<number>): Packing {
  const states = tables.stateIds.length;
  const bitWords = Math.ceil(states / 32);
  const histories = tables.type.flatMap((type, state) => (type >= stateType.history ? [state] : []));
  const kept = slotsOf(tables, variables);
  const slots = kept.length;
  const isKept = new Set(kept);
  const left = tables.initialValues.flatMap((_, slot) => (isKept.has(slot) ? [] : [slot]));
  const rules = tables.ruleEvent.flatMap((event, rule) => (event === noEvent.timed ? [rule] : []));
  /** Everything that can be running, each with its bit. */
  const timers: Pick<FlowTimer, 'what' | 'number'>[] = [
    ...rules.map((number) => ({ what: 'rule' as const, number })),
    ...tables.timerIds.map((_, number) => ({ what: 'timer' as const, number })),
    ...tables.signalIds.map((_, number) => ({ what: 'signal' as const, number })),
  ];
  const bitOf = new Map(timers.map(({ what, number }, bit) => [`${what} ${number}`, bit]));
  const ruleBit = Array<number>(tables.ruleIds.length).fill(-1);
  rules.forEach((rule, bit) => (ruleBit[rule] = bit));
  const timerWords = Math.ceil(timers.length / 32);
  /** A named timer that goes on is another state than one that runs once. */
  const everyWords = Math.ceil(tables.timerIds.length / 32);
  const recalls = everyAction(tables).some(({ kind }) => kind === 'recall');
  const saved = recalls ? slots : 0;
  const layers = tables.layers.length > 0 ? tables.controls : 0;
  const from = {
    history: bitWords,
    values: bitWords * (1 + histories.length) + histories.length,
    saved: 0,
    timers: 0,
    every: 0,
    layers: 0,
    places: 0,
  };
  from.saved = from.values + slots;
  from.timers = from.saved + saved;
  from.every = from.timers + timerWords;
  from.layers = from.every + everyWords;
  from.places = from.layers + layers;
  const words = from.places + knobs + 1;
  const { parent, type: types } = tables;
  const {
    values: valuesAt,
    saved: savedAt,
    timers: timersAt,
    every: everyAt,
    layers: layersAt,
    places: placesAt,
  } = from;

  const setBit = (into: Int32Array, at: number, bit: number) => {
    into[at + (bit >> 5)]! |= 1 << (bit & 31);
  };
  const hasBit = (of: Int32Array, at: number, bit: number) =>
    ((of[at + (bit >> 5)]! >>> (bit & 31)) & 1) === 1;

  return {
    words,
    slots: kept,
    tells(only) {
      const into = new Int32Array(words);
      for (const state of only.states) setBit(into, 0, state);
      // What is remembered of where one was.
      into.fill(-1, from.history, valuesAt);
      for (const [variable, places] of only.variables)
        for (const [n, slot] of slotsOf(tables, new Set([variable])).entries()) {
          const at = kept.indexOf(slot);
          if (at < 0 || (places !== null && !places.has(n))) continue;
          into[valuesAt + at] = -1;
          if (saved > 0) into[savedAt + at] = -1;
        }
      const kinds = { rule: only.timed, timer: only.timers, signal: only.signals };
      for (const [bit, { what, number }] of timers.entries()) {
        if (what === 'save' || !kinds[what].has(number)) continue;
        setBit(into, timersAt, bit);
        if (what === 'timer') setBit(into, everyAt, number);
      }
      for (let key = 0; key < layers; key += 1) if (only.layered.has(key)) into[layersAt + key] = -1;
      for (const place of only.places) into[placesAt + place] = -1;
      into[words - 1] = -1;
      return into;
    },
    pack(state, places, into, at) {
      into.fill(0, at, at + words);
      const { atoms, history, values } = state;
      for (const atom of atoms)
        for (let one = atom; one !== -1; one = parent[one]!) into[at + (one >> 5)]! |= 1 << (one & 31);
      histories.forEach((one, n) => {
        const remembered = history[one];
        const place = at + from.history + n * (bitWords + 1);
        if (!remembered) return;
        into[place] = 1;
        for (const inner of remembered) setBit(into, place + 1, inner);
      });
      for (let slot = 0; slot < slots; slot += 1) into[at + valuesAt + slot] = values[kept[slot]!]!;
      for (let slot = 0; slot < saved; slot += 1) into[at + savedAt + slot] = state.saved[kept[slot]!]!;
      for (const timer of state.timers) {
        const bit =
          timer.what === 'rule' ? ruleBit[timer.number]! : (bitOf.get(`${timer.what} ${timer.number}`) ?? -1);
        if (bit < 0) continue;
        setBit(into, at + timersAt, bit);
        if (timer.what === 'timer' && timer.everyUs > 0) setBit(into, at + everyAt, timer.number);
      }
      for (let key = 0; key < layers; key += 1) into[at + layersAt + key] = state.pressedIn[key]!;
      for (let knob = 0; knob < knobs; knob += 1) into[at + placesAt + knob] = places[knob]!;
      into[at + words - 1] = state.ended ? 1 : 0;
    },
    unpack(of, at, state, places) {
      const { active, atoms, history, values } = state;
      active.fill(0);
      let found = 0;
      for (let word = 0; word < bitWords; word += 1)
        for (let bits = of[at + word]!; bits !== 0; bits &= bits - 1) {
          const one = word * 32 + lowest(bits);
          active[one] = 1;
          const type = types[one];
          if (type === stateType.atomic || type === stateType.final) atoms[found++] = one;
        }
      if (atoms.length !== found) atoms.length = found;
      histories.forEach((one, n) => {
        const place = at + from.history + n * (bitWords + 1);
        history[one] = of[place] === 0 ? null : bitsIn(of, place + 1, bitWords);
      });
      for (let slot = 0; slot < slots; slot += 1) values[kept[slot]!] = of[at + valuesAt + slot]!;
      for (const slot of left) values[slot] = tables.initialValues[slot]!;
      for (let slot = 0; slot < saved; slot += 1) state.saved[kept[slot]!] = of[at + savedAt + slot]!;
      let running = 0;
      for (let word = 0; word < timerWords; word += 1)
        for (let bits = of[at + timersAt + word]!; bits !== 0; bits &= bits - 1) {
          const { what, number } = timers[word * 32 + lowest(bits)]!;
          const everyUs = what === 'timer' && hasBit(of, at + everyAt, number) ? 1_000 : 0;
          state.timers[running++] = { what, number, dueUs: 0, everyUs };
        }
      if (state.timers.length !== running) state.timers.length = running;
      for (let key = 0; key < layers; key += 1) state.pressedIn[key] = of[at + layersAt + key]!;
      for (let knob = 0; knob < knobs; knob += 1) places[knob] = of[at + placesAt + knob]!;
      state.ended = of[at + words - 1] === 1;
    },
  };
}
