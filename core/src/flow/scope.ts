import {
  nestingOf,
  variableSize,
  type Control,
  type Gadget,
  type State,
  type Variable,
} from '../gadget/index.ts';

/** What expressions of a gadget can speak of, by id. Numbers hold for one document only. */
export interface Scope {
  /** With its first slot among the values. */
  variables: ReadonlyMap<string, { variable: Variable; slot: number }>;
  /** In the order of the document: depth first. */
  states: ReadonlyMap<string, { state: State; number: number }>;
  controls: ReadonlyMap<string, { control: Control; number: number }>;
  /** How many values there are. */
  slots: number;
}

type Scoped = Pick<Gadget, 'flow' | 'controls'>;

/** By document, which never changes: thousands of expressions are compiled for one. */
const known = new WeakMap<Scoped, Scope>();

export function scopeOf(gadget: Scoped): Scope {
  const scope = known.get(gadget) ?? gather(gadget);
  known.set(gadget, scope);
  return scope;
}

function gather({ flow, controls }: Scoped): Scope {
  let slots = 0;
  const variables = new Map(
    flow.variables.map((variable) => {
      const slot = slots;
      slots += variableSize(variable);
      return [variable.id, { variable, slot }];
    }),
  );
  return {
    variables,
    states: new Map(nestingOf(flow).ordered.map((state, number) => [state.id, { state, number }])),
    controls: new Map(controls.map((control, number) => [control.id, { control, number }])),
    slots,
  };
}
