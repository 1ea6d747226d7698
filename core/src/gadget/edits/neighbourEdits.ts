import { produce } from 'immer';
import type { Gadget } from '../gadget.schema.ts';
import { nextId } from '../ids.ts';
import type { Neighbour } from '../neighbours.schema.ts';
import { drop, findIn } from './help.ts';

/** Equipment that stands beside the gadget. */
export const neighbourEdits = {
  addNeighbour: (gadget: Gadget, neighbour: Omit<Neighbour, 'id'>) =>
    produce(
      gadget,
      (draft) =>
        void draft.neighbours.push({ ...structuredClone(neighbour), id: nextId(gadget, 'neighbour') }),
    ),
  changeNeighbour: (gadget: Gadget, id: string, patch: Partial<Omit<Neighbour, 'id'>>) =>
    produce(
      gadget,
      (draft) => void Object.assign(findIn(draft.neighbours, id, 'neighbour'), structuredClone(patch)),
    ),
  removeNeighbour: (gadget: Gadget, id: string) =>
    produce(gadget, (draft) => {
      findIn(draft.neighbours, id, 'neighbour');
      drop(draft.neighbours, (one) => one.id === id);
    }),
};
