import { nested, reachable, unfinished, verdicts } from '../../flow/index.ts';
import { allRules, type Derived, type Gadget, type SnagWay, type Trigger } from '../../gadget/index.ts';
import { asMeant } from '../../gesture/index.ts';
import { Explorer, type Step } from '../explorer.ts';
import { sameStatesAs, scriptOf } from '../script.ts';
import { settledStates, type Settled } from '../settled.ts';

/** Checks run with every edit: so many states are walked in about a tenth of a second. */
const checked = { states: 4_000, edges: 60_000, work: 250_000_000 };

/** What the gadget can come to, as far as a check looks; once per check run. */
export function explored(gadget: Gadget, derived: Derived): Explorer {
  return derived.once('explore.all', () => {
    const explorer = new Explorer(asMeant(gadget), checked);
    explorer.advance(checked.states);
    return explorer;
  });
}

/** What the gadget shows in every state that stays; once per check run. */
export const settled = (gadget: Gadget, derived: Derived): readonly Settled[] =>
  derived.once('explore.settled', () =>
    settledStates(explored(gadget, derived), unfinished(gadget, derived), derived.effort).filter(
      ({ stays }) => stays,
    ),
  );

/** The same with every variable followed, for what becomes of values that nothing depends on; not as far. */
export function exploredWithAll(gadget: Gadget, derived: Derived): Explorer {
  return derived.once('explore.values', () => {
    const usual = explored(gadget, derived);
    if (usual.followed.size === gadget.flow.variables.length) return usual;
    const explorer = new Explorer(
      asMeant(gadget),
      { states: checked.states / 2, edges: checked.edges / 2, work: checked.work / 2 },
      'all',
    );
    explorer.advance(checked.states);
    return explorer;
  });
}

/** What comes by itself, or from inside: no hand has to do it. */
const unasked: ReadonlySet<Trigger['kind']> = new Set([
  'after',
  'every',
  'timer',
  'signal',
  'done',
  'always',
  'any',
  'crossing',
]);

/**
 * Whether a rule can ever fire: not where its guard never holds, nor where everything was walked without it. What no
 * hand of a walk can do is not judged by it.
 */
export const mayFire = (gadget: Gadget, derived: Derived): ((ruleId: string) => boolean) =>
  derived.once('explore.mayFire', () => firing(gadget, derived));

/** States that some chain of such rules enters, once per check run. */
export const reached = (gadget: Gadget, derived: Derived): ReadonlySet<string> =>
  derived.once('explore.reached', () => reachable(gadget, nested(gadget, derived), mayFire(gadget, derived)));

function firing(gadget: Gadget, derived: Derived): (ruleId: string) => boolean {
  const guards = verdicts(gadget, derived);
  const explorer = explored(gadget, derived);
  const { tables, fired, moves, complete, caveats } = explorer;
  const never = new Set<string>();
  if (complete && caveats.size === 0) {
    const done = new Set(
      moves.flatMap(({ events }) =>
        events.flatMap((event) => [event, ...(tables.keyEvents.get(event)?.also ?? [])]),
      ),
    );
    const kinds = new Map(allRules(gadget).map(({ rule }) => [rule.id, rule.trigger.kind]));
    tables.ruleIds.forEach((id, rule) => {
      if (!fired[rule] && (unasked.has(kinds.get(id)!) || done.has(tables.ruleEvent[rule]!))) never.add(id);
    });
  }
  return (id) => guards.get(id) !== false && !never.has(id);
}

/**
 * A way as a script that can be played; whatever chance it needs is not searched for long. None where too much was
 * played in this check already.
 */
export function wayBy(
  explorer: Explorer,
  { effort, asIs }: Pick<Derived, 'effort' | 'asIs'>,
  steps: readonly Step[],
  endId: number | null,
): { way?: SnagWay } {
  // A way that only the gadget as it is meant would go is none to show.
  if (effort.left <= 0 || !asIs) return {};
  const arrived = endId === null ? () => true : sameStatesAs(explorer, endId);
  const { seed, stimuli, endUs } = scriptOf(explorer, steps, arrived, 4, effort);
  return { way: { seed, stimuli, endUs } };
}

/** The innermost active state of one that was found, for naming the place. */
export function innermost(explorer: Explorer, id: number): string {
  const { atoms } = explorer.load(id);
  return explorer.tables.stateIds[atoms.at(-1) ?? 0]!;
}

export const nameOfState = ({ flow }: Gadget, id: string): string =>
  flow.states.find((state) => state.id === id)?.name ?? id;
