import type { SnagRule } from '../gadget/index.ts';

/** A word that is kept and that nothing realises. */
export const G01: SnagRule = {
  id: 'G01',
  check: ({ brief }) =>
    brief.words
      .filter(({ fate, links }) => fate === 'keep' && links.length === 0)
      .map(({ id, text }) => ({
        rule: 'G01',
        level: 'note',
        place: { kind: 'word', id },
        values: { word: text },
        mend: { key: 'wordLater', edit: { name: 'changeWord', args: [id, { fate: 'later' }] } },
      })),
};
