import type { Snag, SnagRule } from '../../gadget/index.ts';
import { storedSounds, tuneMemory, tunesPerformed } from '../../notes/index.ts';
import { gaugesOf, soundsBytes, tunesBytes } from '../bill.ts';
import { boardOf } from '../boards.ts';

/**
 * Tunes and sounds, with fonts, pictures and tables, are more than the board has for programs. What the program itself
 * takes is not counted: it comes to that.
 */
export const N06: SnagRule = {
  id: 'N06',
  check(gadget): Snag[] {
    const board = boardOf(gadget);
    if (!board) return [];
    const tunes = tunesPerformed(gadget);
    const sounds = storedSounds(gadget, board.clockHz);
    if (tunes.length + sounds.length === 0) return [];
    const { used } = gaugesOf(gadget, board).find(({ id }) => id === 'flash')!;
    if (used <= board.flashBytes) return [];
    const { place, name, bytes } = [
      ...tunes.map((tune) => ({
        place: { kind: 'tune', id: tune.id } as const,
        name: tune.name,
        bytes: tuneMemory(tune).bytes,
      })),
      ...sounds.map((sound) => ({ ...sound, place: { kind: 'output', id: sound.output.id } as const })),
    ].reduce((a, b) => (b.bytes > a.bytes ? b : a));
    return [
      {
        rule: 'N06',
        level: 'stop',
        place,
        values: {
          name,
          bytes,
          tunes: tunes.length,
          tunesBytes: tunesBytes(gadget),
          sounds: sounds.length,
          soundsBytes: soundsBytes(gadget, board),
          used,
          of: board.flashBytes,
          board: board.name,
        },
      },
    ];
  },
};
