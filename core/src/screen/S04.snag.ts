import { placedActions, type Gadget, type Place, type Snag, type SnagRule } from '../gadget/index.ts';
import { elementsOf, type Element } from './elements.ts';
import { lackingIn, type FontName } from './fonts.ts';
import { cellFont } from './render.ts';

interface Shown {
  text: string;
  font: FontName;
  display: string;
  place: Place;
}

/** What is written as it stands, between gaps that are filled. */
const fixedPieces = (template: string): string => template.replace(/\{[^{}]*\}/g, '');

/** What an element says by itself: texts of a list as they begin. */
function fixedOf(element: Extract<Element, { font: FontName }>, gadget: Gadget): string {
  switch (element.kind) {
    case 'drawText':
      return fixedPieces(element.text);
    case 'drawNumber':
      return element.unit;
    case 'drawWord':
      return element.words.join('');
    case 'drawList': {
      const list = gadget.flow.variables.find(({ id }) => id === element.variableId);
      return list?.kind === 'texts' ? list.initials.join('') : '';
    }
  }
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
