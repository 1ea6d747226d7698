import type { Gadget, OutputActionOf, Page, Screen } from '../gadget/index.ts';

/** What stands on a page, as the document has it. */
export type ElementKind =
  'drawText' | 'drawNumber' | 'drawWord' | 'drawList' | 'drawDial' | 'drawBar' | 'drawBox' | 'drawLine';
export type Element = OutputActionOf<ElementKind>;

export interface PlacedElement {
  element: Element;
  page: Page;
  screen: Screen;
}

/** Every element of every page with its display, in the order of the document. */
export const elementsOf = (gadget: Pick<Gadget, 'pages' | 'outputs'>): PlacedElement[] =>
  gadget.pages.flatMap((page) => {
    const screen = gadget.outputs.find(({ id }) => id === page.outputId);
    if (screen?.kind !== 'screen') return [];
    return page.elements.map((element) => ({ element: element as Element, page, screen }));
  });
