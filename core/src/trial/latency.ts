import type { Effort, Gadget } from '../gadget/index.ts';
import { Machine, type EntryOf, type TraceEntry } from '../machine/index.ts';

/*
 * From a finger to a sound: how long each part of the way takes. It is played, press by press, and read off the trace,
 * so whatever the loop, the method of cleaning, the queue and the wire do to it is in it.
 */

/**
 * Parts of the way, in its order: until the contact closes; until the loop reads that; until it counts as a press;
 * until it has its meaning, which a second tap or a hold may be waited for; until it begins to sound, or to go over the
 * wire behind those before it; until its bytes are over.
 */
export const latencyParts = ['contact', 'read', 'clean', 'gesture', 'answer', 'wire'] as const;
export type LatencyPart = (typeof latencyParts)[number];

/** How long, µs. */
export interface Spread {
  medianUs: number;
  worstUs: number;
}

/** From keys to one output. */
export interface Latency {
  outputId: string;
  /** Keys whose presses sound there. */
  controlIds: readonly string[];
  /** Presses that sounded, of those that were made with these keys. */
  sounded: number;
  presses: number;
  whole: Spread;
  parts: Readonly<Record<LatencyPart, Spread>>;
  /** The key that took longest. */
  worstId: string;
}

/** A slow beginner's press, long enough for all that does not hold. */
const heldUs = 90_000;
/** From one press to the next: what came of it is over, and another tap would have come. */
const everyUs = 700_000;
/** By then displays are there, and what begins at power-up is over. */
const settledUs = 2_000_000;
/** Later is not because of this press. */
const latestUs = everyUs - 50_000;
/** So many presses are played in all, at least some of each button, and no more than costs so much: a second or two. */
const [mostPresses, leastEach, mostEach, mostWork] = [480, 4, 24, 1_500_000_000] as const;

/** One press, by parts, in whole µs. */
type Way = Record<LatencyPart, number>;

/** Presses come at any part of a turn, and of a millisecond: each is moved on by the golden section of a hundredth. */
const phaseUs = (press: number): number => Math.floor(((press * 0.6180339887) % 1) * 10_000);

const isSounding = (entry: TraceEntry): entry is EntryOf<'tone'> | EntryOf<'midi'> | EntryOf<'player'> =>
  (entry.lane === 'tone' && entry.hz > 0) ||
  (entry.lane === 'player' && entry.what === 'begins') ||
  (entry.lane === 'midi' && entry.bytes[0]! >> 4 === 9 && entry.bytes[2]! > 0);

/** The first sound of each output that there would not have been without the press. */
function soundsBecause(pressed: readonly TraceEntry[], left: readonly TraceEntry[]) {
  const first = new Map<string, { begunUs: number; atUs: number }>();
  const without = left.filter(isSounding).map((entry) => JSON.stringify(entry));
  const would = new Set(without);
  const begun = new Map<string, number>();
  for (const entry of pressed) {
    if (entry.lane === 'midiWire' && entry.what === 'begins') begun.set(entry.id, entry.atUs);
    if (!isSounding(entry) || first.has(entry.id) || would.has(JSON.stringify(entry))) continue;
    first.set(entry.id, { begunUs: begun.get(entry.id) ?? entry.atUs, atUs: entry.atUs });
  }
  return first;
}

/** What was meant later than so long before a sound of that output has not begun it. */
const aheadUs = (gadget: Gadget, outputId: string): number => {
  const output = gadget.outputs.find(({ id }) => id === outputId);
  return output?.kind === 'player' ? output.tellUs + output.startUs : 0;
};

/** The way of a press to each output where it sounds. */
function waysOf(
  pressed: readonly TraceEntry[],
  left: readonly TraceEntry[],
  controlId: string,
  gadget: Gadget,
): Map<string, Way> {
  const { periodUs } = gadget.loop;
  const own = pressed.filter((entry) => 'id' in entry && entry.id === controlId);
  const finger = own.find((entry) => entry.lane === 'finger' && entry.down);
  const contact = own.find((entry) => entry.lane === 'contact' && entry.level === 1);
  const clean = own.find((entry) => entry.lane === 'clean' && entry.level === 1);
  const ways = new Map<string, Way>();
  if (!finger || !contact || !clean) return ways;
  const readUs = Math.min(clean.atUs, Math.ceil(contact.atUs / periodUs) * periodUs);
  for (const [id, { begunUs, atUs }] of soundsBecause(pressed, left)) {
    // What it meant last before it was told to sound.
    const toldUs = begunUs - aheadUs(gadget, id);
    const gesture = own.findLast((entry) => entry.lane === 'gesture' && entry.atUs <= toldUs) ?? clean;
    ways.set(id, {
      contact: contact.atUs - finger.atUs,
      read: readUs - contact.atUs,
      clean: clean.atUs - readUs,
      gesture: gesture.atUs - clean.atUs,
      answer: begunUs - gesture.atUs,
      wire: atUs - begunUs,
    });
  }
  return ways;
}

