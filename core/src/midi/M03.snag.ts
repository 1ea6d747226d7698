import type { Neighbour, Snag, SnagRule } from '../gadget/index.ts';
import { isOn, standingAt, toldTo, waitedFor, type Used } from './chain.ts';

/** Channels of what stands there, as they are said: `2, 10`. */
const channelsOf = (neighbours: readonly Neighbour[]): string =>
  [...new Set(neighbours.flatMap(({ channels }) => channels))].sort((a, b) => a - b).join(', ');

/** What is used on a channel that nobody there is on; told once, with how many channels are such. */
function missed(way: 'in' | 'out', name: string, used: readonly Used[], there: readonly Neighbour[]): Snag[] {
  const all = used.filter(({ channel }) => !there.some((one) => isOn(one, channel)));
  const [first] = all;
  const [neighbour] = there;
  // Of what nobody has named nothing is claimed.
  if (!first || !neighbour) return [];
  return [
    {
      rule: 'M03',
      level: 'likely',
      place: first.place,
      values: {
        way,
        name,
        state: first.name,
        channel: first.channel,
        channels: new Set(all.map(({ channel }) => channel)).size,
        neighbours: there.length,
        neighbour: neighbour.name,
        hears: channelsOf(there),
      },
    },
  ];
}

/** Channels differ between who sends and who hears. Only of equipment that the maker has named. */
export const M03: SnagRule = {
  id: 'M03',
  check: (gadget) => [
    ...gadget.outputs.flatMap(({ id, name, kind }) =>
      kind === 'midi' ? missed('out', name, toldTo(gadget, id), standingAt(gadget, id)) : [],
    ),
    ...missed('in', '', waitedFor(gadget), standingAt(gadget, null)),
  ],
};
