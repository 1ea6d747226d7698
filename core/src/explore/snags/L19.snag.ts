import { guardParts } from '../../flow/index.ts';
import { usualReactionUs } from '../../gesture/index.ts';
import {
  isOfKeys,
  madeFor,
  type Gadget,
  type Rule,
  type Snag,
  type SnagRule,
  type State,
} from '../../gadget/index.ts';
import type { Explorer, Step } from '../explorer.ts';
import type { Move } from '../moves.ts';
import { acts, answersTo, rulesByNumber } from './answering.ts';
import { explored, wayBy } from './explored.ts';
import { sleeping } from './sleeping.ts';

/** Changes that are looked at closely; one for each pair of states and key. */
const mostChanges = 400;
/** A press that comes sooner than that was on its way before: two reactions of slow people. */
const ignoreMs = 400;

type Owned = { rule: Rule; state: State };

/**
 * Slip: something changes by itself, and a press that was on its way for the state before does something else in the new
 * one. Found by walking: a key that some rule answers before the change and another rule after it.
 */
export const L19: SnagRule = {
  id: 'L19',
  check(gadget, derived) {
    if (gadget.controls.every(({ kind }) => kind !== 'button')) return [];
    const explorer = explored(gadget, derived);
    const rules = rulesByNumber(explorer);
    const taps = tapsOf(explorer);
    const snags: Snag[] = [];
    const seen = new Set<string>();
    const told = new Set<string>();
    for (let edge = 0; edge < explorer.edgeFrom.length && seen.size < mostChanges; edge += 1) {
      const step = explorer.stepOf(explorer.edgeStep.at(edge));
      const change = changeBy(gadget, explorer, rules, step);
      if (change === null) continue;
      const [from, to] = [explorer.edgeFrom.at(edge), explorer.edgeTo.at(edge)];
      const before = explorer.innermostIn(from);
      const after = explorer.innermostIn(to);
      if (before.join() === after.join()) continue;
      // One hand works a menu: nobody races through it.
      if (change.by !== null && before.some((id) => madeFor(id) !== null)) continue;
      for (const tap of taps) {
        if (tap.controlId === change.by) continue;
        const key = `${before.join()} ${after.join()} ${tap.controlId}`;
        if (seen.has(key)) continue;
        seen.add(key);
        const meant = meaningOf(explorer, rules, from, tap);
        const done = meaningOf(explorer, rules, to, tap);
        if (!meant || !done || !isSlip(gadget, meant, done, change.by === null ? before : [])) continue;
        if (told.has(done.rule.id)) continue;
        told.add(done.rule.id);
        snags.push(
          slip(gadget, explorer, { meant, done, tap, change }, wayTo(explorer, from, step, tap), derived),
        );
      }
    }
    return snags;
  },
};

/** One tap of each key, as a whole or as its press alone where it is followed while it is down. */
const tapsOf = (explorer: Explorer): Move[] =>
  explorer.controls.whole.filter(({ controlId, what }) => {
    const control = explorer.gadget.controls.find(({ id }) => id === controlId);
    return what === 'tap' && control?.kind === 'button';
  });

interface Change {
  /** The key of another player that did it; null: it came by itself. */
  by: string | null;
  /** How long it takes by itself, where that is fixed; 0: not known. */
  afterUs: number;
}

/** Whether a step is none of the player's: a timer, or the key of somebody who races. */
function changeBy(
  gadget: Gadget,
  explorer: Explorer,
  rules: readonly (Owned | undefined)[],
  step: Step,
): Change | null {
  if (step.kind === 'timer') {
    if (step.what !== 'rule') return { by: null, afterUs: 0 };
    const delay = explorer.tables.ruleDelay[step.number];
    // The moment of a game that may not be early for: nobody is on the way to something else.
    if (typeof delay === 'object' && delay !== null && /random/.test(delayText(rules[step.number])))
      return null;
    return { by: null, afterUs: typeof delay === 'number' ? delay : 0 };
  }
  const { controlId, what } = explorer.moves[step.move]!;
  const control = gadget.controls.find(({ id }) => id === controlId);
  if (what !== 'tap' && what !== 'press') return null;
  return control?.kind === 'button' && control.wants.purpose === 'game'
    ? { by: controlId, afterUs: 0 }
    : null;
}

