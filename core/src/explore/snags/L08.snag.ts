import {
  controlsOf,
  variableStart,
  type Action,
  type Button,
  type Gadget,
  type Snag,
  type SnagRule,
  type SingleEdit,
} from '../../gadget/index.ts';

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

/** What is kept through power-off is wiped by a press that may be a slip: no hold, nothing that asks first. */
export const L08: SnagRule = {
  id: 'L08',
  check: (gadget) =>
    gadget.flow.states.flatMap(({ name: state, rules }) =>
      rules.flatMap(({ id, trigger, actions }): Snag[] => {
        if (trigger.kind !== 'gesture' || !quick.has(trigger.gesture)) return [];
        const button = controlsOf(gadget, 'button').find((one) => one.id === trigger.controlId);
        if (!button) return [];
        const lost = wiped(gadget, actions);
        if (lost.length === 0) return [];
        return [
          {
            rule: 'L08',
            level: 'likely',
            place: { kind: 'rule', id },
            values: { state, control: button.name, lost: lost.map(({ name }) => name).join(', ') },
            mend: {
              key: 'holdInstead',
              edit: { name: 'several', args: [holdEdits(button, id)] },
              values: { holdUs },
            },
          },
        ];
      }),
    ),
};

function holdEdits(button: Button, ruleId: string): SingleEdit[] {
  const trigger = { kind: 'gesture', controlId: button.id, gesture: 'hold' } as const;
  const held: SingleEdit = { name: 'changeRule', args: [ruleId, { trigger }] };
  if (button.gestures.holdUs !== null) return [held];
  return [{ name: 'changeControl', args: [button.id, { gestures: { ...button.gestures, holdUs } }] }, held];
}
