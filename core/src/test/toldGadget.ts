import { readRule } from '../flow/index.ts';
import {
  emptyFlow,
  emptyGadget,
  freshOutput,
  type Gadget,
  type Output,
  type OutputKind,
  type Variable,
} from '../gadget/index.ts';
import { figuresOf } from '../parts/index.ts';
import { partsFor, rule, state } from './fixtures.ts';

/** One output of a kind, as it comes out of the drawer with that part. */
export function outputOf(kind: OutputKind, name: string, figures: Record<string, number> = {}): Output {
  const usual = partsFor({ controls: [], outputs: [{ kind, id: 'o1', name } as Output] })[0]!;
  return {
    ...freshOutput(kind, { ...figuresOf(usual), ...figures }),
    id: 'o1',
    name,
  } as Output;
}

/**
 * A gadget of one output that is told one thing after the other: a line of text, each so long after power-up.
 * @param told `[ms, what is done]`, as it is typed behind `do`
 */
export function toldGadget(
  output: Output,
  told: readonly (readonly [atMs: number, text: string])[],
  variables: Variable[] = [],
): Gadget {
  const gadget: Gadget = {
    ...emptyGadget('Told'),
    outputs: [output],
    parts: partsFor({ controls: [], outputs: [output] }),
    flow: { ...emptyFlow(), variables, initialId: 's1', states: [state('s1', { name: 'All' })] },
  };
  const rules = told.map(([atMs, text], n) =>
    rule(`r${n + 1}`, readRule(`when after ${atMs} ms do ${text}`, gadget)),
  );
  return { ...gadget, flow: { ...gadget.flow, states: [{ ...gadget.flow.states[0]!, rules }] } };
}
