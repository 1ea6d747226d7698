import type { Gadget } from '../gadget/index.ts';
import type { Element } from './elements.ts';
import { fontBytes, type FontName } from './fonts.ts';

type Written = Extract<Element, { font: FontName }>;

/** What is written as it stands, between gaps that are filled. */
export const fixedPieces = (template: string): string => template.replace(/\{[^{}]*\}/g, '');

/** What an element says by itself: texts of a list as they begin. */
export function fixedOf(element: Written, gadget: Gadget): string {
  switch (element.kind) {
    case 'drawText':
      return fixedPieces(element.text);
    case 'drawNumber':
      return element.unit;
    case 'drawWord':
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

/** What may come beside that: numbers in gaps; in a list of texts, anything that can be typed. */
function variableOf(element: Written): string {
  if (element.kind === 'drawList') return printable;
  return element.kind === 'drawNumber' || ('text' in element && element.text.includes('{')) ? digits : '';
}

/** Bytes of the fonts that the pages of a display need, each trimmed to the characters that may be written in it. */
export function fontMemory(gadget: Gadget, screenId: string): number {
  const used = new Map<FontName, Set<string>>();
  for (const { outputId, elements } of gadget.pages)
    for (const element of elements as readonly Element[]) {
      if (outputId !== screenId || !('font' in element)) continue;
      const written = used.get(element.font) ?? new Set();
      for (const character of fixedOf(element, gadget) + variableOf(element)) written.add(character);
      used.set(element.font, written);
    }
  return [...used].reduce((sum, [font, { size }]) => sum + fontBytes(font, size), 0);
}
