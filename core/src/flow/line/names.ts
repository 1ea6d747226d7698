import { keySetsOf, type Gadget } from '../../gadget/index.ts';
import { plainLabels, stateLabels } from '../labels.ts';

/** What a line can name, each kind by the labels that tell its members apart. */
export interface Names {
  gadget: Gadget;
  controls: ReadonlyMap<string, string>;
  outputs: ReadonlyMap<string, string>;
  chords: ReadonlyMap<string, string>;
  sets: ReadonlyMap<string, string>;
  codes: ReadonlyMap<string, string>;
  signals: ReadonlyMap<string, string>;
  timers: ReadonlyMap<string, string>;
  states: ReadonlyMap<string, string>;
  variables: ReadonlyMap<string, string>;
  pages: ReadonlyMap<string, string>;
  pictures: ReadonlyMap<string, string>;
  effects: ReadonlyMap<string, string>;
  tunes: ReadonlyMap<string, string>;
}
export type NameKind = Exclude<keyof Names, 'gadget'>;

/** Names of documents that lines were read or shown for: thousands of lines come for one document, which never changes. */
const known = new WeakMap<Gadget, Names>();

export function namesOf(gadget: Gadget): Names {
  const names = known.get(gadget) ?? gather(gadget);
  known.set(gadget, names);
  return names;
}

function gather(gadget: Gadget): Names {
  const { controls, outputs, chords, pages, pictures, effects, tunes, flow } = gadget;
  return {
    gadget,
    controls: plainLabels(controls),
    outputs: plainLabels(outputs),
    chords: plainLabels(chords),
    sets: plainLabels(keySetsOf(gadget)),
    codes: plainLabels(controls.flatMap((one) => (one.kind === 'codes' ? one.codes : []))),
    signals: plainLabels(flow.signals),
    timers: plainLabels(flow.timers),
    states: stateLabels(gadget),
    variables: plainLabels(flow.variables),
    pages: plainLabels(pages),
    pictures: plainLabels(pictures),
    effects: plainLabels(effects),
    tunes: plainLabels(tunes),
  };
}

/** What each kind is called where one was expected. */
export const kindWords: Record<NameKind, string> = {
  controls: 'a control',
  outputs: 'an output',
  chords: 'keys together',
  sets: 'a set of keys',
  codes: 'a code',
  signals: 'a signal',
  timers: 'a timer',
  states: 'a state',
  variables: 'a variable',
  pages: 'a page',
  pictures: 'a picture',
  effects: 'an effect',
  tunes: 'a tune',
};
