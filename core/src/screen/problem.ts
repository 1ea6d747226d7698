import { compileFlow } from '../flow/index.ts';
import type { Gadget, Page } from '../gadget/index.ts';

/** Why an element would not be drawn on that page: something that it says cannot be read there; null: it can. */
export function elementProblem(
  gadget: Gadget,
  pageId: string,
  element: Page['elements'][number],
): string | null {
  const alone = {
    ...gadget,
    pages: gadget.pages.map((page) =>
      page.id === pageId ? { ...page, over: null, elements: [element] } : page,
    ),
  };
  const { problems } = compileFlow(alone);
  return problems.find(({ place }) => place.kind === 'page' && place.id === pageId)?.message ?? null;
}
