import { placedActions, type Gadget, type Place, type Snag, type SnagRule } from '../gadget/index.ts';
import { elementsOf } from './elements.ts';
import { lackingIn, type FontName } from './fonts.ts';
import { cellFont } from './render.ts';
import { fixedOf, fixedPieces } from './said.ts';

interface Shown {
  text: string;
  font: FontName;
  display: string;
  place: Place;
}

/** Everything that is written on displays of pixels. */
function shownOn(gadget: Gadget): Shown[] {
  const onPages = elementsOf(gadget).flatMap(({ element, page, screen }): Shown[] => {
    if (!('font' in element)) return [];
    return [
      {
        text: fixedOf(element, gadget),
        font: element.font,
        display: screen.name,
        place: { kind: 'page', id: page.id },
      },
    ];
  });
  const inCells = placedActions(gadget.flow).flatMap(({ actions, place }) =>
    actions.flatMap((action): Shown[] => {
      if (action.kind !== 'text' && action.kind !== 'sprite' && action.kind !== 'listRow') return [];
      const screen = gadget.outputs.find(({ id }) => id === action.outputId);
      if (screen?.kind !== 'screen') return [];
      const text = action.kind === 'listRow' ? action.glyphs : fixedPieces(action.text);
      return [{ text, font: cellFont(screen), display: screen.name, place }];
    }),
  );
  return [...onPages, ...inCells];
}

/** A character that the font does not have: a frame stands in its place. Told once for each display and font. */
export const S04: SnagRule = {
  id: 'S04',
  check(gadget): Snag[] {
    const told = new Set<string>();
    return shownOn(gadget).flatMap(({ text, font, display, place }): Snag[] => {
      const lacking = lackingIn(text, font).filter(
        (character) => !told.has(`${display} ${font} ${character}`),
      );
      if (lacking.length === 0) return [];
      for (const character of lacking) told.add(`${display} ${font} ${character}`);
      return [
        {
          rule: 'S04',
          level: 'likely',
          place,
          values: { characters: lacking.join(' '), count: lacking.length, font, display },
        },
      ];
    });
  },
};
