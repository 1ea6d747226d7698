import {
  fontNames,
  placedActions,
  type Edit,
  type Gadget,
  type Place,
  type SingleEdit,
  type Snag,
  type SnagRule,
} from '../gadget/index.ts';
import { elementsOf } from './elements.ts';
import { fonts, lackingIn, type FontName } from './fonts.ts';
import { marksOf } from './onCells.ts';
import { stockOf } from './stock.ts';
import { lackingOn } from './cells/index.ts';
import { cellFont } from './render.ts';
import { charactersOf, digitsOf, fixedOf, fixedPieces } from './said.ts';

interface Shown {
  /** In which font; null: in the shapes that the display itself has, of dots or segments. */
  font: string | null;
  cells: string;
  display: string;
  lacking: readonly string[];
  place: Place;
  /** What it is written in on the pages of that display; null: nothing that could be another. */
  written: { ref: string; displayId: string } | null;
}

/** The largest font that is no larger and has all that is written so: whatever fitted still does. null: there is none. */
function otherFont(gadget: Gadget, { ref, displayId }: NonNullable<Shown['written']>): FontName | null {
  const { widthPx, heightPx } = stockOf(gadget).font(ref);
  const said = [...charactersOf(gadget, ref, displayId)].join('');
  const able = fontNames.filter((name) => {
    const font = fonts[name];
    const isNoLarger = font.widthPx <= widthPx && font.heightPx <= heightPx;
    return name !== ref && isNoLarger && lackingIn(said, font).length === 0;
  });
  const area = (name: FontName) => fonts[name].widthPx * fonts[name].heightPx;
  return able.reduce<FontName | null>(
    (best, name) => (best === null || area(name) > area(best) ? name : best),
    null,
  );
}

/** All that is written in a font on the pages of a display, in another. */
function rewritten(
  { pages }: Gadget,
  { ref, displayId }: NonNullable<Shown['written']>,
  font: FontName,
): Edit {
  const edits = pages
    .filter(({ outputId }) => outputId === displayId)
    .flatMap(({ id, elements }) =>
      elements.flatMap((element, at): SingleEdit[] =>
        'font' in element && element.font === ref
          ? [{ name: 'changeElement', args: [id, at, { ...element, font }] }]
          : [],
      ),
    );
  return { name: 'several', args: [edits] };
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
      return [{ font: null, cells: screen.cells, display, lacking, place, written: null }];
    }
    if (!('font' in element)) return [];
    const font = stock.fontName(element.font);
    const lacking = lackingIn(fixedOf(element, gadget) + digitsOf(element), stock.font(element.font));
    const written = { ref: element.font, displayId: screen.id };
    return [{ font, cells: '', display, lacking, place, written }];
  });
  const inCells = placedActions(gadget.flow).flatMap(({ actions, place }) =>
    actions.flatMap((action): Shown[] => {
      if (action.kind !== 'text' && action.kind !== 'sprite' && action.kind !== 'listRow') return [];
      const screen = gadget.outputs.find(({ id }) => id === action.outputId);
      const text = action.kind === 'listRow' ? action.glyphs : fixedPieces(action.text);
      const display = screen?.name ?? '';
      if (screen?.kind === 'text')
        return [
          {
            font: null,
            cells: screen.cells,
            display,
            lacking: lackingOn(screen, text),
            place,
            written: null,
          },
        ];
      if (screen?.kind !== 'screen') return [];
      const font = cellFont(screen);
      return [{ font, cells: '', display, lacking: lackingIn(text, fonts[font]), place, written: null }];
    }),
  );
  return [...onPages, ...inCells];
}

/** A character that the font or the display does not have a shape for. Told once for each display and font. */
export const S04: SnagRule = {
  id: 'S04',
  check(gadget): Snag[] {
    const told = new Set<string>();
    return shownOn(gadget).flatMap(({ lacking: all, font, cells, display, place, written }): Snag[] => {
      const lacking = all.filter((character) => !told.has(`${display} ${font} ${character}`));
      if (lacking.length === 0) return [];
      for (const character of lacking) told.add(`${display} ${font} ${character}`);
      const other = written && otherFont(gadget, written);
      return [
        {
          rule: 'S04',
          level: 'likely',
          place,
          values: { characters: lacking.join(' '), count: lacking.length, font: font ?? '', cells, display },
          ...(written &&
            other && {
              mend: { key: 'otherFont', edit: rewritten(gadget, written, other), values: { font: other } },
            }),
        },
      ];
    });
  },
};
