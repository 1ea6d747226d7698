import { cameText, type Expected } from '../expected.ts';
import { keyWords } from './keys.ts';

const verbs = { types: 'types', presses: 'presses', releases: 'lets go of' } as const;

export const typist: Expected<'typist'> = {
  fresh: (outputId) => ({ kind: 'typist', outputId, what: 'types', text: '' }),
  wanted: ({ what, text }, name) => {
    const said = what === 'types' ? `“${text}”` : keyWords(text);
    return `${name} ${verbs[what]} ${text === '' ? 'anything' : said}`;
  },
  came: cameText,
};
