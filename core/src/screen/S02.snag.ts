import type { Gadget, Screen, Snag, SnagRule, TextDisplay } from '../gadget/index.ts';
import { displayBus, displayCells } from '../parts/index.ts';
import { cellsUs } from './onCells.ts';
import { mostUs } from './tiles.ts';

/** The longest that a picture takes over the bus of a display; null: it is not known. */
function longestUs(gadget: Gadget, output: Screen | TextDisplay): number | null {
  if (output.kind === 'screen') {
    const bus = displayBus(gadget, output.id);
    return bus && mostUs(bus, output, output.update);
  }
  const bus = displayCells(gadget, output.id);
  return bus && cellsUs(bus, output);
}

/**
 * A picture takes longer over the bus than the time that it has, so that there are fewer of them; or the loop waits so
 * long for each that a press can come and go unread. Source: reckoning, Buses and screens; Polling.
 */
export const S02: SnagRule = {
  id: 'S02',
  check(gadget): Snag[] {
    const { shortestPressUs } = gadget.hands;
    return gadget.outputs.flatMap((output): Snag[] => {
      if ((output.kind !== 'screen' && output.kind !== 'text') || output.sends === 'free') return [];
      const { id, name, mostHz, sends, update } = output;
      const us = longestUs(gadget, output);
      if (us === null || us === 0) return [];
      const common = { rule: 'S02', level: 'likely', place: { kind: 'output', id } } as const;
      const values = {
        display: name,
        update: update === 'changed' ? update : 'whole',
        pictureUs: us,
        mostHz,
        shortestPressUs,
      };
      const blocks = sends === 'blocking' && us > shortestPressUs && gadget.controls.length > 0;
      if (blocks) return [{ ...common, values: { ...values, reason: 'press' } }];
      // Few pictures are all new: how many there can be hangs on what they show.
      if (update === 'changed') return [];
      const possible = Math.floor(1_000_000 / us);
      if (possible >= mostHz) return [];
      return [
        {
          ...common,
          level: 'note',
          values: { ...values, reason: 'rate', possible },
          ...(possible >= 1 && {
            mend: {
              key: 'fewerPictures',
              edit: { name: 'changeOutput', args: [id, { mostHz: possible }] },
              values: { hz: possible },
            },
          }),
        },
      ];
    });
  },
};
