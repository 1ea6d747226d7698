import { placedActions, type Gadget, type Place, type Snag, type SnagRule } from '../gadget/index.ts';
import { elementsOf } from './elements.ts';
import { fonts, lackingIn } from './fonts.ts';
import { marksOf } from './onCells.ts';
import { stockOf } from './stock.ts';
import { lackingOn } from './cells/index.ts';
import { cellFont } from './render.ts';
import { digitsOf, fixedOf, fixedPieces } from './said.ts';

interface Shown {
  /** In which font; null: in the shapes that the display itself has, of dots or segments. */
  font: string | null;
  cells: string;
  display: string;
  lacking: readonly string[];
  place: Place;
}

/** Everything that is written on displays. */
function shownOn(gadget: Gadget): Shown[] {
  const stock = stockOf(gadget);
  const onPages = elementsOf(gadget).flatMap(({ element, page, screen }): Shown[] => {
    const place = { kind: 'page', id: page.id } as const;
    const display = screen.name;
    if (screen.kind === 'text') {
      const said = 'font' in element ? fixedOf(element, gadget) + digitsOf(element) : '';
      const lacking = lackingOn(screen, said + marksOf(element));
      return [{ font: null, cells: screen.cells, display, lacking, place }];
    }
    if (!('font' in element)) return [];
    const font = stock.fontName(element.font);
    const lacking = lackingIn(fixedOf(element, gadget) + digitsOf(element), stock.font(element.font));
    return [{ font, cells: '', display, lacking, place }];
  });
  const inCells = placedActions(gadget.flow).flatMap(({ actions, place }) =>
    actions.flatMap((action): Shown[] => {
      if (action.kind !== 'text' && action.kind !== 'sprite' && action.kind !== 'listRow') return [];
      const screen = gadget.outputs.find(({ id }) => id === action.outputId);
      const text = action.kind === 'listRow' ? action.glyphs : fixedPieces(action.text);
      const display = screen?.name ?? '';
      if (screen?.kind === 'text')
        return [{ font: null, cells: screen.cells, display, lacking: lackingOn(screen, text), place }];
      if (screen?.kind !== 'screen') return [];
      const font = cellFont(screen);
      return [{ font, cells: '', display, lacking: lackingIn(text, fonts[font]), place }];
    }),
  );
  return [...onPages, ...inCells];
}

/** A character that the font or the display does not have a shape for. Told once for each display and font. */
export const S04: SnagRule = {
  id: 'S04',
  check(gadget): Snag[] {
    const told = new Set<string>();
    return shownOn(gadget).flatMap(({ lacking: all, font, cells, display, place }): Snag[] => {
      const lacking = all.filter((character) => !told.has(`${display} ${font} ${character}`));
      if (lacking.length === 0) return [];
      for (const character of lacking) told.add(`${display} ${font} ${character}`);
      return [
        {
          rule: 'S04',
          level: 'likely',
          place,
          values: { characters: lacking.join(' '), count: lacking.length, font: font ?? '', cells, display },
        },
      ];
    });
  },
};