function delayText(owned: Owned | undefined): string {
  const trigger = owned?.rule.trigger;
  return trigger && 'delay' in trigger && typeof trigger.delay === 'object' ? trigger.delay.ms : '';
}

/** The first rule that answers the tap with more than nothing. */
function meaningOf(
  explorer: Explorer,
  rules: readonly (Owned | undefined)[],
  id: number,
  tap: Move,
): Owned | null {
  for (const { rules: fired } of answersTo(explorer, id, tap))
    for (const rule of fired) {
      const owned = rules[rule];
      if (owned && isOfKeys(owned.rule.trigger)) return owned;
    }
  return null;
}

/**
 * Whether the new meaning is another, does something that matters, and is not guarded against it already.
 * @param before states that it does no harm to go back to
 */
function isSlip(gadget: Gadget, meant: Owned, done: Owned, before: readonly string[]): boolean {
  if (meant.rule.id === done.rule.id) return false;
  const same =
    JSON.stringify([meant.rule.targetIds, meant.rule.actions]) ===
    JSON.stringify([done.rule.targetIds, done.rule.actions]);
  if (same) return false;
  const { targetIds, actions, guard } = done.rule;
  // Back to where one was: nothing is lost.
  if (targetIds.length > 0 && targetIds.every((id) => before.includes(id)) && !actions.some(acts))
    return false;
  if (targetIds.length === 0 && !actions.some(acts)) return false;
  // A press to wake it is no harm, whatever it was meant for.
  if (sleeping(gadget).has(done.state.id)) return false;
  return guard === null || !guardParts(guard).some((part) => /\belapsed\b/.test(part));
}

const wayTo = (explorer: Explorer, from: number, step: Step, tap: Move): Step[] => {
  const move = explorer.moves.findIndex(
    ({ controlId, what }) => controlId === tap.controlId && (what === 'tap' || what === 'press'),
  );
  return [...explorer.pathTo(from), step, ...(move < 0 ? [] : [{ kind: 'move', move } as const])];
};

function slip(
  gadget: Gadget,
  explorer: Explorer,
  { meant, done, tap, change }: { meant: Owned; done: Owned; tap: Move; change: Change },
  way: Step[],
  derived: Parameters<SnagRule['check']>[1],
): Snag {
  const name = (id: string | undefined) => gadget.controls.find((one) => one.id === id)?.name ?? '';
  const leads = (rule: Rule) => gadget.flow.states.find(({ id }) => rule.targetIds.includes(id))?.name ?? '';
  const { guard, id } = done.rule;
  const still = `elapsed >= ${ignoreMs}`;
  const lasting = gadget.flow.marks.some(
    ({ placeId, means }) => means === 'lasting' && (placeId === id || done.rule.targetIds.includes(placeId)),
  );
  return {
    rule: 'L19',
    level: lasting || change.by !== null ? 'likely' : 'note',
    place: { kind: 'rule', id },
    values: {
      control: name(tap.controlId),
      by: change.by === null ? '' : name(change.by),
      from: meant.state.name,
      to: done.state.name,
      meant: leads(meant.rule),
      leads: leads(done.rule),
      afterUs: change.afterUs,
      reactionUs: usualReactionUs,
    },
    mend: {
      key: 'ignoreAtFirst',
      edit: {
        name: 'changeRule',
        args: [id, { guard: guard === null ? still : `(${guard}) && ${still}` }],
      },
      values: { ms: ignoreMs },
    },
    ...wayBy(explorer, derived, way, null),
  };
}
