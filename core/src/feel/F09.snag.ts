import { bare, compileExpression, evaluate, ExpressionError, scopeOf } from '../flow/index.ts';
import {
  allRules,
  variableRange,
  variableSize,
  type Action,
  type Encoder,
  type Gadget,
  type Knob,
  type SnagRule,
} from '../gadget/index.ts';

/** Whether an action lowers (-1) or raises (1) its variable from the middle of all ranges, or neither (0). */
function effectOf(action: Action, gadget: Gadget): number {
  if (action.kind !== 'set') return 0;
  const scope = scopeOf(gadget);
  const values = gadget.flow.variables.flatMap((variable) => {
    const { low, high } = variableRange(variable);
    return Array<number>(variableSize(variable)).fill(Math.floor((low + high) / 2));
  });
  const { slot } = scope.variables.get(action.variableId)!;
  try {
    return Math.sign(evaluate(compileExpression(action.value, scope, 0), bare(values)) - values[slot]!);
  } catch (error) {
    // What cannot be read is another rule's to say.
    if (error instanceof ExpressionError) return 0;
    throw error;
  }
}

/** What steps upwards do to variables in the flow, over all rules: more lowering than raising is below 0. */
function flowSense(gadget: Gadget, controlId: string): number {
  let sense = 0;
  for (const { rule } of allRules(gadget)) {
    const { trigger, actions } = rule;
    if (trigger.kind !== 'gesture' || trigger.controlId !== controlId) continue;
    const way = trigger.gesture === 'up' ? 1 : trigger.gesture === 'down' ? -1 : 0;
    for (const action of actions) sense += way * effectOf(action, gadget);
  }
  return sense;
}

/** Clockwise lowers the value. */
export const F09: SnagRule = {
  id: 'F09',
  check: (gadget) =>
    gadget.controls
      .filter((control): control is Encoder | Knob => control.kind === 'encoder' || control.kind === 'knob')
      .flatMap((control) => {
        const inFlow = flowSense(gadget, control.id);
        const { reversed } = control.reading;
        const lowers = inFlow < 0 ? !reversed : reversed;
        if (!lowers) return [];
        const reading = { ...control.reading, reversed: !reversed } as never;
        return [
          {
            rule: 'F09',
            level: 'likely',
            place: { kind: 'control', id: control.id },
            values: { name: control.name, reason: inFlow < 0 ? 'flow' : 'reversed' },
            mend: { key: 'turnRound', edit: { name: 'changeControl', args: [control.id, { reading }] } },
          },
        ];
      }),
};
