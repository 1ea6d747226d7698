import type { Gadget, Neighbour, Snag, SnagRule } from '../gadget/index.ts';
import { isOn, standingAt, toldTo, waitedFor, type Used } from './chain.ts';

/** The first of these whose channel is right, and that nobody on it takes; what those on it take instead. */
function misfit(used: readonly Used[], there: readonly Neighbour[]) {
  for (const one of used) {
    const on = there.filter((neighbour) => isOn(neighbour, one.channel));
    // A channel that nobody is on is told as M03.
    if (on.length === 0 || on.some(({ kinds }) => kinds.includes(one.kind))) continue;
    // Controllers that are not taken spoil nothing.
    if (one.kind === 'controls') continue;
    return { one, on };
  }
  return null;
}

function snagOf(way: 'in' | 'out', name: string, found: NonNullable<ReturnType<typeof misfit>>): Snag {
  const { one, on } = found;
  return {
    rule: 'M05',
    level: 'likely',
    place: one.place,
    values: {
      way,
      name,
      state: one.name,
      channel: one.channel,
      kind: one.kind,
      neighbour: on[0]!.name,
      takes: [...new Set(on.flatMap(({ kinds }) => kinds))].join(' '),
    },
  };
}

/** Program changes go where notes are needed, or the reverse. Only of equipment that the maker has named. */
export const M05: SnagRule = {
  id: 'M05',
  check(gadget: Gadget): Snag[] {
    const out = gadget.outputs.flatMap(({ id, name, kind }): Snag[] => {
      const found = kind === 'midi' ? misfit(toldTo(gadget, id), standingAt(gadget, id)) : null;
      return found ? [snagOf('out', name, found)] : [];
    });
    const found = misfit(waitedFor(gadget), standingAt(gadget, null));
    return found ? [...out, snagOf('in', '', found)] : out;
  },
};
