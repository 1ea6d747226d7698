import { showRule, type Gadget, type Place, type Snag } from '@hum-lever/core';
import type { StoredTrial } from '../client/index.ts';
import { sayingOf } from '../words/index.ts';
import { sheetOf } from './sheets.ts';

/** Something of the gadget that can be gone to by its name. */
export interface Reachable {
  id: string;
  label: string;
  /** Where it is said, behind the gadget's own address. */
  path: string;
  place: Place | null;
}

/** Rules whose snags are about what a thing is: its place is where that is said. */
const asIs = 'P';

/** Every state, rule, value, part, control, word, task, snag and trial, by name, in the order of the sheets. */
export function reachableOf(
  gadget: Gadget,
  snags: readonly Snag[],
  trials: readonly StoredTrial[],
): Reachable[] {
  const { flow, brief } = gadget;
  const at = (kind: Place['kind'], id: string, label: string, path?: string): Reachable => {
    const place: Place = { kind, id };
    return { id: `${kind} ${id} ${path ?? ''}`, label, path: path ?? sheetOf(asIs, place), place };
  };
  return [
    ...brief.words.map(({ id, text }) => at('word', id, `Word ${text}`)),
    ...brief.tasks.map(({ id, name }) => at('task', id, `Task ${name}`)),
    ...gadget.parts.map(({ id, name }) => at('part', id, `Part ${name}`)),
    ...gadget.parts.map(({ id, name }) => at('part', id, `Wires of ${name}`, 'wiring')),
    ...gadget.controls.map(({ id, name }) => at('control', id, `Feel of ${name}`, 'feel')),
    ...flow.variables.map(({ id, name }) => at('variable', id, `Value ${name}`)),
    ...flow.layers.map(({ id, name }) => at('layer', id, `Layer ${name}`)),
    ...flow.states.map(({ id, name }) => at('state', id, `State ${name}`)),
    ...flow.states.flatMap(({ name, rules }) =>
      rules.map((rule, n) => at('rule', rule.id, `Rule ${n + 1} of ${name}: ${showRule(rule, gadget)}`)),
    ),
    ...gadget.pages.map(({ id, name }) => at('page', id, `Page ${name}`)),
    ...gadget.pictures.map(({ id, name }) => at('picture', id, `Picture ${name}`)),
    ...gadget.effects.map(({ id, name }) => at('effect', id, `Effect ${name}`)),
    ...gadget.tunes.map(({ id, name }) => at('tune', id, `Tune ${name}`)),
    ...gadget.fonts.map(({ id, name }) => at('font', id, `Font ${name}`)),
    ...gadget.menus.flatMap(({ id, name, items }) => [
      at('menu', id, `Menu ${name}`),
      ...items.map((item) => at('menu', item.id, `Menu item ${item.name}`)),
    ]),
    ...trials.map(({ id, trial }) => {
      return { id: `trial ${id}`, label: `Trial ${trial.name}`, path: `trials?trial=${id}`, place: null };
    }),
    ...snags.map((snag, n) => {
      const { title, sentence } = sayingOf(snag);
      const path = sheetOf(snag.rule, snag.place);
      return { id: `snag ${n}`, label: `Snag ${snag.rule}, ${title}: ${sentence}`, path, place: snag.place };
    }),
  ];
}
