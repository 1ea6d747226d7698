import type { SnagRule } from '../../gadget/index.ts';
import { boardOf } from '../boards.ts';

/** From here on it is a computer rather than a controller. */
const computerHz = 500_000_000;

/** A computer is made to take keyboards and instruments, not to be one: whether its USB can turn round is for its own sheet to say. */
export const W22: SnagRule = {
  id: 'W22',
  check(gadget) {
    const board = boardOf(gadget);
    if (!board || board.usb !== 'native' || board.clockHz < computerHz) return [];
    return gadget.parts
      .filter(({ kind }) => kind === 'usb-keyboard' || kind === 'usb-midi')
      .map(({ id, name }) => ({
        rule: 'W22',
        level: 'note',
        place: { kind: 'part', id },
        values: { name, board: board.name },
      }));
  },
};
