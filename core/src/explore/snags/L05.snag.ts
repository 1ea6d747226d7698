import { listeningFor } from '../../gesture/index.ts';
import {
  asOneEdit,
  canonicalJson,
  controlsHeard,
  heardAs,
  hearsGesture,
  isOfKeys,
  type Edit,
  type Gadget,
  type Rule,
  type SingleEdit,
  type Snag,
  type SnagRule,
  type State,
  type Trigger,
} from '../../gadget/index.ts';
import { verdicts } from '../../flow/index.ts';
import { mayFire, reached } from './explored.ts';

type Reason =
  | { reason: 'guard' }
  | { reason: 'shadowed'; by: number; mend: Edit }
  | { reason: 'outlived'; delayUs: number; earlierUs: number }
  /** Everything was walked, and it never fired. */
  | { reason: 'walked' }
  | { reason: 'unheard'; gesture: string; control: string; mend: Edit }
  /** It waits for a key that is only ever heard as another, whose line it shares. */
  | { reason: 'oneLine'; control: string; as: string; mend: Edit };

/**
 * Whether the first hears all that the second waits for: the same event, or any key of a set against one of them. Timers
 * each have their own, and so never shadow each other.
 */
function hearsAllOf(gadget: Gadget, { trigger: a }: Rule, { trigger: b }: Rule): boolean {
  if (a.kind === 'after' || a.kind === 'every') return false;
  if (a.kind !== 'keys' || b.kind !== 'gesture') return canonicalJson(a) === canonicalJson(b);
  return hearsGesture(gadget, a, b.controlId, b.gesture);
}

/** When a timer first fires, where that is no expression. */
const fixedUs = (trigger: Trigger): number | null =>
  (trigger.kind === 'after' || trigger.kind === 'every') && typeof trigger.delay === 'number'
    ? trigger.delay
    : null;

function unheard(gadget: Gadget, { trigger }: Rule): Reason | null {
  if (!isOfKeys(trigger)) return null;
  const { gesture } = trigger;
  const ids = controlsHeard(gadget, trigger);
  const deaf = gadget.controls.flatMap((control) => {
    if (control.kind !== 'button' || !ids.includes(control.id)) return [];
    const gestures = listeningFor(control.gestures, gesture);
    return gestures ? [{ control, gestures }] : [];
  });
  if (deaf.length === 0 || deaf.length < ids.length) return null;
  const edits = deaf.map(({ control: { id }, gestures }): SingleEdit => {
    return { name: 'changeControl', args: [id, { gestures }] };
  });
  return {
    reason: 'unheard',
    gesture,
    control: deaf.map(({ control }) => control.name).join(', '),
    mend: asOneEdit(edits),
  };
}

function heardAsAnother(gadget: Gadget, { id, trigger }: Rule): Reason | null {
  if (trigger.kind !== 'gesture') return null;
  const asId = heardAs(gadget).get(trigger.controlId);
  if (asId === undefined) return null;
  const name = (of: string) => gadget.controls.find((one) => one.id === of)!.name;
  const mend: Edit = { name: 'changeRule', args: [id, { trigger: { ...trigger, controlId: asId } }] };
  return { reason: 'oneLine', control: name(trigger.controlId), as: name(asId), mend };
}

function whyNever(
  gadget: Gadget,
  state: State,
  index: number,
  always: (ruleId: string) => boolean | null,
): Reason | null {
  const rule = state.rules[index]!;
  if (always(rule.id) === false) return { reason: 'guard' };
  const shadow = state.rules.findIndex(
    (other, at) => at < index && hearsAllOf(gadget, other, rule) && always(other.id) === true,
  );
  if (shadow >= 0)
    return {
      reason: 'shadowed',
      by: shadow + 1,
      mend: { name: 'moveRule', args: [rule.id, shadow - index] },
    };
  const delayUs = fixedUs(rule.trigger);
  if (delayUs !== null)
    for (const [at, { trigger, targetIds, id }] of state.rules.entries()) {
      const earlierUs = fixedUs(trigger);
      if (earlierUs === null || targetIds.length === 0 || at === index || always(id) !== true) continue;
      if (earlierUs < delayUs || (earlierUs === delayUs && at < index))
        return { reason: 'outlived', delayUs, earlierUs };
    }
  return heardAsAnother(gadget, rule) ?? unheard(gadget, rule);
}

const mendKeys: Partial<Record<Reason['reason'], string>> = { shadowed: 'moveUp', oneLine: 'hearAs' };

/** A rule that can never fire: its guard never holds, shadowed, its state left before its timer, unheard, or so it is found. */
export const L05: SnagRule = {
  id: 'L05',
  check(gadget, derived) {
    const guards = verdicts(gadget, derived);
    const fires = mayFire(gadget, derived);
    // Of a state that is never come to, that is told; not that its rules do not fire.
    const known = reached(gadget, derived);
    // That a button does not listen is told once, however many rules wait for it.
    const deaf = new Set<string>();
    return gadget.flow.states.flatMap((state) =>
      state.rules.flatMap((rule, index): Snag[] => {
        const walked = known.has(state.id) && !fires(rule.id);
        const why =
          whyNever(gadget, state, index, (id) => guards.get(id)!) ??
          (walked ? { reason: 'walked' as const } : null);
        if (!why) return [];
        if (why.reason === 'unheard') {
          const key = `${why.control} ${why.gesture}`;
          if (deaf.has(key)) return [];
          deaf.add(key);
        }
        const { reason, ...rest } = why;
        const { mend, ...figures } = rest as { mend?: Edit } & Record<string, string | number>;
        return [
          {
            rule: 'L05',
            level: 'likely',
            place: { kind: 'rule', id: rule.id },
            values: { state: state.name, number: index + 1, reason, ...figures },
            mend: mend
              ? { key: mendKeys[reason] ?? 'listen', edit: mend }
              : { key: 'removeRule', edit: { name: 'removeRule', args: [rule.id] } },
          },
        ];
      }),
    );
  },
};
