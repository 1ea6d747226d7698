import type { Gadget } from './gadget.schema.ts';

/** Prefix of the ids of each kind of thing. */
export const idPrefix = {
  word: 'w',
  task: 't',
  control: 'b',
  output: 'o',
  part: 'p',
  keySet: 'k',
  chord: 'c',
  capture: 'x',
  code: 'd',
  variable: 'v',
  state: 's',
  rule: 'r',
  option: 'q',
  signal: 'g',
  timer: 'm',
  layer: 'y',
  page: 'n',
  picture: 'f',
  font: 'z',
  menu: 'u',
  menuItem: 'i',
  tune: 'a',
  effect: 'e',
  neighbour: 'l',
  voice: 'h',
} as const;

/**
 * The next free id with this prefix: one more than the highest in use. Pure, so that the same edit on the same
 * document always gives the same document.
 */
export const nextId = (gadget: Gadget, kind: keyof typeof idPrefix): string => nextIds(gadget, kind, 1)[0]!;

/** The next free ids with this prefix, so many of them. */
export function nextIds(gadget: Gadget, kind: keyof typeof idPrefix, howMany: number): string[] {
  const prefix = idPrefix[kind];
  const { brief, controls, chords, captures, outputs, pages, pictures, fonts } = gadget;
  const { effects, tunes, neighbours, menus, parts, wiring, flow } = gadget;
  const records = [
    ...brief.words,
    ...brief.tasks,
    ...controls,
    ...controls.flatMap((control) => (control.kind === 'codes' ? control.codes : [])),
    ...chords,
    ...captures,
    ...outputs,
    ...pages,
    ...pictures,
    ...fonts,
    ...effects,
    ...neighbours,
    ...tunes,
    ...tunes.flatMap(({ voices }) => voices),
    ...menus,
    ...menus.flatMap(({ items }) => items),
    ...parts,
    ...wiring.sets,
    ...flow.variables,
    ...flow.variables.flatMap((variable) => (variable.kind === 'choice' ? variable.options : [])),
    ...flow.signals,
    ...flow.timers,
    ...flow.layers,
    ...flow.states,
  ];
  const ids = [
    ...records.map(({ id }) => id),
    ...flow.states.flatMap(({ rules }) => rules.map(({ id }) => id)),
  ];
  // What a menu came to, once opened out, keeps the menu's own number taken.
  const pattern = new RegExp(`^${prefix}(\\d{1,9})(?:[a-z_]\\w*)?$`);
  const highest = ids.reduce((most, id) => Math.max(most, Number(pattern.exec(id)?.[1] ?? 0)), 0);
  return Array.from({ length: howMany }, (_, n) => `${prefix}${highest + 1 + n}`);
}
