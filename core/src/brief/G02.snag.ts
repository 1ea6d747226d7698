import type { SnagRule } from '../gadget/index.ts';

/** A part that no kept word asked for; where there are no words, nobody was asked. */
export const G02: SnagRule = {
  id: 'G02',
  check({ brief, parts }) {
    if (brief.words.length === 0) return [];
    const asked = new Set(brief.words.flatMap(({ fate, links }) => (fate === 'keep' ? links : [])));
    return parts
      .filter(({ id, plays }) => !asked.has(id) && !plays.some((end) => asked.has(end)))
      .map(({ id, name }) => ({ rule: 'G02', level: 'note', place: { kind: 'part', id }, values: { name } }));
  },
};
