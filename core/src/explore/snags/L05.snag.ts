import { gesturesOf } from '../../gesture/index.ts';
import {
  canonicalJson,
  type Edit,
  type Gadget,
  type GestureKind,
  type GestureSetting,
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

/** Starting points for a gesture that a rule wants and its control does not listen for. */
const listening = {
  hold: { holdUs: 500_000 },
  heldRelease: { holdUs: 500_000 },
  hold2: { holdUs: 500_000, longerHoldsUs: [1_500_000] },
  hold3: { holdUs: 500_000, longerHoldsUs: [1_500_000, 4_000_000] },
  double: { doubleWindowUs: 250_000 },
  triple: { doubleWindowUs: 250_000, triple: true },
  repeat: { repeat: { delayUs: 400_000, everyUs: 120_000, quickenPercent: 100, fastestUs: 120_000 } },
} as const satisfies Partial<Record<GestureKind, Partial<GestureSetting>>>;

function unheard(gadget: Gadget, { trigger }: Rule): Reason | null {
  if (trigger.kind !== 'gesture') return null;
  const control = gadget.controls.find(({ id }) => id === trigger.controlId)!;
  const { gesture } = trigger;
  if (control.kind !== 'button') return null;
  if (gesturesOf(control.gestures).includes(gesture) || !(gesture in listening)) return null;
  const gestures = { ...control.gestures, ...listening[gesture as keyof typeof listening] };
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
    return gadget.flow.states.flatMap((state) =>
      state.rules.flatMap((rule, index): Snag[] => {
        const walked = known.has(state.id) && !fires(rule.id);
        const why =
          whyNever(gadget, state, index, (id) => guards.get(id)!) ??
          (walked ? { reason: 'walked' as const } : null);
        if (!why) return [];
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
