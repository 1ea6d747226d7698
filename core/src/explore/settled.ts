import type { Effort, State } from '../gadget/index.ts';
import { Machine, type OutputState, type Shown } from '../machine/index.ts';
import { alternatingIn, type Alternating } from './alternating.ts';
import type { Explorer } from './explorer.ts';
import { sameStatesAs, scriptOf } from './script.ts';

/** More states than this, or more that are active together, are not compared with one another at every edit. */
const mostCompared = 60;
/** Long enough for what entering shows to have settled: a fade, a short tone. */
const settleUs = 1_500_000;

/** What entering tells has been told by then, however long a turn of the loop is. */
export const glanceUs = 100_000;

/** What a gadget shows in a state, once that has settled. */
export interface Settled {
  /** The innermost ones, of which several are active together where regions are. */
  states: readonly State[];
  outputs: Readonly<Record<string, OutputState>>;
  /** What variables were then, by id. */
  variables: Shown['variables'];
  /** All that were active, outer ones too. */
  stateIds: readonly string[];
  /** Left alone it was there still; otherwise this could be seen and heard a moment after it was come to. */
  stays: boolean;
  /** Texts that changed places meanwhile, over and over. */
  alternating: readonly Alternating[];
}

/** As people call it. */
export const nameOfSettled = ({ states }: Settled): string => states.map(({ name }) => name).join(' with ');

/** What can be seen just now, kept while the machine goes on. */
export function seenNow({ shown }: Machine): Pick<Settled, 'outputs' | 'variables' | 'stateIds'> {
  const { outputs, variables, stateIds } = shown;
  return { outputs: { ...outputs }, variables: { ...variables }, stateIds };
}

/** Innermost states in which nothing was seen. */
export function unseenIn(states: readonly State[], found: readonly Settled[]): State[] {
  const seen = new Set(found.flatMap(({ stateIds }) => stateIds));
  const outer = new Set(states.map(({ parentId }) => parentId));
  return states.filter(({ id }) => !outer.has(id) && !seen.has(id));
}

/** Played to it and left alone; null: no run came there, or it was left within a moment. */
function settledAt(explorer: Explorer, id: number, effort: Effort): Omit<Settled, 'states'> | null {
  const { seed, stimuli, endUs, confirmed } = scriptOf(
    explorer,
    explorer.pathTo(id),
    sameStatesAs(explorer, id),
    2,
    effort,
  );
  if (!confirmed) return null;
  const machine = new Machine(explorer.gadget, seed);
  for (const stimulus of stimuli) machine.stimulate(stimulus);
  const play = (toUs: number) => {
    const done = machine.advance(toUs, Math.max(0, effort.left - machine.work));
    return done ? machine.shown.stateIds.join() : null;
  };
  const there = play(endUs);
  machine.takeTrace();
  const glanced = there !== null && play(endUs + glanceUs) === there;
  // Kept: the machine goes on.
  const glance = glanced ? { ...seenNow(machine), stays: false, alternating: [] } : null;
  const stays = glanced && play(endUs + settleUs) === there;
  effort.left -= machine.work;
  return stays ? { ...seenNow(machine), stays, alternating: alternatingIn(machine.takeTrace()) } : glance;
}

/**
 * What can be seen and heard in every state, as far as it was explored and as the effort reaches; each state
 * as it was first come to. One after the other, so that whoever asks can rest in between.
 * @param left states that nothing is in yet, to be left out
 * @param most states, or such that are active together, that are looked at
 * @returns null for each in which nothing could be seen
 */
export function* settling(
  explorer: Explorer,
  left: ReadonlySet<string>,
  effort: Effort,
  most: number,
): Generator<Settled | null> {
  const byId = new Map(explorer.gadget.flow.states.map((state) => [state.id, state]));
  const seen = new Set<string>();
  for (let id = 0; id < explorer.count && seen.size < most; id += 1) {
    const states = explorer.innermostIn(id).map((one) => byId.get(one)!);
    const key = states.map((state) => state.id).join();
    if (seen.has(key) || states.length === 0 || states.every((state) => left.has(state.id))) continue;
    seen.add(key);
    const settled = settledAt(explorer, id, effort);
    yield settled && { states, ...settled };
  }
}

/** All of them at once, as checks want it at every edit: of small gadgets. */
export function settledStates(explorer: Explorer, left: ReadonlySet<string>, effort: Effort): Settled[] {
  const { outputs, flow } = explorer.gadget;
  if (outputs.length === 0 || flow.states.length > mostCompared) return [];
  return [...settling(explorer, left, effort, mostCompared)].filter((one) => one !== null);
}
