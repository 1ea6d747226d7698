import type { ToldBy } from '../told.ts';

export const typist: ToldBy<'typed'> = {
  typed: { say: ({ text }, name) => `${name} typed “${text}”.`, strip: ({ text }) => text },
};
