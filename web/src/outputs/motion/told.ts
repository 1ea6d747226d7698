import type { ToldBy } from '../told.ts';

export const moved: ToldBy<'motion'> = {
  motion: { say: ({ value }, name) => `${name} went to ${value}.`, strip: ({ value }) => String(value) },
};
