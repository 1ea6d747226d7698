import {
  buttonsHeard,
  isOfKeys,
  partOf,
  type Button,
  type Gadget,
  type Rule,
  type Snag,
  type SnagRule,
  type State,
} from '../../gadget/index.ts';
import { figuresOf } from '../../parts/index.ts';
import { acts, answersTo, rulesByNumber } from './answering.ts';
import { explored } from './explored.ts';
import { sleeping } from './sleeping.ts';

/** Keys that wake: those that are said to; where none is, every key that the sleeping state answers. */
function wakers(gadget: Gadget): Button[] {
  const buttons = buttonsHeard(gadget);
  const said = buttons.filter((button) => {
    const part = partOf(gadget, button.id);
    return button.wants.purpose === 'wake' || (part !== undefined && figuresOf(part).wakes === 1);
  });
  return said.length > 0 ? said : buttons;
}

/** The press that wakes also acts: with the very rule that wakes, or with one that answers the rest of the same press. */
export const F11: SnagRule = {
  id: 'F11',
  check(gadget, derived) {
    const asleep = sleeping(gadget);
    if (asleep.size === 0) return [];
    const explorer = explored(gadget, derived);
    const rules = rulesByNumber(explorer);
    const found = new Map<string, Snag>();
    const keys = wakers(gadget);
    const looked = new Set<string>();
    for (let id = 0; id < explorer.count && looked.size < asleep.size; id += 1) {
      const state = explorer.innermostIn(id).find((one) => asleep.has(one) && !looked.has(one));
      if (state === undefined) continue;
      looked.add(state);
      for (const control of keys)
        for (const move of explorer.controls.whole) {
          if (move.controlId !== control.id || (move.what !== 'tap' && move.what !== 'hold')) continue;
          const answered = answersTo(explorer, id, move).flatMap((one) =>
            one.rules.map((rule) => rules[rule]),
          );
          const snag = judge(
            gadget,
            control,
            state,
            answered.filter((one) => one !== undefined),
            asleep,
          );
          if (snag && !found.has(snag.place.id)) found.set(snag.place.id, snag);
        }
    }
    return [...found.values()];
  },
};

/** The first rule that leaves the sleep wakes; what acts with it or after it is too much for one press. */
function judge(
  gadget: Gadget,
  control: Button,
  asleepId: string,
  answered: readonly { rule: Rule; state: State }[],
  asleep: ReadonlySet<string>,
): Snag | null {
  const waking = answered.findIndex(
    ({ rule }) => rule.targetIds.length > 0 && rule.targetIds.every((id) => !asleep.has(id)),
  );
  const wakes = answered[waking];
  if (!wakes) return null;
  const common = { rule: 'F11', level: 'likely', place: { kind: 'rule', id: wakes.rule.id } } as const;
  const target = gadget.flow.states.find(({ id }) => wakes.rule.targetIds.includes(id))!;
  const values = {
    name: control.name,
    asleep: gadget.flow.states.find(({ id }) => id === asleepId)!.name,
    state: target.name,
  };
  if (wakes.rule.actions.some(acts)) {
    const kept = wakes.rule.actions.filter((action) => !acts(action));
    return {
      ...common,
      values: { ...values, reason: 'same', gesture: '' },
      mend: { key: 'onlyWake', edit: { name: 'changeRule', args: [wakes.rule.id, { actions: kept }] } },
    };
  }
  const next = answered
    .slice(waking + 1)
    .find(({ rule }) => rule.targetIds.length > 0 || rule.actions.some((action) => acts(action)));
  if (!next || !isOfKeys(next.rule.trigger)) return null;
  const { trigger } = wakes.rule;
  const byPress = isOfKeys(trigger) && trigger.gesture === 'press';
  return {
    ...common,
    values: { ...values, reason: 'later', gesture: next.rule.trigger.gesture },
    ...(byPress && {
      mend: {
        key: 'wakeByTap',
        edit: { name: 'changeRule', args: [wakes.rule.id, { trigger: { ...trigger, gesture: 'tap' } }] },
      },
    }),
  };
}
