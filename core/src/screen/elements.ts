import type { Gadget, OutputActionOf, Page, Screen, TextDisplay } from '../gadget/index.ts';

/** What stands on a page, as the document has it. */
export type ElementKind =
  | 'drawText'
  | 'drawNumber'
  | 'drawWord'
  | 'drawList'
  | 'drawRunning'
  | 'drawLegends'
  | 'drawPlot'
  | 'drawDial'
  | 'drawWave'
  | 'drawBar'
  | 'drawPicture'
  | 'drawBox'
  | 'drawLine';
export type Element = OutputActionOf<ElementKind>;

export interface PlacedElement {
  element: Element;
  page: Page;
  screen: Screen | TextDisplay;
}

/** The page that a display begins with: the first that lies over no other; null: it has none. */
export const firstPage = ({ pages }: Pick<Gadget, 'pages'>, screenId: string): string | null =>
  pages.find(({ outputId, over }) => outputId === screenId && over === null)?.id ?? null;

/** Every element of every page with its display, in the order of the document. */
export const elementsOf = (gadget: Pick<Gadget, 'pages' | 'outputs'>): PlacedElement[] =>
  gadget.pages.flatMap((page) => {
    const screen = gadget.outputs.find(({ id }) => id === page.outputId);
    if (screen?.kind !== 'screen' && screen?.kind !== 'text') return [];
    return page.elements.map((element) => ({ element: element as Element, page, screen }));
  });
