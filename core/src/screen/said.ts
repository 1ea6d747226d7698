import type { Gadget } from '../gadget/index.ts';
import { rasterBytes } from '../picture/index.ts';
import type { Element } from './elements.ts';
import { fontBytes } from './fonts.ts';
import { stockOf } from './stock.ts';

type Written = Extract<Element, { font: string }>;

/** What is written as it stands, between gaps that are filled. */
export const fixedPieces = (template: string): string => template.replace(/\{[^{}]*\}/g, '');

/** What stands there while its value is none; nothing where it always is one. */
const insteadOf = ({ unknownIf, instead }: { unknownIf: string; instead: string }): string =>
  unknownIf.trim() === '0' ? '' : instead;

/** What an element says by itself: texts of a list as they begin. */
export function fixedOf(element: Written, gadget: Gadget): string {
  switch (element.kind) {
    case 'drawText':
      return fixedPieces(element.text);
    case 'drawNumber':
      return element.unit + insteadOf(element);
    case 'drawWord':
      return element.words.join('') + insteadOf(element);
    case 'drawLegends':
      return element.words.join('');
    case 'drawRunning':
      return fixedPieces(element.text);
    case 'drawList': {
      const list = gadget.flow.variables.find(({ id }) => id === element.variableId);
      return list?.kind === 'texts' ? list.initials.join('') : '';
    }
  }
}

const digits = '-0123456789.:+';
const printable = Array.from({ length: 95 }, (_, n) => String.fromCharCode(32 + n)).join('');

/** Digits of a number that stands in it by itself: whatever it is, it is made of some of them. */
export const digitsOf = (element: Written): string => (element.kind === 'drawNumber' ? '0123456789' : '');

/** What may come beside that: numbers in gaps; in a list of texts, anything that can be typed. */
function variableOf(element: Written): string {
  if (element.kind === 'drawList') return printable;
  return element.kind === 'drawNumber' || ('text' in element && element.text.includes('{')) ? digits : '';
}

/** All that stands on the pages of a display of pixels, or of all of them: those of characters have shapes of their own. */
function drawnOn({ outputs, pages }: Gadget, screenId?: string): Element[] {
  const screens = new Set(outputs.flatMap(({ id, kind }) => (kind === 'screen' ? [id] : [])));
  return pages.flatMap(({ outputId, elements }) =>
    screens.has(outputId) && (screenId === undefined || outputId === screenId)
      ? (elements as readonly Element[])
      : [],
  );
}

/** Characters that the pages of a gadget may show in a font: written, or as digits. */
export function charactersOf(gadget: Gadget, ref: string, screenId?: string): Set<string> {
  const written = new Set<string>();
  for (const element of drawnOn(gadget, screenId)) {
    if (!('font' in element) || element.font !== ref) continue;
    for (const character of fixedOf(element, gadget) + variableOf(element)) written.add(character);
  }
  return written;
}

/** Fonts that pages are written in, each once. */
export const fontUses = (gadget: Gadget, screenId?: string): string[] => [
  ...new Set(drawnOn(gadget, screenId).flatMap((element) => ('font' in element ? [element.font] : []))),
];

/** Bytes of the fonts that the pages of a display need, or all pages, each trimmed to what may be written in it. */
export function fontMemory(gadget: Gadget, screenId?: string): number {
  const stock = stockOf(gadget);
  return fontUses(gadget, screenId).reduce(
    (sum, ref) => sum + fontBytes(stock.font(ref), charactersOf(gadget, ref, screenId)),
    0,
  );
}

/**
 * Bytes of the program in which all pages find what they are drawn with: fonts, each once and trimmed to the characters
 * that may be written in it, and the pictures that pages show. What is drawn with nothing of that costs nothing here.
 */
export function storedBytes(gadget: Gadget): number {
  const { rasters } = stockOf(gadget);
  const shown = new Set(
    gadget.pages.flatMap(({ elements }) =>
      elements.flatMap((element) => (element.kind === 'drawPicture' ? [element.pictureId] : [])),
    ),
  );
  return [...shown].reduce((sum, id) => {
    const raster = rasters.get(id);
    return sum + (raster ? rasterBytes(raster) : 0);
  }, fontMemory(gadget));
}
