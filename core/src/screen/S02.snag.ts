import type { Snag, SnagRule } from '../gadget/index.ts';
import { displayBus } from '../parts/index.ts';
import { mostUs } from './tiles.ts';

/**
 * A picture takes longer over the bus than the time that it has, so that there are fewer of them; or the loop waits so
 * long for each that a press can come and go unread. Source: reckoning, Buses and screens; Polling.
 */
export const S02: SnagRule = {
  id: 'S02',
  check(gadget): Snag[] {
    const { shortestPressUs } = gadget.hands;
    return gadget.outputs.flatMap((output): Snag[] => {
      if (output.kind !== 'screen' || output.sends === 'free') return [];
      const bus = displayBus(gadget, output.id);
      const { id, name, mostHz, sends, update } = output;
      const us = bus && mostUs(bus, output, update);
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
