import { produce } from 'immer';
import type { Fate, Photo, Task, Wishes, Word } from '../brief.schema.ts';
import type { Gadget } from '../gadget.schema.ts';
import { nextId } from '../ids.ts';
import { drop, findIn, moveBy, unlink, type Patch } from './help.ts';

export const briefEdits = {
  renameGadget: (gadget: Gadget, name: string) => ({ ...gadget, name }),
  setPurpose: (gadget: Gadget, purpose: string) => ({ ...gadget, brief: { ...gadget.brief, purpose } }),
  setPicture: (gadget: Gadget, picture: Photo | null) => ({
    ...gadget,
    brief: { ...gadget.brief, picture },
  }),
  setWishes: (gadget: Gadget, patch: Partial<Wishes>) => ({
    ...gadget,
    brief: { ...gadget.brief, wishes: { ...gadget.brief.wishes, ...patch } },
  }),
  setLoopPeriod: (gadget: Gadget, periodUs: number) => ({ ...gadget, loop: { ...gadget.loop, periodUs } }),

  addWord: (gadget: Gadget, text: string, fate: Fate) =>
    produce(gadget, (draft) => {
      draft.brief.words.push({ id: nextId(gadget, 'word'), text, spec: null, fate, reason: '', links: [] });
    }),
  changeWord: (gadget: Gadget, id: string, patch: Patch<Word>) =>
    produce(gadget, (draft) => void Object.assign(findIn(draft.brief.words, id, 'word'), patch)),
  /** Gives the word that fate and sets it before another word of the same fate, or last. */
  placeWord: (gadget: Gadget, id: string, fate: Fate, beforeId: string | null) =>
    produce(gadget, ({ brief: { words } }) => {
      const word = findIn(words, id, 'word');
      word.fate = fate;
      if (beforeId === id) return;
      words.splice(words.indexOf(word), 1);
      words.splice(
        beforeId === null ? words.length : words.indexOf(findIn(words, beforeId, 'word')),
        0,
        word,
      );
    }),
  removeWord: (gadget: Gadget, id: string) =>
    produce(gadget, (draft) => drop(draft.brief.words, (word) => word.id === id)),

  addTask: (gadget: Gadget, task: Omit<Task, 'id'>) =>
    produce(gadget, (draft) => void draft.brief.tasks.push({ ...task, id: nextId(gadget, 'task') })),
  changeTask: (gadget: Gadget, id: string, patch: Patch<Task>) =>
    produce(gadget, (draft) => void Object.assign(findIn(draft.brief.tasks, id, 'task'), patch)),
  moveTask: (gadget: Gadget, id: string, by: number) =>
    produce(gadget, (draft) => moveBy(draft.brief.tasks, id, by, 'task')),
  removeTask: (gadget: Gadget, id: string) =>
    produce(gadget, (draft) => {
      drop(draft.brief.tasks, (task) => task.id === id);
      unlink(draft, id);
    }),
};
