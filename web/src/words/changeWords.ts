import type { Change, ChangedKind } from '@hum-lever/core';

const nouns: Record<ChangedKind, string> = {
  state: 'state',
  rule: 'a rule of',
  variable: 'variable',
  signal: 'signal',
  timer: 'timer',
  layer: 'layer',
  part: '',
  control: '',
  output: '',
  page: 'page',
  picture: 'picture',
  font: 'font',
  neighbour: 'neighbour',
  effect: 'effect',
  tune: 'tune',
  menu: 'menu',
  item: 'item',
  chord: 'keys together',
  capture: 'capture',
  task: 'task',
  word: 'the word',
  board: 'the board',
  pins: 'wiring',
  name: 'its name',
  purpose: 'its purpose',
  settings: 'settings',
};
const verbs: Record<Change['how'], string> = { added: 'new', removed: 'gone', changed: 'changed' };

/** The last changes in a line: “new: Stir, state Ready; changed: wiring; and 4 more”. Empty: none is known. */
export function changeWords(changes: readonly Change[], more: number): string {
  const told = (['added', 'removed', 'changed'] as const).flatMap((how) => {
    const names = changes
      .filter((one) => one.how === how)
      .map(({ what, name }) => `${nouns[what]} ${name}`.trim());
    return names.length === 0 ? [] : [`${verbs[how]}: ${[...new Set(names)].join(', ')}`];
  });
  return [...told, ...(more > 0 ? [`and ${more} more`] : [])].join('; ');
}
