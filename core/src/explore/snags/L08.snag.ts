import {
  controlsHeard,
  controlsOf,
  isOfKeys,
  keySetsOf,
  variableStart,
  type Action,
  type Button,
  type Gadget,
  type Rule,
  type Snag,
  type SnagRule,
  type State,
  type SingleEdit,
  type Trigger,
} from '../../gadget/index.ts';
import { acts } from './answering.ts';
import { sleeping } from './sleeping.ts';

const quick: ReadonlySet<string> = new Set(['press', 'release', 'tap']);
const holdUs = 1_000_000;

/** Kept values that the actions put back to where they began: what was saved is lost. */
const wiped = ({ flow }: Gadget, actions: readonly Action[]) =>
  flow.variables.filter(
    (variable) =>
      variable.saved !== null &&
      actions.some(
        (action) =>
          action.kind === 'set' &&
          action.variableId === variable.id &&
          /^-?\d+$/.test(action.value) &&
          Number(action.value) === variableStart(variable),
      ),
  );

/** Names of what cannot be undone by this rule: kept values that it wipes, and what its maker has marked. */
function lostBy(gadget: Gadget, button: Button, rule: Rule): { reason: string; lost: string } | null {
  const { marks, states } = gadget.flow;
  const lasting = new Set(marks.flatMap(({ placeId, means }) => (means === 'lasting' ? [placeId] : [])));
  const gone = wiped(gadget, rule.actions);
  if (gone.length > 0) return { reason: 'wipes', lost: gone.map(({ name }) => name).join(', ') };
  const target = states.find(({ id }) => rule.targetIds.includes(id) && lasting.has(id));
  if (target) return { reason: 'state', lost: target.name };
  if (lasting.has(rule.id)) return { reason: 'rule', lost: '' };
  // Where its maker has said what is for good, that is what counts; otherwise whatever the key does beyond showing.
  if (button.wants.purpose !== 'destructive' || lasting.size > 0) return null;
  const home = rule.targetIds.every((id) => id === gadget.flow.initialId);
  const does = (rule.targetIds.length > 0 && !home) || rule.actions.some(acts);
  return does ? { reason: 'control', lost: '' } : null;
}

/**
 * Whether the state asks first: said so by a mark, or got to by hand alone, with another key than the one that goes on
 * from it, and with a way back.
 */
function asksFirst(gadget: Gadget, state: State, rule: Rule): boolean {
  const { flow } = gadget;
  if (flow.marks.some(({ placeId, means }) => placeId === state.id && means === 'asks')) return true;
  const into = flow.states.flatMap((from) =>
    from.rules.filter(({ targetIds }) => targetIds.includes(state.id)).map((one) => ({ from, one })),
  );
  const own = controlsHeard(gadget, rule.trigger);
  const otherKey = into.every(
    ({ one: { trigger } }) =>
      'gesture' in trigger &&
      (!quick.has(trigger.gesture) || !controlsHeard(gadget, trigger).some((id) => own.includes(id))),
  );
  const origins = new Set(into.map(({ from }) => from.id));
  const back = state.rules.some((one) => one !== rule && one.targetIds.some((id) => origins.has(id)));
  return into.length > 0 && state.id !== flow.initialId && otherKey && back;
}

/** What cannot be undone is one press away that may be a slip: no hold, no condition, nothing that asks first. */
export const L08: SnagRule = {
  id: 'L08',
  check(gadget) {
    const asleep = sleeping(gadget);
    /** What a key is for is one cause, however many states answer it: told once, where it is first. */
    const byControl = new Map<string, Snag[]>();
    const snags = gadget.flow.states.flatMap((state) =>
      state.rules.flatMap((rule): Snag[] => {
        const { id, trigger, guard } = rule;
        if (!isOfKeys(trigger) || !quick.has(trigger.gesture) || guard !== null) return [];
        const ids = controlsHeard(gadget, trigger);
        const buttons = controlsOf(gadget, 'button').filter((one) => ids.includes(one.id));
        const [button] = buttons;
        const lost = button && !asleep.has(state.id) ? lostBy(gadget, button, rule) : null;
        if (!button || !lost || asksFirst(gadget, state, rule)) return [];
        const set = keySetsOf(gadget).find(({ id: setId }) => 'setId' in trigger && setId === trigger.setId);
        const snag: Snag = {
          rule: 'L08',
          level: 'likely',
          place: { kind: 'rule', id },
          values: { state: state.name, control: set?.name ?? button.name, ...lost, others: 0 },
          mend: {
            key: 'holdInstead',
            edit: { name: 'several', args: [holdEdits(buttons, id, { ...trigger, gesture: 'hold' })] },
            values: { holdUs },
          },
        };
        if (lost.reason !== 'control') return [snag];
        const before = byControl.get(button.id);
        byControl.set(button.id, [...(before ?? []), snag]);
        return [];
      }),
    );
    const once = [...byControl.values()].map((all): Snag => {
      const [first] = all as [Snag];
      return { ...first, values: { ...first.values, others: all.length - 1 } };
    });
    return [...snags, ...once];
  },
};

function holdEdits(buttons: readonly Button[], ruleId: string, trigger: Trigger): SingleEdit[] {
  const listening = buttons
    .filter(({ gestures }) => gestures.holdUs === null)
    .map(({ id, gestures }): SingleEdit => {
      return { name: 'changeControl', args: [id, { gestures: { ...gestures, holdUs } }] };
    });
  return [...listening, { name: 'changeRule', args: [ruleId, { trigger }] }];
}
