import {
  ExpressionError,
  expressionRange,
  longestText,
  scopeOf,
  showExpression,
  showTemplate,
  valuesWhere,
  type KnownRanges,
} from '../flow/index.ts';
import type { Gadget, Screen, TextDisplay } from '../gadget/index.ts';
import { pointsSaved } from './cells/index.ts';
import type { Element } from './elements.ts';

import { numberText } from './numbers.ts';
import { leftOf } from './glyphs.ts';
import { stockFor } from './onCells.ts';

/** How far a text reaches on a page, at its longest. */
export interface Extent {
  /** As it is written, and the most characters that it can take. */
  text: string;
  characters: number;
  /** As people call it. */
  font: string;
  /** In pixels, from the left and upper edge to the right and lower one, both left out. */
  left: number;
  right: number;
  top: number;
  bottom: number;
}

type Written = Extract<Element, { align: string }>;

/** A value that does not depend on anything; null: it does, or it cannot be read. */
function fixed(text: string, gadget: Gadget, known: KnownRanges): number | null {
  try {
    const { low, high } = expressionRange(text, scopeOf(gadget), known);
    return low === high ? low : null;
  } catch (error) {
    if (error instanceof ExpressionError) return null;
    throw error;
  }
}

/** What of it is longest, as it is written, and in characters. */
function longest(element: Written, gadget: Gadget, known: KnownRanges): Pick<Extent, 'text' | 'characters'> {
  if (element.kind === 'drawText')
    return { text: showTemplate(element.text, gadget), characters: longestText(element.text, gadget, known) };
  const instead = { text: element.instead, characters: [...element.instead].length };
  const value = {
    text: showExpression(element.value, gadget),
    characters: mostKnown(element, gadget, known),
  };
  const unknown = fixed(element.unknownIf, gadget, known);
  if (unknown === 0) return value;
  // It may be known or not, unless it never is.
  return unknown !== null || instead.characters > value.characters ? instead : value;
}

function mostKnown(
  element: Exclude<Written, { kind: 'drawText' }>,
  gadget: Gadget,
  known: KnownRanges,
): number {
  const { value } = element;
  try {
    const { low, high } = expressionRange(value, scopeOf(gadget), known);
    if (element.kind === 'drawWord') {
      const words = element.words.slice(Math.max(0, low), Math.max(0, high + 1));
      return Math.max(0, ...words.map((word) => [...word].length));
    }
    const { format, places, unit } = element;
    // The farther from nought, the longer, on either side of it.
    return Math.max(...[low, high].map((end) => [...numberText(end, format, places, unit)].length));
  } catch (error) {
    if (error instanceof ExpressionError) return 0;
    throw error;
  }
}

/**
 * How far a text or a number on a page reaches. Only what is certain: null for what is never drawn, whose place is
 * worked out as it runs, or that is no text.
 */
export function extentOf(
  gadget: Gadget,
  element: Element,
  everywhere: KnownRanges,
  display: Screen | TextDisplay,
): Extent | null {
  if (!('align' in element)) return null;
  const known = valuesWhere(gadget, everywhere, element.onlyIf);
  if (known === null || fixed(element.onlyIf, gadget, known) === 0) return null;
  const x = fixed(element.x, gadget, known);
  const y = fixed(element.y, gadget, known);
  if (x === null || y === null) return null;
  const { font: ref, align } = element;
  const stock = stockFor(gadget, display);
  const font = stock.font(ref);
  const { text, characters: said } = longest(element, gadget, known);
  // On segments, a point takes no place of its own.
  const saved =
    display.kind === 'text' && element.kind === 'drawText' ? pointsSaved(element.text, display.cells) : 0;
  const characters = Math.max(0, said - saved);
  const left = leftOf({ x, align }, font, characters);
  return {
    text,
    characters,
    font: stock.fontName(ref),
    left,
    right: left + characters * font.widthPx,
    top: y,
    bottom: y + font.heightPx,
  };
}
