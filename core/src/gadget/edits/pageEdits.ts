import { produce, type Draft } from 'immer';
import type { Gadget } from '../gadget.schema.ts';
import { nextId } from '../ids.ts';
import type { OutputAction } from '../outputs.schema.ts';
import type { Page } from '../pages.schema.ts';
import { dropPages, dropShown, EditRefused, findIn, moveAt, moveBy } from './help.ts';

const elementsOf = (draft: Draft<Gadget>, pageId: string): Page['elements'] =>
  findIn(draft.pages as Page[], pageId, 'page').elements;

/** The elements of a page, of which there is one at that place. */
function elementsAt(draft: Draft<Gadget>, pageId: string, at: number): Page['elements'] {
  const elements = elementsOf(draft, pageId);
  if (!(at in elements)) throw new EditRefused(`There is no element ${at + 1} on that page any more.`);
  return elements;
}

/** What displays show, page by page. */
export const pageEdits = {
  addPage: (gadget: Gadget, outputId: string, name: string, elements: Page['elements'] = []) =>
    produce(
      gadget,
      (draft) =>
        void draft.pages.push({ id: nextId(gadget, 'page'), name, outputId, over: null, elements } as Page),
    ),
  renamePage: (gadget: Gadget, id: string, name: string) =>
    produce(gadget, (draft) => void (findIn(draft.pages, id, 'page').name = name)),
  /** Whether it lies over others, and when; nothing shows it as a page then. */
  layPageOver: (gadget: Gadget, id: string, over: string | null) =>
    produce(gadget, (draft) => {
      const page = findIn(draft.pages, id, 'page');
      page.over = over;
      if (over !== null) dropShown(draft, new Set([id]));
    }),
  /** Among the pages of its display: the first of them is the one that it begins with. */
  movePage: (gadget: Gadget, id: string, by: number) =>
    produce(gadget, (draft) => {
      const { outputId } = findIn(draft.pages, id, 'page');
      const own = draft.pages.filter((page) => page.outputId === outputId);
      moveBy(own, id, by, 'page');
      draft.pages = draft.pages.map((page) => (page.outputId === outputId ? own.shift()! : page));
    }),
  /** Takes along what shows it. */
  removePage: (gadget: Gadget, id: string) =>
    produce(gadget, (draft) => {
      findIn(draft.pages, id, 'page');
      dropPages(draft, (page) => page.id === id);
    }),
  /** Over all that is there. */
  addElement: (gadget: Gadget, pageId: string, element: OutputAction) =>
    produce(gadget, (draft) => void elementsOf(draft, pageId).push(element)),
  changeElement: (gadget: Gadget, pageId: string, at: number, element: OutputAction) =>
    produce(gadget, (draft) => void (elementsAt(draft, pageId, at)[at] = element)),
  /** Later is drawn over earlier. */
  moveElement: (gadget: Gadget, pageId: string, at: number, by: number) =>
    produce(gadget, (draft) => moveAt(elementsAt(draft, pageId, at), at, by)),
  removeElement: (gadget: Gadget, pageId: string, at: number) =>
    produce(gadget, (draft) => void elementsAt(draft, pageId, at).splice(at, 1)),
};
