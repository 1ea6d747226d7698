import { partOf, type Edit, type Part, type Snag, type SnagRule } from '../../gadget/index.ts';
import { displayBus, figuresOf, kindOf } from '../../parts/index.ts';
import { gaugesOf } from '../bill.ts';
import { boardOf } from '../boards.ts';

/** Where it is drawn a tile at a time, and that has room: the same, mended so. */
function byTiles(part: Part, free: number): Pick<Snag, 'mend'> {
  const bytes = kindOf(part).bus?.({ ...figuresOf(part), buffer: 1 }).bufferBytes;
  if (part.own !== null || bytes === undefined || bytes > free) return {};
  const edit: Edit = { name: 'fitPart', args: [part.id, { ...part.figures, buffer: 1 }, []] };
  return { mend: { key: 'byTiles', edit, values: { bytes } } };
}

/**
 * The picture of a display is made in the memory of the chip, and does not go into what is left there. Values and what
 * parts take are counted, the program's own stack is not. Displays are counted in the order of the gadget; the first
 * one that has no room is told, those before it have theirs.
 */
export const S03: SnagRule = {
  id: 'S03',
  check(gadget): Snag[] {
    const board = boardOf(gadget);
    const memory = board && gaugesOf(gadget, board).find(({ id }) => id === 'ram');
    if (!board || !memory) return [];
    const buffers = gadget.outputs.flatMap(({ id, name, kind }) => {
      const part = partOf(gadget, id);
      const bytes = kind === 'screen' ? displayBus(gadget, id)?.bufferBytes : undefined;
      return part && bytes !== undefined ? [{ part, name, bytes }] : [];
    });
    let free = board.ramBytes - memory.used + buffers.reduce((sum, { bytes }) => sum + bytes, 0);
    for (const { part, name, bytes } of buffers) {
      if (bytes > free)
        return [
          {
            rule: 'S03',
            level: 'stop',
            place: { kind: 'part', id: part.id },
            values: { display: name, bytes, free: Math.max(0, free), of: board.ramBytes, board: board.name },
            ...byTiles(part, free),
          },
        ];
      free -= bytes;
    }
    return [];
  },
};
