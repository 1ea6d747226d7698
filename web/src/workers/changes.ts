import type { Machine, Shown } from '@hum-lever/core';

/** What is seen of a machine: what it shows, and where its controls are. */
export interface Seen {
  shown: Readonly<Shown>;
  places: Readonly<Record<string, number>>;
}

/** What of it is another than was told before; by id. */
export interface SeenChange {
  /** It is all of it: what is not named is there no more. */
  whole: boolean;
  /** null: as before. */
  stateIds: string[] | null;
  variables: Shown['variables'];
  outputs: Shown['outputs'];
  places: Record<string, number>;
}

/** As it is now, to be compared with later: what a machine shows changes as time goes on, its pieces never do. */
export const seenOf = ({ shown, places }: Pick<Machine, 'shown' | 'places'>): Seen => ({
  shown: { stateIds: shown.stateIds, variables: { ...shown.variables }, outputs: { ...shown.outputs } },
  places,
});

const changed = <T>(before: Readonly<Record<string, T>>, now: Readonly<Record<string, T>>) =>
  Object.fromEntries(Object.entries(now).filter(([id, one]) => before[id] !== one));
const sameIds = (before: object, now: object) => Object.keys(before).join(' ') === Object.keys(now).join(' ');

/** @param before what was told; null: nothing yet */
export function changeOf(before: Seen | null, now: Seen): SeenChange {
  const { stateIds, variables, outputs } = now.shown;
  const same =
    before !== null &&
    sameIds(before.shown.variables, variables) &&
    sameIds(before.shown.outputs, outputs) &&
    sameIds(before.places, now.places);
  if (!same) return { whole: true, stateIds: [...stateIds], variables, outputs, places: { ...now.places } };
  return {
    whole: false,
    stateIds: before.shown.stateIds === stateIds ? null : [...stateIds],
    variables: changed(before.shown.variables, variables),
    outputs: changed(before.shown.outputs, outputs),
    places: changed(before.places, now.places),
  };
}

/** What is seen after a change; what it does not name stays the very same. */
export function withChange(before: Seen | null, { whole, ...change }: SeenChange): Seen {
  const was = whole ? null : before;
  return {
    shown: {
      stateIds: change.stateIds ?? was?.shown.stateIds ?? [],
      variables: { ...was?.shown.variables, ...change.variables },
      outputs: { ...was?.shown.outputs, ...change.outputs },
    },
    places: { ...was?.places, ...change.places },
  };
}
