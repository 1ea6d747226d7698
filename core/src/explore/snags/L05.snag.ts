import { listeningFor } from '../../gesture/index.ts';
import {
  canonicalJson,
  type Edit,
  type Gadget,
  type Rule,
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
  | { reason: 'unheard'; gesture: string; control: string; mend: Edit };

/** The same event: timers each have their own, and so never shadow each other. */
const sameTrigger = ({ trigger: a }: Rule, { trigger: b }: Rule) =>
  a.kind !== 'after' && a.kind !== 'every' && canonicalJson(a) === canonicalJson(b);

/** When a timer first fires, where that is no expression. */
const fixedUs = (trigger: Trigger): number | null =>
  (trigger.kind === 'after' || trigger.kind === 'every') && typeof trigger.delay === 'number'
    ? trigger.delay
    : null;

function unheard(gadget: Gadget, { trigger }: Rule): Reason | null {
  if (trigger.kind !== 'gesture') return null;
  const control = gadget.controls.find(({ id }) => id === trigger.controlId)!;
  const { gesture } = trigger;
  const gestures = control.kind === 'button' ? listeningFor(control.gestures, gesture) : null;
  if (!gestures) return null;
  return {
    reason: 'unheard',
    gesture,
    control: control.name,
    mend: { name: 'changeControl', args: [control.id, { gestures }] },
  };
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
    (other, at) => at < index && sameTrigger(other, rule) && always(other.id) === true,
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
  return unheard(gadget, rule);
}

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
              ? { key: reason === 'shadowed' ? 'moveUp' : 'listen', edit: mend }
              : { key: 'removeRule', edit: { name: 'removeRule', args: [rule.id] } },
          },
        ];
      }),
    );
  },
};
