import { longestText, showTemplate, valuesAt, valuesOf, type KnownRanges } from '../flow/index.ts';
import {
  placedActions,
  type Edit,
  type Gadget,
  type Output,
  type PlacedActions,
  type Snag,
  type SnagRule,
} from '../gadget/index.ts';
import { pointsSaved } from './cells/index.ts';
import { fontForCells } from './fonts.ts';
import { isAcross } from './glyphs.ts';
import { measuresOf, stockFor } from './onCells.ts';
import { elementsOf, type PlacedElement } from './elements.ts';
import { extentOf } from './extent.ts';

/** Columns that character displays are made with; a wider text needs other words. */
const madeWide = [8, 16, 20, 40];

interface Placed extends PlacedActions {
  text: string;
  row: number;
  outputId: string;
}

/** Every text action with the place that owns it; sprites are cut at the edge, and meant to be. */
const texts = (gadget: Gadget): Placed[] =>
  placedActions(gadget.flow).flatMap((placed) =>
    placed.actions.flatMap((action) =>
      action.kind === 'text'
        ? [{ ...placed, text: action.text, row: action.row, outputId: action.outputId }]
        : [],
    ),
  );

type Celled = Extract<Output, { columns: number; rows: number }> & { kind: 'text' | 'screen' };
const isCelled = (output: Output | undefined): output is Celled =>
  output?.kind === 'text' || output?.kind === 'screen';

/** How many columns would do, where such a display can have them; pixels have room for some only. */
function wideEnough(display: Celled, length: number): number | undefined {
  if (display.kind === 'text') return madeWide.find((made) => made >= length);
  const { widthPx, heightPx, rows } = display;
  return fontForCells(widthPx, heightPx, length, rows) === null ? undefined : length;
}

/** Rows of characters: wider than the display can show, at their longest, or on a row that it does not have. */
function inCells(gadget: Gadget, known: KnownRanges): Snag[] {
  // The same text for the same display is told once, where it first stands.
  const told = new Set<string>();
  return texts(gadget).flatMap((placed): Snag[] => {
    const { text, row, outputId, place, name: state } = placed;
    const display = gadget.outputs.find(({ id }) => id === outputId);
    if (!isCelled(display)) return [];
    const { columns, rows, name } = display;
    const saved = display.kind === 'text' ? pointsSaved(text, display.cells) : 0;
    const length = longestText(text, gadget, valuesAt(gadget, known, placed)) - saved;
    const common = { rule: 'S01', level: 'likely', place } as const;
    const values = { state, display: name, text: showTemplate(text, gadget), length, columns, rows };
    const key = JSON.stringify([outputId, text, row >= rows ? row : null]);
    if ((row < rows && length <= columns) || told.has(key)) return [];
    told.add(key);
    if (row >= rows) return [{ ...common, values: { ...values, reason: 'row', row: row + 1 } }];
    const wide = wideEnough(display, length);
    const widen: Edit = { name: 'changeOutput', args: [display.id, { columns: wide ?? length }] };
    return [
      {
        ...common,
        values: { ...values, reason: 'width' },
        ...(wide !== undefined && {
          mend: { key: 'widerDisplay', edit: widen, values: { columns: wide } },
        }),
      },
    ];
  });
}

/** What is written on a page and goes over the edge of its display, at its longest. */
function onPage(gadget: Gadget, known: KnownRanges, placed: PlacedElement): Snag[] {
  const { element, screen, page } = placed;
  const extent = extentOf(gadget, element, known, screen);
  if (!extent) return [];
  const { text, font, characters, left, right, top, bottom } = extent;
  const { widthPx, heightPx } = measuresOf(screen);
  const over = { across: left < 0 || right > widthPx, below: top < 0 || bottom > heightPx };
  if (!over.across && !over.below) return [];
  return [
    {
      rule: 'S01',
      level: 'likely',
      place: { kind: 'page', id: page.id },
      values: {
        reason: over.across ? 'edge' : 'height',
        page: page.name,
        display: screen.name,
        text,
        font,
        length: characters,
        left,
        right: right - 1,
        top,
        bottom: bottom - 1,
        widthPx,
        heightPx,
        kind: screen.kind,
      },
    },
  ];
}

/** Legends of keys that are wider than their share of the edge, or lie over one another at a side. */
function inLegends(gadget: Gadget, { element, screen, page }: PlacedElement): Snag[] {
  if (element.kind !== 'drawLegends' || element.onlyIf.trim() === '0') return [];
  const { font, edge, words } = element;
  const stock = stockFor(gadget, screen);
  const { widthPx, heightPx } = measuresOf(screen);
  const cell = stock.font(font);
  const across = isAcross(edge);
  // At a side they stand one below the other, and have all of the width.
  const room = Math.floor((across ? widthPx : heightPx) / words.length);
  const wide = (word: string) => [...word].length * cell.widthPx;
  const over = across
    ? words.filter((word) => wide(word) > room)
    : words.filter((word) => wide(word) > widthPx || (word !== '' && cell.heightPx > room));
  const longest = over.reduce((most, word) => (wide(word) > wide(most) ? word : most), '');
  if (longest === '') return [];
  const common = {
    page: page.name,
    display: screen.name,
    text: longest,
    font: stock.fontName(font),
    kind: screen.kind,
  };
  return [
    {
      rule: 'S01',
      level: 'likely',
      place: { kind: 'page', id: page.id },
      values:
        across || wide(longest) > widthPx
          ? { ...common, reason: 'legend', takes: wide(longest), room: across ? room : widthPx }
          : { ...common, reason: 'legends', takes: cell.heightPx, room },
    },
  ];
}

/** Text that does not fit where it is shown. */
export const S01: SnagRule = {
  id: 'S01',
  check(gadget, derived): Snag[] {
    const known = valuesOf(gadget, derived);
    return [
      ...inCells(gadget, known),
      ...elementsOf(gadget).flatMap((placed) => [
        ...onPage(gadget, known, placed),
        ...inLegends(gadget, placed),
      ]),
    ];
  },
};