function spreadOf(values: readonly number[]): Spread {
  const sorted = [...values].sort((a, b) => a - b);
  return { medianUs: sorted[(sorted.length - 1) >> 1]!, worstUs: sorted.at(-1)! };
}

/** All that was found, and how many buttons could not be tried, since what was played before was too dear. */
export interface Latencies {
  /** By output, in the order of the document. */
  found: Latency[];
  untried: number;
}

/**
 * Presses every button of a gadget some times, from its first state on, and reads how long it takes until that is
 * heard. Buttons that sound nothing there are in none of the answers; a gadget that stands still is left as it is.
 */
export function latenciesOf(gadget: Gadget): Latencies {
  const heard = gadget.outputs.map(({ id }) => ({
    id,
    ways: [] as { way: Way; controlId: string }[],
    made: 0,
  }));
  const buttons = gadget.controls.filter(({ kind }) => kind === 'button');
  const each = Math.max(leastEach, Math.min(mostEach, Math.floor(mostPresses / Math.max(1, buttons.length))));
  const effort = { left: mostWork };
  let untried = 0;
  for (const { id: controlId } of buttons) {
    if (effort.left <= 0) {
      untried += 1;
      continue;
    }
    const all = pressed(gadget, controlId, each, effort);
    for (const output of heard) {
      const own = all.flatMap((ways) => ways.get(output.id) ?? []);
      if (own.length === 0) continue;
      output.made += all.length;
      output.ways.push(...own.map((way) => ({ way, controlId })));
    }
  }
  return {
    found: heard.flatMap(({ id, ways, made }) => (ways.length === 0 ? [] : [latencyOf(id, ways, made)])),
    untried,
  };
}

function latencyOf(
  outputId: string,
  ways: readonly { way: Way; controlId: string }[],
  presses: number,
): Latency {
  const sum = ({ way }: { way: Way }) => latencyParts.reduce((us, part) => us + way[part], 0);
  const worst = ways.reduce((a, b) => (sum(b) > sum(a) ? b : a));
  return {
    outputId,
    controlIds: [...new Set(ways.map(({ controlId }) => controlId))],
    sounded: ways.length,
    presses,
    whole: spreadOf(ways.map(sum)),
    parts: Object.fromEntries(
      latencyParts.map((part) => [part, spreadOf(ways.map(({ way }) => way[part]))]),
    ) as Record<LatencyPart, Spread>,
    worstId: worst.controlId,
  };
}

/**
 * The way of each press of a button, one after the other; where a sounder sounds on already, so that too few of them begin
 * anything there, each as if nobody had pressed before.
 */
function pressed(gadget: Gadget, controlId: string, presses: number, effort: Effort): Map<string, Way>[] {
  const soundsOn = new Set<string>();
  const ways = played(gadget, controlId, presses, effort, soundsOn);
  const tooFew = [...soundsOn].some((id) => {
    const sounded = ways.reduce((sum, way) => sum + (way.has(id) ? 1 : 0), 0);
    return sounded > 0 && sounded < leastEach;
  });
  return tooFew && effort.left > 0 ? played(gadget, controlId, presses, effort, null) : ways;
}

/** @param soundsOn collects sounders that sound as a press comes; null: each press is as if nobody had pressed before */
function played(
  gadget: Gadget,
  controlId: string,
  presses: number,
  effort: Effort,
  soundsOn: Set<string> | null,
): Map<string, Way>[] {
  let machine = new Machine(gadget, 1);
  const spend = (one: Machine, untilUs: number): boolean => {
    const before = one.work;
    const came = one.advance(untilUs, effort.left);
    effort.left -= one.work - before;
    return came && one.still === null;
  };
  const ways: Map<string, Way>[] = [];
  if (!spend(machine, settledUs)) return ways;
  machine.takeTrace();
  for (let n = 0; n < presses; n += 1) {
    const atUs = settledUs + n * everyUs + phaseUs(n);
    for (const { id } of gadget.outputs) {
      const state = machine.shown.outputs[id];
      if (state?.kind === 'tone' && state.hz > 0) soundsOn?.add(id);
    }
    // The same moment, and nobody presses.
    const left = machine.beside();
    machine.stimulate({ atUs, controlId, what: 'down' });
    machine.stimulate({ atUs: atUs + heldUs, controlId, what: 'up' });
    if (!spend(machine, atUs + latestUs) || !spend(left, atUs + latestUs)) break;
    ways.push(waysOf(machine.takeTrace(), left.takeTrace(), controlId, gadget));
    if (!soundsOn) machine = left;
  }
  return ways;
}
