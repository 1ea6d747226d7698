import { showMessage } from '../../shared/units.ts';
import type { ToldBy } from '../told.ts';

export const midi: ToldBy<'midi'> = {
  midi: {
    say: ({ bytes }, name) => `${name} sent ${showMessage(bytes)}.`,
    strip: ({ bytes }) => bytes.map((byte) => byte.toString(16)).join(' '),
  },
};
