import { readRule } from '../flow/index.ts';
import {
  emptyFlow,
  emptyGadget,
  freshOutput,
  type Gadget,
  type Output,
  type OutputKind,
  type Page,
  type SoundEffect,
  type Tune,
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

export const pageOf = (elements: Page['elements'], id = 'n1', name = 'First'): Page => ({
  id,
  name,
  outputId: 'o1',
  over: null,
  elements,
});
/** A text on a page, in the upper left corner. */
export const textAt = (text: string, x = '0', y = '0'): Page['elements'][number] => ({
  kind: 'drawText',
  outputId: 'o1',
  onlyIf: '1',
  blinks: 'steady',
  group: 0,
  ink: '1',
  x,
  y,
  font: '6x8',
  align: 'left',
  inverted: false,
  text,
});
const scored = [textAt('Ready 42')];

/**
 * A gadget of one output, a display of pixels with a blank page and one that scores, that is told one thing after the other: a line of text, each so long after power-up.
 * @param told `[ms, what is done]`, as it is typed behind `do`
 */
export function toldGadget(
  output: Output,
  told: readonly (readonly [atMs: number, text: string])[],
  variables: Variable[] = [],
  tunes: Tune[] = [],
  effects: SoundEffect[] = [],
): Gadget {
  const gadget: Gadget = {
    ...emptyGadget('Told'),
    outputs: [output],
    effects,
    tunes,
    pages: output.kind === 'screen' ? [pageOf([]), pageOf(scored, 'n2', 'Score')] : [],
    parts: partsFor({ controls: [], outputs: [output] }),
    flow: { ...emptyFlow(), variables, initialId: 's1', states: [state('s1', { name: 'All' })] },
  };
  const rules = told.map(([atMs, text], n) =>
    rule(`r${n + 1}`, readRule(`when after ${atMs} ms do ${text}`, gadget)),
  );
  return { ...gadget, flow: { ...gadget.flow, states: [{ ...gadget.flow.states[0]!, rules }] } };
}
