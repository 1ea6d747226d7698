import type { Gadget, Neighbour, Snag, SnagRule } from '../gadget/index.ts';
import { isOn, toldTo, waitedFor, type Used } from './chain.ts';

/** Channels of what stands there, as they are said: `2, 10`. */
const channelsOf = (neighbours: readonly Neighbour[]): string =>
  [...new Set(neighbours.flatMap(({ channels }) => channels))].sort((a, b) => a - b).join(', ');

/** The first of these that nobody there is on the channel of; how many channels are such. */
function missed(used: readonly Used[], there: readonly Neighbour[]) {
  const all = used.filter(({ channel }) => !there.some((one) => isOn(one, channel)));
  return { first: all[0], channels: new Set(all.map(({ channel }) => channel)).size };
}

/** Messages go out on a channel that nothing at the other end hears. */
const sent = (gadget: Gadget): Snag[] =>
  gadget.outputs.flatMap(({ id, name, kind }): Snag[] => {
    const there = gadget.neighbours.filter(({ outputId }) => outputId === id);
    if (kind !== 'midi' || there.length === 0) return [];
    const { first, channels } = missed(toldTo(gadget, id), there);
    if (!first) return [];
    const values = { way: 'out', name, state: first.name, channel: first.channel, channels };
    const heard = { neighbours: there.length, neighbour: there[0]!.name, hears: channelsOf(there) };
    return [{ rule: 'M03', level: 'likely', place: first.place, values: { ...values, ...heard } }];
  });

/** Rules wait for a channel on which nothing sends. */
function heard(gadget: Gadget): Snag[] {
  const there = gadget.neighbours.filter(({ outputId }) => outputId === null);
  if (there.length === 0) return [];
  const { first, channels } = missed(waitedFor(gadget), there);
  if (!first) return [];
  const values = { way: 'in', name: '', state: first.name, channel: first.channel, channels };
  const sends = { neighbours: there.length, neighbour: there[0]!.name, hears: channelsOf(there) };
  return [{ rule: 'M03', level: 'likely', place: first.place, values: { ...values, ...sends } }];
}

/** Channels differ between who sends and who hears. Only of equipment that the maker has named. */
export const M03: SnagRule = {
  id: 'M03',
  check: (gadget) => [...sent(gadget), ...heard(gadget)],
};
