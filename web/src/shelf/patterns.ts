import type { Gadget, Trial } from '@hum-lever/core';

/** A small gadget that works, to begin from. */
export interface Pattern {
  id: string;
  document: Gadget;
  trials: readonly Trial[];
}

// Their files stand beside the demo; tests hold them as they hold the demo.
const files = import.meta.glob<Gadget | Trial[]>('../../../patterns/*.json', {
  eager: true,
  import: 'default',
});

const ending = '.trials.json';

/** In the order of the numbers that their files begin with. */
export const patterns: readonly Pattern[] = Object.keys(files)
  .filter((path) => !path.endsWith(ending))
  .sort((a, b) => a.localeCompare(b, 'en', { numeric: true }))
  .map((path) => ({
    id: path.replace(/^.*\/\d+-|\.json$/g, ''),
    document: files[path] as Gadget,
    trials: (files[path.replace(/\.json$/, ending)] ?? []) as Trial[],
  }));
